import type { Habit, Measure, Rig } from '../../logbook/index.js';
import { tankById } from '../tanks/index.js';
import { passesMeter } from './touches.js';

/** What bears on where water comes from and goes to at some moment. */
export interface Regime {
	/** a pressure hook-up feeds the outlets past the tanks */
	readonly mains: boolean;
	/** the waste valves stand open into a sewer */
	readonly sewer: boolean;
	/** ids of the conservation measures in force */
	readonly measures: readonly string[];
}

/** An amount that depends on the litres h of one time: perLitre · h + fixed. */
export interface Amount {
	readonly perLitre: number;
	readonly fixed: number;
}

/** One time of a habit: what it draws in all, what each tank gains (negative: loses), what each meter counts. */
export interface Flow {
	readonly drawn: Amount;
	readonly tanks: ReadonlyMap<string, Amount>;
	readonly meters: ReadonlyMap<string, Amount>;
}

const times = ({ perLitre, fixed }: Amount, factor: number): Amount => ({
	perLitre: perLitre * factor,
	fixed: fixed * factor
});
const plus = (a: Amount, b: Amount): Amount => ({
	perLitre: a.perLitre + b.perLitre,
	fixed: a.fixed + b.fixed
});
const litresFixed = (fixed: number): Amount => ({ perLitre: 0, fixed });

class Balance {
	readonly tanks = new Map<string, Amount>();
	readonly meters = new Map<string, Amount>();
	add(side: 'tanks' | 'meters', id: string, amount: Amount): void {
		const before = this[side].get(id) ?? litresFixed(0);
		this[side].set(id, plus(before, amount));
	}
}

/** Meters that the flow of an outlet passes, by where the water comes from. */
function metersPassed(rig: Rig, outletId: string, mains: boolean): readonly string[] {
	const outlet = rig.outlets.find(({ id }) => id === outletId);
	if (!outlet) return [];
	const meters = rig.instruments.filter((instrument) => instrument.kind === 'meter');
	if (mains) return meters.filter(({ place }) => place === 'mains').map(({ id }) => id);
	return meters.filter((meter) => meter.place === 'pump' && passesMeter(outlet, meter)).map(({ id }) => id);
}

/** Whether a tank keeps what runs into it: an open sewer valve lets it through, but not out of a carried one. */
const keepsWaste = (rig: Rig, tankId: string, regime: Regime): boolean => {
	const tank = tankById(rig, tankId);
	return tank !== undefined && !(regime.sewer && tank.holds !== 'fresh' && tank.portable !== true);
};

type Recipe = NonNullable<Habit['recipe']>;

/** Litres of one time by its recipe: what runs warm, runs, trickles in pauses, fills a basin, flushes. */
export const litresByRecipe = (recipe: Recipe): number =>
	(recipe.warmUpL ?? 0) +
	(recipe.runMin ?? 0) * (recipe.flowLpm ?? 0) +
	(recipe.pauseMin ?? 0) * (recipe.trickleLpm ?? 0) +
	(recipe.basinL ?? 0) +
	(recipe.flushL ?? 0);

/** The litres of one time after the measures that act on it alone, in the order of the rig's list. */
function amountOfOneTime(habit: Habit, measures: readonly Measure[]): Amount {
	let recipe = habit.recipe ?? {};
	let amount: Amount = { perLitre: 1, fixed: 0 };
	for (const { effect } of measures) {
		if (effect.kind === 'scale') amount = times(amount, effect.factor);
		else if (effect.kind === 'set') amount = litresFixed(effect.litres);
		else if (effect.kind === 'recipe') {
			const before = litresByRecipe(recipe);
			recipe = { ...recipe, ...effect.parts };
			if (before > 0) amount = times(amount, litresByRecipe(recipe) / before);
		}
	}
	return amount;
}

/** Whether a habit's water comes from elsewhere under the measures in force: it is then not drawn aboard. */
export const comesFromOutside = (
	{ measures }: Pick<Rig, 'measures'>,
	habit: string | undefined,
	inForce: readonly string[]
): boolean =>
	inForce.length > 0 &&
	measures.some(
		({ id, habit: of, effect }) => of === habit && effect.kind === 'outside' && inForce.includes(id)
	);

/**
 * One time of a habit through the plumbing, under the hook-ups and measures in force. Mains feeds the fresh
 * outlets past tank and pump; an open sewer valve lets waste through.
 */
export function flowOf(rig: Rig, habit: Habit, regime: Regime): Flow {
	const measures = rig.measures.filter(
		({ id, habit: of }) => of === habit.id && regime.measures.includes(id)
	);
	const outlet = rig.outlets.find(({ id }) => id === habit.outlet);
	const balance = new Balance();
	const drawn = amountOfOneTime(habit, measures);
	if (!outlet) return { drawn, tanks: balance.tanks, meters: balance.meters };
	const source = tankById(rig, outlet.from);
	const fromMains = regime.mains && source?.holds === 'fresh' && source.portable !== true;
	if (!comesFromOutside(rig, habit.id, regime.measures)) {
		if (!fromMains) balance.add('tanks', outlet.from, times(drawn, -1));
		for (const meter of metersPassed(rig, outlet.id, fromMains)) balance.add('meters', meter, drawn);
	}
	let toWaste = times(drawn, 1 - (habit.keptFraction ?? 0));
	for (const { effect } of measures) {
		if (effect.kind === 'return') {
			toWaste = plus(toWaste, litresFixed(-effect.litres));
			balance.add('tanks', outlet.from, litresFixed(effect.litres));
		} else if (effect.kind === 'reroute') {
			toWaste = plus(toWaste, litresFixed(-effect.litres));
			if (keepsWaste(rig, effect.to, regime)) balance.add('tanks', effect.to, litresFixed(effect.litres));
			spare(rig, effect.replaces, effect.litres, regime, balance);
		}
	}
	if (keepsWaste(rig, outlet.to, regime))
		balance.add('tanks', outlet.to, plus(toWaste, litresFixed(habit.addsL ?? 0)));
	return { drawn, tanks: balance.tanks, meters: balance.meters };
}

/** What a rerouted volume spares of the habit it stands in for: the same litres less through that habit's outlet. */
function spare(
	rig: Rig,
	replaced: string | undefined,
	litres: number,
	regime: Regime,
	balance: Balance
): void {
	const habit = rig.habits.find(({ id }) => id === replaced);
	const outlet = rig.outlets.find(({ id }) => id === habit?.outlet);
	if (!habit || !outlet) return;
	if (!regime.mains) balance.add('tanks', outlet.from, litresFixed(litres));
	for (const meter of metersPassed(rig, outlet.id, regime.mains))
		balance.add('meters', meter, litresFixed(-litres));
	if (keepsWaste(rig, outlet.to, regime))
		balance.add('tanks', outlet.to, litresFixed(-litres * (1 - (habit.keptFraction ?? 0))));
}

/** Times of a habit per day at its usual cadence for a number of persons, whatever measures are in force. */
export const usualTimesPerDay = (habit: Habit, persons: number): number =>
	habit.retired ? 0 : habit.often.times * (habit.often.per === 'person-day' ? persons : 1);

/** What measures of rarity in force make of how often a habit is done: a factor. */
export const rarityOf = (
	{ measures }: Pick<Rig, 'measures'>,
	habit: string,
	inForce: readonly string[]
): number =>
	inForce.length === 0
		? 1
		: measures.reduce(
				(factor, { id, habit: of, effect }) =>
					of === habit && effect.kind === 'rarer' && inForce.includes(id) ? factor * effect.factor : factor,
				1
			);
