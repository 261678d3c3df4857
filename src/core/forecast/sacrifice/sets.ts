import type { Measure } from '../../logbook/index.js';
import type { Outset } from '../forecast.js';

/** Some measures in force together, those that are already included. */
export interface MeasureSet {
	/** in the order of the rig's list */
	readonly measures: readonly string[];
	/** what they ask in all, by the effort that each is given */
	readonly effort: number;
	/** that no tank binds before the moment asked for */
	readonly chance: number;
}

/** All sets are looked at up to so many measures. */
export const EXACT_UP_TO = 14;

const DEFAULT_EFFORT = 1;
/** How much bother a measure is; the usual where the rig does not say. */
export const effortOf = ({ effort = DEFAULT_EFFORT }: Pick<Measure, 'effort'>): number => effort;

/** The least that is counted of a bother: what asks nothing is not worth everything. */
const LEAST_EFFORT = 0.5;

/** What a measure gives for what it asks. */
export const forItsEffort = (gives: number, measure: Pick<Measure, 'effort'>): number =>
	gives / Math.max(LEAST_EFFORT, effortOf(measure));

/** The bother of some measures together. */
export const effortOfAll = (measures: readonly Measure[]): number =>
	measures.reduce((sum, one) => sum + effortOf(one), 0);

/** A set of measures beside those in force, and its chance. */
export interface Taken {
	readonly taken: readonly Measure[];
	readonly chance: number;
}

/** Measures that act on one another, of one habit or of some that stand in for each other: what they bring is known of every combination. */
export interface Group {
	readonly habits: readonly number[];
	readonly measures: readonly Measure[];
}

/** Habits by what stands in for what: one that spares another's water, and all others that do, go with it. */
function standingIn(habits: readonly string[], measures: readonly Measure[]): readonly (readonly number[])[] {
	const group = habits.map((_, i) => i);
	for (const { habit, effect } of measures) {
		const one = group[habits.indexOf(habit)];
		const other = effect.kind === 'reroute' ? group[habits.indexOf(effect.replaces ?? '')] : undefined;
		if (one !== undefined && other !== undefined)
			group.forEach((of, i) => {
				if (of === other) group[i] = one;
			});
	}
	return [...new Set(group)].map((of) => habits.flatMap((_, i) => (group[i] === of ? [i] : [])));
}

/**
 * The measures that act on one another, most first: the walk comes to those of the first group only once.
 *
 * @param inForce measures that stand beside them
 */
export const groupsOf = (
	{ day }: Outset,
	candidates: readonly Measure[],
	inForce: readonly Measure[]
): readonly Group[] =>
	standingIn(
		day.habits.map(({ habit }) => habit.id),
		[...inForce, ...candidates]
	)
		.map((habits) => ({
			habits,
			measures: candidates.filter((one) => habits.some((i) => day.habits[i]?.habit.id === one.habit))
		}))
		.filter(({ measures }) => measures.length > 0)
		.sort((a, b) => b.measures.length - a.measures.length);

/** The items of a list whose bit is set. */
export const subset = <T>(list: readonly T[], mask: number): readonly T[] =>
	list.filter((_, i) => (mask >> i) & 1);

/** By what a set asks, then the surest, then the shortest, then as the rig has them. */
export const byEffort = (a: MeasureSet, b: MeasureSet): number =>
	a.effort - b.effort ||
	b.chance - a.chance ||
	a.measures.length - b.measures.length ||
	(a.measures.join('|') < b.measures.join('|') ? -1 : 1);
/** The surest first, then the least bother. */
export const bySureness = (a: MeasureSet, b: MeasureSet): number => b.chance - a.chance || byEffort(a, b);

/** The first of a list in an order. */
export const least = <T>(list: readonly T[], order: (a: T, b: T) => number): T | undefined =>
	list.reduce<T | undefined>(
		(best, one) => (best === undefined || order(one, best) < 0 ? one : best),
		undefined
	);

/** Sets without those that ask for all of a better one and more. */
export const distinctOf = (sorted: readonly MeasureSet[], most: number): readonly MeasureSet[] =>
	sorted.reduce<readonly MeasureSet[]>(
		(kept, set) =>
			kept.length >= most || kept.some(({ measures }) => measures.every((id) => set.measures.includes(id)))
				? kept
				: [...kept, set],
		[]
	);
