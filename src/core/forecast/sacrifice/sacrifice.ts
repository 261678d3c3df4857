import { DAY_MS, MINUTE_MS } from '../../time/index.js';
import { quantileOf } from '../../numerics/index.js';
import { type Estimate } from '../../estimate/index.js';
import type { Measure } from '../../logbook/index.js';
import { useClockOf } from '../useClock.js';
import { autonomyOf, COMPARED_PATHS, MOST_DAYS, outsetOf, type Autonomy } from '../forecast.js';
import { reachOf, turns } from './reach.js';
import {
	byEffort,
	bySureness,
	distinctOf,
	effortOf,
	effortOfAll,
	forItsEffort,
	EXACT_UP_TO,
	groupsOf,
	least,
	type MeasureSet,
	type Taken
} from './sets.js';
import { SubsetSearch } from './subsetSearch.js';
import { Incumbents } from './incumbents.js';

/** What reaches a moment: the best set of measures, others, and the nearest where none does. */
export interface Sacrifice {
	readonly reached: boolean;
	/** of the sets that reach it: the one that asks least, then the surest */
	readonly best?: MeasureSet;
	/** the next best, four at most */
	readonly others: readonly MeasureSet[];
	/** the best where there is one, else the surest of all sets; and until when it lasts with the certainty asked for */
	readonly nearest: MeasureSet & { readonly lastsToMs: number };
	/** with what is in force now, and no more */
	readonly asItIs: MeasureSet & { readonly lastsToMs: number };
	/** there were too many measures for all of their sets: the best of those looked at */
	readonly bounded?: true;
}

/** What is to be reached, ms, with which certainty, by which measures. */
export interface SacrificeOptions {
	readonly untilMs: number;
	/** 0 … 0.99 */
	readonly certainty: number;
	/** who is aboard from now on; as written and planned when absent */
	readonly persons?: number | undefined;
	/** the measures that may be taken; all when absent */
	readonly among?: readonly string[] | undefined;
	/** leaves out runners-up that ask for all of a better one and more */
	readonly distinct?: boolean;
	readonly paths?: number | undefined;
}

const OTHERS = 4;
/** Of fewer paths than this it cannot be told which set is the surest. */
const SOME_CHANCE = 0.01;

/** How many sets that reach are kept, where runners-up that are no better than others are left out. */
const KEPT_FOR_DISTINCT = 60;

/**
 * The least that has to be done to reach a moment: of all sets of measures that hold until then with a certainty, the one
 * that asks for the least effort. Exact over all sets up to 14 measures, all lived with the same chances. It pauses now
 * and then with how far it is, 0 … 1.
 *
 * @throws RangeError when the moment is not after the estimate's
 */
export function* sacrifice(estimate: Estimate, options: SacrificeOptions): Generator<number, Sacrifice> {
	const { untilMs, certainty, persons, among, distinct, paths = COMPARED_PATHS } = options;
	const { state, atMs, model } = estimate;
	const clock = useClockOf(estimate);
	const days = clock.useDays((untilMs - atMs) / DAY_MS);
	if (!(untilMs > atMs && days > 0)) throw new RangeError('the moment to reach is not after now');
	const inForce = state.measures;
	const outset = outsetOf(estimate, { days, persons, measures: inForce, paths });
	const order = model.rig.measures;
	const candidates = order.filter(
		({ id, retired }) => !retired && !inForce.includes(id) && (among === undefined || among.includes(id))
	);
	const setOf = ({ taken, chance }: Taken): MeasureSet => {
		const ids = new Set([...inForce, ...taken.map(({ id }) => id)]);
		const measures = order.filter(({ id }) => ids.has(id));
		return { measures: measures.map(({ id }) => id), effort: effortOfAll(measures), chance };
	};
	const lasting = (measures: readonly string[], horizon: number): Autonomy =>
		lastingOf(estimate, measures, horizon, { persons, paths });
	const lastsToMs = ({ measures }: MeasureSet): number => {
		const { first } = lasting(measures, wellBeyond(days));
		return clock.atMs(quantileOf(first.sort(), 1 - certainty));
	};
	const walkOf = (some: readonly Measure[]): SubsetSearch => {
		const groups = groupsOf(
			outset,
			some,
			order.filter(({ id }) => inForce.includes(id))
		);
		const touched = new Set(groups.flatMap(({ habits }) => habits));
		const plain = reachOf(estimate, outset, days, touched, false);
		return new SubsetSearch(
			turns(plain, groups) ? reachOf(estimate, outset, days, touched, true) : plain,
			groups
		);
	};
	const bounded = candidates.length > EXACT_UP_TO;
	const wanted = new Incumbents(certainty, distinct ? KEPT_FOR_DISTINCT : OTHERS + 1);
	const tries = bounded
		? mostGiving(candidates, (one) => lasting([...inForce, one.id], 2 * days).days)
		: [candidates];
	let asItIs = setOf({ taken: [], chance: 0 });
	for (const [i, some] of tries.entries()) {
		const walk = walkOf(some);
		asItIs = setOf({ taken: [], chance: walk.none() });
		yield* walk.all(wanted, { from: i / tries.length, span: 1 / tries.length });
	}
	if (bounded) {
		const all = lasting([...inForce, ...candidates.map(({ id }) => id)], days + 1).first;
		wanted.take(candidates, all.filter((one) => one >= days).length / paths);
	}
	const sets = new Map(wanted.found.map((taken) => [setOf(taken).measures.join('|'), setOf(taken)] as const));
	const reaching = [...sets.values()].filter(({ chance }) => chance >= certainty).sort(byEffort);
	const [best, ...rest] = distinct ? distinctOf(reaching, OTHERS + 1) : reaching;
	const surest = best ?? (least([...sets.values()], bySureness) as MeasureSet);
	const nearest =
		surest.chance >= SOME_CHANCE
			? surest
			: furthest(candidates, (taken) => setOf({ taken, chance: 0 }), lastsToMs);
	return {
		reached: best !== undefined,
		...(best ? { best } : {}),
		others: rest.slice(0, OTHERS),
		nearest: { ...nearest, lastsToMs: lastsToMs(nearest) },
		asItIs: { ...asItIs, lastsToMs: lastsToMs(asItIs) },
		...(bounded ? { bounded: true } : {})
	};
}

