import type { Habit, Measure, Rig } from '../../logbook/index.js';
import { tankById } from '../tanks/index.js';
import { usualTimesPerDay } from './usual.js';
import { passesMeter } from './touches.js';
import { drawsSea, goesOverboard, type SeaState } from './sea.js';
import { isAnyOpen, isDrainedBy, type OpenValves } from './valves.js';

/** What bears on where water comes from and goes to at some moment. */
export interface Regime {
	/** a pressure hook-up feeds the outlets past the tanks */
	readonly mains: boolean;
	/** which waste valves are open into a sewer */
	readonly sewer: OpenValves;
	/** ids of the conservation measures in force */
	readonly measures: readonly string[];
	/** there are showers ashore; not, where absent */
	readonly ashore?: boolean | undefined;
	/** what the sea flushes and takes; nothing, where absent */
	readonly sea?: SeaState | undefined;
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
	/** litres of that which people add themselves, by tank: they come though a measure of rarity spares the time */
	readonly adds: ReadonlyMap<string, number>;
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

/** Whether a tank keeps what runs into it: an open sewer valve lets it through, a Y-valve leads past it. */
const keepsWaste = (rig: Rig, tankId: string, regime: Regime): boolean => {
	const tank = tankById(rig, tankId);
	return tank !== undefined && !isDrainedBy(regime.sewer, tank) && !goesOverboard(regime.sea, tankId);
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
	for (const measure of measures) {
		const { effect } = measure;
		// What is made rarer in some places only is so where one is there.
		if (effect.kind === 'rarer' && whereOf(measure) !== undefined) amount = times(amount, effect.factor);
		else if (effect.kind === 'scale') amount = times(amount, effect.factor);
		else if (effect.kind === 'set') amount = litresFixed(effect.litres);
		else if (effect.kind === 'recipe') {
			const before = litresByRecipe(recipe);
			recipe = { ...recipe, ...effect.parts };
			if (before > 0) amount = times(amount, litresByRecipe(recipe) / before);
		}
	}
	return amount;
}

/** Where a measure saves, of those of our catalogue that were made before they could say it. */
const WHERE_OF_IDEA: Readonly<Record<string, Measure['where']>> = {
	ashore: 'ashore',
	'hook-up-off': 'hookup'
};

/** Where alone a measure saves anything: while hooked up, or where there are showers ashore. */
export const whereOf = ({ where, idea }: Pick<Measure, 'where' | 'idea'>): Measure['where'] =>
	where ?? (idea !== undefined && Object.hasOwn(WHERE_OF_IDEA, idea) ? WHERE_OF_IDEA[idea] : undefined);

/** Whether a measure in force saves anything here. */
function savesHere(measure: Measure, { measures, mains, sewer, ashore = false }: Regime): boolean {
	if (!measures.includes(measure.id)) return false;
	const where = whereOf(measure);
	return where === undefined || (where === 'hookup' ? mains || isAnyOpen(sewer) : ashore);
}

/** The measures of a habit that save here, in the order of the rig's list. */
const savingOf = (
	rig: Pick<Rig, 'measures'>,
	habit: string | undefined,
	regime: Regime
): readonly Measure[] =>
	regime.measures.length === 0
		? []
		: rig.measures.filter((one) => one.habit === habit && savesHere(one, regime));

/** Whether a habit's water comes from elsewhere under the measures in force: it is then not drawn aboard. */
export const comesFromOutside = (
	rig: Pick<Rig, 'measures'>,
	habit: string | undefined,
	regime: Regime
): boolean => savingOf(rig, habit, regime).some(({ effect }) => effect.kind === 'outside');

const atMean = ({ perLitre, fixed }: Amount, { litresEach }: Habit): number =>
	Math.max(0, perLitre * litresEach.mean + fixed);

/** How often a habit is done on a usual day of the rig, under the measures in force. */
const timesOnUsualDay = (rig: Rig, habit: Habit, regime: Regime): number =>
	usualTimesPerDay(habit, Math.max(rig.crew, 1)) * rarityOf(rig, habit.id, regime.measures);

/**
 * What one time of a habit spares of another whose water it stands in for, litres: never more in all, on a usual day of the rig,
 * than that one draws beside what measures before it spare.
 */
function sparedBy(rig: Rig, measure: Measure, replaced: Habit, regime: Regime): number {
	if (comesFromOutside(rig, replaced.id, regime)) return 0;
	const drawn = amountOfOneTime(replaced, savingOf(rig, replaced.id, regime));
	let leftL = timesOnUsualDay(rig, replaced, regime) * atMean(drawn, replaced);
	for (const one of rig.measures) {
		const { effect } = one;
		if (effect.kind !== 'reroute' || effect.replaces !== replaced.id || !savesHere(one, regime)) continue;
		const habit = rig.habits.find(({ id }) => id === one.habit);
		const often = habit ? timesOnUsualDay(rig, habit, regime) : 0;
		const sparesL = Math.min(often * effect.litres, leftL);
		if (one === measure)
			return often > 0 ? sparesL / often : Math.min(effect.litres, atMean(drawn, replaced));
		leftL -= sparesL;
	}
	return 0;
}

/**
 * One time of a habit through the plumbing, under the hook-ups and measures in force. Mains feeds the fresh
 * outlets past tank and pump; an open sewer valve lets waste through; what comes from outside is drawn from no tank.
 */
export function flowOf(rig: Rig, habit: Habit, regime: Regime): Flow {
	const measures = savingOf(rig, habit.id, regime);
	const outlet = rig.outlets.find(({ id }) => id === habit.outlet);
	const balance = new Balance();
	const adds = new Map<string, number>();
	const drawn = amountOfOneTime(habit, measures);
	if (!outlet) return { drawn, tanks: balance.tanks, meters: balance.meters, adds };
	const bySea = drawsSea(regime.sea, outlet.id);
	const source = bySea ? undefined : tankById(rig, outlet.from);
	const fromMains = regime.mains && source?.holds === 'fresh' && source.portable !== true;
	if (!bySea && !comesFromOutside(rig, habit.id, regime)) {
		if (source && !fromMains) balance.add('tanks', source.id, times(drawn, -1));
		for (const meter of metersPassed(rig, outlet.id, fromMains)) balance.add('meters', meter, drawn);
	}
	let toWaste = times(drawn, 1 - (habit.keptFraction ?? 0));
	for (const measure of measures) {
		const { effect } = measure;
		if (effect.kind !== 'return' && effect.kind !== 'reroute') continue;
		// No more is caught than runs.
		const caughtL = Math.min(effect.litres, atMean(toWaste, habit));
		toWaste = plus(toWaste, litresFixed(-caughtL));
		if (effect.kind === 'return') {
			if (source) balance.add('tanks', source.id, litresFixed(caughtL));
			continue;
		}
		if (keepsWaste(rig, effect.to, regime)) balance.add('tanks', effect.to, litresFixed(caughtL));
		const replaced = rig.habits.find(({ id }) => id === effect.replaces);
		if (replaced)
			spare(rig, replaced, Math.min(caughtL, sparedBy(rig, measure, replaced, regime)), regime, balance);
	}
	if (keepsWaste(rig, outlet.to, regime)) {
		const { addsL = 0 } = habit;
		balance.add('tanks', outlet.to, plus(toWaste, litresFixed(addsL)));
		if (addsL > 0) adds.set(outlet.to, addsL);
	}
	return { drawn, tanks: balance.tanks, meters: balance.meters, adds };
}

/** What a rerouted volume spares of the habit it stands in for: the same litres less through that habit's outlet. */
function spare(rig: Rig, habit: Habit, litres: number, regime: Regime, balance: Balance): void {
	const outlet = rig.outlets.find(({ id }) => id === habit.outlet);
	if (!outlet || drawsSea(regime.sea, outlet.id)) return;
	if (!regime.mains && tankById(rig, outlet.from)) balance.add('tanks', outlet.from, litresFixed(litres));
	for (const meter of metersPassed(rig, outlet.id, regime.mains))
		balance.add('meters', meter, litresFixed(-litres));
	if (keepsWaste(rig, outlet.to, regime))
		balance.add('tanks', outlet.to, litresFixed(-litres * (1 - (habit.keptFraction ?? 0))));
}

/** What measures of rarity in force make of how often a habit is done: a factor. One that saves only in some places is in the flow there. */
export const rarityOf = (
	{ measures }: Pick<Rig, 'measures'>,
	habit: string,
	inForce: readonly string[]
): number =>
	inForce.length === 0
		? 1
		: measures.reduce(
				(factor, one) =>
					one.habit === habit &&
					one.effect.kind === 'rarer' &&
					whereOf(one) === undefined &&
					inForce.includes(one.id)
						? factor * one.effect.factor
						: factor,
				1
			);
