import type { Comparison } from '../../habits/index.js';
import type { Measure, Rig } from '../../logbook/index.js';
import { litresByRecipe, tankById, whereOf } from '../../rig/index.js';
import { formatLitres, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';

const habitName = (rig: Rig, id: string | undefined): string =>
	rig.habits.find((habit) => habit.id === id)?.name ?? 'something else';

const PERCENT = 100;

/** Where alone a measure saves, as it stands behind what it does. */
const WHERE: Readonly<Record<NonNullable<Measure['where']>, string>> = {
	hookup: ', while hooked up',
	ashore: ', where there are showers ashore'
};

/** What a measure changes in one time of its habit, in words: `Shower: 8 L become 4 L`. */
export function sayEffect(
	rig: Rig,
	measure: Pick<Measure, 'habit' | 'effect' | 'where' | 'idea'>,
	units: UnitChoice
): string {
	const where = whereOf(measure);
	return `${sayChanged(rig, measure, units)}${where === undefined ? '' : WHERE[where]}`;
}

function sayChanged(
	rig: Rig,
	{ habit, effect }: Pick<Measure, 'habit' | 'effect'>,
	units: UnitChoice
): string {
	const litres = (value: number): string => formatLitres(value, units);
	const of = rig.habits.find(({ id }) => id === habit);
	const each = of?.litresEach.mean ?? 0;
	const name = habitName(rig, habit);
	switch (effect.kind) {
		case 'scale':
			return `${name}: ${litres(each)} becomes ${litres(each * effect.factor)}`;
		case 'set':
			return `${name}: ${litres(each)} becomes ${litres(effect.litres)}`;
		case 'rarer':
			return effect.factor === 0
				? `${name}: none aboard`
				: `${name}: ${Math.round(PERCENT * effect.factor)}% as often`;
		case 'outside':
			return `${name}: from elsewhere, none from the tank`;
		case 'return':
			return `${name}: ${litres(effect.litres)} of it back to the tank`;
		case 'reroute': {
			const to = tankById(rig, effect.to)?.name ?? effect.to;
			const spared = effect.replaces ? `, and saves as much of ${habitName(rig, effect.replaces)}` : '';
			return `${name}: ${litres(effect.litres)} of it to ${to}${spared}`;
		}
		case 'recipe': {
			const before = litresByRecipe(of?.recipe ?? {});
			const after = litresByRecipe({ ...of?.recipe, ...effect.parts });
			return before > 0
				? `${name}: ${litres(each)} becomes ${litres((each * after) / before)}`
				: `${name}: nothing yet, as it has no recipe`;
		}
	}
}

/** Less than this a day is not worth a word, litres. */
const WORTH_A_WORD_L = 0.05;

/** Both sides of what a measure does to the tanks in a day: `1 L a day less in Grey, 1 L more in Main`. */
export function saySides(
	rig: Rig,
	tanks: readonly { readonly id: string; readonly litresPerDay: number }[],
	units: UnitChoice
): string {
	const parts = tanks
		.filter(({ litresPerDay }) => Math.abs(litresPerDay) >= WORTH_A_WORD_L)
		.map(({ id, litresPerDay }) => {
			const tank = tankById(rig, id);
			const amount = formatLitres(Math.abs(litresPerDay), units);
			if (tank?.holds === 'fresh') return `${amount} ${litresPerDay > 0 ? 'less' : 'more'} from ${tank.name}`;
			return `${amount} ${litresPerDay > 0 ? 'more' : 'less'} in ${tank?.name ?? id}`;
		});
	return parts.length > 0 ? `A day: ${listed(parts)}` : 'It changes nothing as you live now';
}

/** Whether a measure has paid, in words. */
export interface PaidWords {
	/** whether it saves, and how much */
	readonly says: string;
	/** the means that rests on, and the range of nine in ten */
	readonly rests: string;
}

/** Whether a measure has paid, in words: first whether it saves, then what that rests on. */
export function sayPaid(found: Comparison, of: 'use' | 'person and day', units: UnitChoice): PaidWords {
	const litres = (value: number): string => formatLitres(Math.abs(value), units);
	const { without, with: withIt, spares, low, high, moreThanChance } = found;
	const each = of === 'use' ? 'each time' : 'per person and day';
	const means = `${litres(without.mean)} ${each} without (${without.count}×), ${litres(withIt.mean)} with it (${withIt.count}×)`;
	const best = `up to ${litres(Math.max(high, 0))}`;
	const range =
		low < 0
			? `It might save ${best} or cost up to ${litres(low)} (9 in 10).`
			: `Likely between ${litres(Math.min(low, high))} and ${litres(Math.max(low, high))} (9 in 10).`;
	return {
		says: !moreThanChance
			? `No clear difference yet ${each}: it may be chance.`
			: spares > 0
				? `It saves about ${litres(spares)} ${each}.`
				: `It costs about ${litres(spares)} more ${each}.`,
		rests: `${means}. ${moreThanChance && spares <= 0 ? `Likely between ${litres(high)} and ${litres(low)} more (9 in 10).` : range}`
	};
}

/** What is still missing before it can be said whether a measure has paid. */
export function sayNotYet(
	{ without, with: withIt }: { readonly without: number; readonly with: number },
	habit: string
): string {
	const missing = [
		...(without < 2 ? [`${2 - without}× without it`] : []),
		...(withIt < 2 ? [`${2 - withIt}× with it`] : [])
	];
	return `Too early to tell. Still to measure: ${habit} ${listed(missing)}.`;
}