/** How far to look for how long a stay lasts that is to last some days. */
const wellBeyond = (days: number): number => Math.max(30, 2 * days);

/** How long the stay lasts with some measures and no others, looking so many days ahead. */
const lastingOf = (
	estimate: Estimate,
	measures: readonly string[],
	horizon: number,
	{ persons, paths = COMPARED_PATHS }: Pick<SacrificeOptions, 'persons' | 'paths'>
): Autonomy =>
	autonomyOf(estimate, {
		days: Math.min(MOST_DAYS, Math.ceil(Math.max(1, horizon))),
		persons,
		measures,
		paths
	});

/** The hours of the stay that each of some sets of measures gives, beside living as it is now. */
export function hoursGiven(
	estimate: Estimate,
	sets: readonly MeasureSet[],
	asked: Pick<SacrificeOptions, 'untilMs' | 'persons' | 'paths'>
): readonly number[] {
	const horizon = wellBeyond((asked.untilMs - estimate.atMs) / DAY_MS);
	const daysWith = (measures: readonly string[]): number =>
		lastingOf(estimate, measures, horizon, asked).days;
	const asItIs = daysWith(estimate.state.measures);
	return sets.map(({ measures }) => 24 * (daysWith(measures) - asItIs));
}

/**
 * Where there are more measures than all sets can be looked at of: the fourteen that give most for their effort, and the
 * fourteen that give most whatever they ask.
 */
function mostGiving(
	candidates: readonly Measure[],
	lasts: (one: Measure) => number
): readonly (readonly Measure[])[] {
	const alone = new Map(candidates.map((one) => [one, lasts(one)] as const));
	const shortest = Math.min(...alone.values());
	const gives = (one: Measure): number => (alone.get(one) ?? 0) - shortest;
	const most = (worth: (one: Measure) => number): readonly Measure[] =>
		[...candidates].sort((a, b) => worth(b) - worth(a)).slice(0, EXACT_UP_TO);
	return [most((one) => forItsEffort(gives(one), one)), most(gives)];
}

/** Where no set has any chance: the one that lasts longest, without those of its measures that add nothing. */
function furthest(
	candidates: readonly Measure[],
	setOf: (taken: readonly Measure[]) => MeasureSet,
	lastsToMs: (set: MeasureSet) => number
): MeasureSet {
	const dearestFirst = [...candidates].sort((a, b) => effortOf(b) - effortOf(a));
	return setOf(
		dearestFirst.reduce<readonly Measure[]>((kept, one) => {
			const without = kept.filter((other) => other !== one);
			return lastsToMs(setOf(without)) >= lastsToMs(setOf(kept)) - MINUTE_MS ? without : kept;
		}, candidates)
	);
}
