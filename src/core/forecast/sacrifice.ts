import { quantileSorted } from 'd3-array';
import { DAY_MS, type Estimate } from '../estimate/index.js';
import { rarerAhead } from '../habits/index.js';
import type { Measure } from '../logbook/index.js';
import { autonomyOf, COMPARED_PATHS, outsetOf, type Autonomy, type Outset } from './forecast.js';
import { bring, spentIn, type Spent } from './sampler/index.js';

/** Some measures in force together, those that are already included. */
export interface MeasureSet {
	/** in the order of the rig's list */
	readonly measures: readonly string[];
	/** what they ask in all, by the effort that each is given */
	readonly effort: number;
	/** that no tank binds before the moment asked for */
	readonly chance: number;
}

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

/** No further than a year is looked. */
const MOST_DAYS = 366;
/** All sets are looked at up to so many measures. */
export const EXACT_UP_TO = 14;
const OTHERS = 4;
/** What the sum of many fractions may come short of a limit, litres. */
const EXACT_L = 1e-9;
const DEFAULT_EFFORT = 1;
export const effortOf = ({ effort = DEFAULT_EFFORT }: Pick<Measure, 'effort'>): number => effort;

/** What some measures of one habit bring to the lanes: by stretch, then by lane; nothing where they bring nothing. */
type Part = readonly (readonly (Float64Array | undefined)[])[];

/** Sums by stretch and lane, by path. */
type Sums = readonly (readonly Float64Array[])[];

/** Everything about the time until the moment asked for, without any of the measures that may be taken. */
interface Reach {
	readonly outset: Outset;
	readonly stretches: readonly Spent[];
	/** each stretch is a step of its own: levels need not go one way only */
	readonly each: boolean;
	/** what some measures of a habit (beside those in force) bring; without a habit: all else */
	part(habit: number | undefined, measures: readonly string[]): Part;
}

/** What is lived until a moment, with a cache for each habit's variants. */
function reachOf(
	estimate: Estimate,
	outset: Outset,
	days: number,
	habits: ReadonlySet<number>,
	each: boolean
): Reach {
	const { day, draws, steps, paths, seed, lanes, measures: inForce } = outset;
	const all = Int32Array.from({ length: paths }, (_, path) => path);
	const asItIs = day.habits.map(({ cadence }) => cadence.rarer);
	const plain = spentIn(day, draws, steps, days, paths, seed, asItIs, each);
	const rarer = new Map<string, readonly Spent[]>();
	/** the same where one habit is done more rarely */
	const spentWith = (habit: number | undefined, measures: readonly string[]): readonly Spent[] => {
		const one = habit === undefined ? undefined : day.habits[habit]?.habit;
		if (habit === undefined || !one) return plain;
		const factor = rarerAhead(estimate, one, measures);
		if (factor === asItIs[habit]) return plain;
		const key = `${habit}|${factor}`;
		const before = rarer.get(key);
		if (before) return before;
		const only = asItIs.map((_, i) => (i === habit ? factor : undefined));
		const spent = spentIn(day, draws, steps, days, paths, seed, only, each);
		rarer.set(key, spent);
		return spent;
	};
	return {
		outset,
		stretches: plain,
		each,
		part(habit, measures) {
			const set = [...inForce, ...measures];
			return spentWith(habit, set).map((spent) =>
				lanes.map((_, lane) => {
					const gains = outset.gains(set, spent.step);
					const own = (gains.habits[lane] ?? []).filter((one) =>
						habit === undefined ? !habits.has(one.habit) : one.habit === habit
					);
					const left = (gains.unlogged[lane] ?? []).filter(({ stream }) => {
						const of = day.habits.findIndex((one) => one.stream === stream);
						return habit === undefined ? !habits.has(of) : of === habit;
					});
					if (own.length === 0 && left.length === 0) return undefined;
					const change = new Float64Array(paths);
					bring(change, 0, { habits: [own], unlogged: [left] }, spent, all);
					return change;
				})
			);
		}
	};
}

const plus = (sums: Sums, part: Part, into: Sums): Sums =>
	sums.map((lanes, k) =>
		lanes.map((sum, lane) => {
			const more = part[k]?.[lane];
			if (!more) return sum;
			const out = into[k]?.[lane] as Float64Array;
			out.set(sum);
			addTo(out, more);
			return out;
		})
	);

function addTo(sum: Float64Array, more: Float64Array): void {
	for (let path = 0; path < sum.length; path++) sum[path] = (sum[path] as number) + (more[path] as number);
}

/** Looks at one tank along the paths from one to another, again and again, in room that it keeps. */
type LaneLook = (held: Uint8Array, sums: Sums, part: Part, from: number, to: number) => void;

/** Strikes out the paths on which a tank binds, with some sums and a last part on top of them. */
function lookAt({ outset: { lanes, draws, paths }, stretches, each }: Reach, i: number): LaneLook {
	const { falls, reserveL, drainsToL } = lanes[i] as Outset['lanes'][number];
	const [levels, usable] = [draws.levels[i] as Float64Array, draws.usable[i] as Float64Array];
	const none = new Float64Array(paths);
	const level = new Float64Array(paths);
	const limits = usable.map((full) => (falls ? reserveL - EXACT_L : Math.max(0, full - reserveL) + EXACT_L));
	// One that binds from the first is below any limit.
	levels.forEach((litres, path) => {
		const full = usable[path] as number;
		if (falls ? litres <= reserveL : litres >= Math.max(0, full - reserveL))
			limits[path] = falls ? Infinity : -Infinity;
	});
	const keep = falls ? keepAbove : keepBelow;
	return (held, sums, part, from, to) => {
		let before = levels;
		stretches.forEach(({ step }, k) => {
			if (step.sewerOpens && drainsToL !== undefined) {
				level.set(before.subarray(from, to), from);
				before = level;
				keepWithin(level, drainsToL, from, to);
			}
			keep(before, sums[k]?.[i] as Float64Array, part[k]?.[i] ?? none, limits, held, level, from, to);
			before = level;
			if (each)
				for (let path = from; path < to; path++) keepWithin(level, usable[path] as number, path, path + 1);
		});
	};
}

// The inner loops of the search, each small and on its own, so that they run at the speed of the machine.

/** What levels come to, `after`; a path on which one falls below its limit is struck out. */
function keepAbove(
	before: Float64Array,
	sum: Float64Array,
	more: Float64Array,
	limit: Float64Array,
	held: Uint8Array,
	after: Float64Array,
	from: number,
	to: number
): void {
	for (let path = from; path < to; path++) {
		const litres = (before[path] as number) + (sum[path] as number) + (more[path] as number);
		after[path] = litres;
		if (litres < (limit[path] as number)) held[path] = 0;
	}
}

/** The same for levels that rise above their limit. */
function keepBelow(
	before: Float64Array,
	sum: Float64Array,
	more: Float64Array,
	limit: Float64Array,
	held: Uint8Array,
	after: Float64Array,
	from: number,
	to: number
): void {
	for (let path = from; path < to; path++) {
		const litres = (before[path] as number) + (sum[path] as number) + (more[path] as number);
		after[path] = litres;
		if (litres > (limit[path] as number)) held[path] = 0;
	}
}

function keepWithin(level: Float64Array, most: number, from: number, to: number): void {
	for (let path = from; path < to; path++) level[path] = Math.min(Math.max(level[path] as number, 0), most);
}

function countOf(held: Uint8Array, from: number, to: number): number {
	let count = 0;
	for (let path = from; path < to; path++) count += held[path] as number;
	return count;
}

/** Measures of one habit that may be taken, beside what they bring in every combination. */
interface Group {
	readonly habit: number;
	readonly measures: readonly Measure[];
}

const meanOf = (list: Float64Array): number => list.reduce((sum, one) => sum + one, 0) / list.length;

/** Of what moves a tank one way, so much the other way may turn its level back on the way. */
const TURNS = 0.1;

/** Whether some habits fill a tank that others empty: its level may then turn back before the moment asked for. */
const turns = (reach: Reach, groups: readonly Group[]): boolean => {
	const { lanes } = reach.outset;
	/** the most litres up and down that some part brings to a lane on average */
	const most = (parts: readonly Part[], lane: number): readonly [up: number, down: number] => {
		const means = parts.map((part) =>
			part.reduce((sum, changes) => sum + (changes[lane] ? meanOf(changes[lane]) : 0), 0)
		);
		return [Math.max(0, ...means), Math.max(0, ...means.map((mean) => -mean))];
	};
	const all = [
		[reach.part(undefined, [])],
		...groups.map(({ habit, measures }) => {
			const ids = measures.map(({ id }) => id);
			return [[], ...ids.map((id) => [id])].map((set) => reach.part(habit, set));
		})
	];
	return lanes.some(({ binds }, lane) => {
		const [up, down] = all
			.map((parts) => most(parts, lane))
			.reduce(([a, b], [c, d]) => [a + c, b + d] as const, [0, 0] as const);
		return binds && Math.min(up, down) > TURNS * Math.max(up, down);
	});
};

const subset = <T>(list: readonly T[], mask: number): readonly T[] => list.filter((_, i) => (mask >> i) & 1);

/** A set of measures beside those in force, and its chance. */
interface Taken {
	readonly taken: readonly Measure[];
	readonly chance: number;
}

/** What a search still wants: the cheapest sets that reach, or the surest while none does. */
class Wanted {
	readonly found: Taken[] = [];
	readonly #certainty: number;
	readonly #keep: number;
	/** efforts of the cheapest sets that reach, rising */
	#efforts: number[] = [];
	#surest = 0;

	constructor(certainty: number, keep: number) {
		this.#certainty = certainty;
		this.#keep = keep;
	}

	/** The least chance with which a set of an effort would be of interest; more than 1 where none would. */
	least(effort: number): number {
		if (this.#efforts.length === 0) return Math.min(this.#certainty, this.#surest);
		const dearest = this.#efforts[this.#keep - 1];
		return dearest !== undefined && effort > dearest ? 2 : this.#certainty;
	}

	/** Some set is as sure as that: less sure ones are not wanted while none reaches. */
	surest(chance: number): void {
		this.#surest = Math.max(this.#surest, chance);
	}

	take(taken: readonly Measure[], chance: number): void {
		this.found.push({ taken, chance });
		this.surest(chance);
		if (chance < this.#certainty) return;
		const efforts = [...this.#efforts, effortOfAll(taken)].sort((a, b) => a - b);
		this.#efforts = efforts.slice(0, this.#keep);
	}
}

const effortOfAll = (measures: readonly Measure[]): number =>
	measures.reduce((sum, one) => sum + effortOf(one), 0);

/** Paths looked at before it is seen whether a set is still of interest. */
const BLOCK = 125;

/**
 * Every set of some measures that is wanted, with its chance: a walk through a tree whose branches share what they have
 * in common.
 */
class Walk {
	readonly #reach: Reach;
	readonly #groups: readonly Group[];
	readonly #binding: readonly number[];
	readonly #looks: readonly LaneLook[];
	readonly #held: Uint8Array;
	readonly #heldBefore: Uint8Array;
	readonly #base: Sums;
	readonly #buffers: readonly Sums[];
	readonly #parts = new Map<number, Part>();

	constructor(reach: Reach, groups: readonly Group[]) {
		const { lanes, paths } = reach.outset;
		const empty = (): Sums => reach.stretches.map(() => lanes.map(() => new Float64Array(paths)));
		this.#reach = reach;
		this.#groups = groups;
		this.#looks = lanes.map((_, i) => lookAt(reach, i));
		this.#binding = lanes.flatMap(({ binds }, i) => (binds ? [i] : []));
		this.#held = new Uint8Array(paths);
		this.#heldBefore = new Uint8Array(paths);
		this.#base = plus(empty(), reach.part(undefined, []), empty());
		this.#buffers = groups.map(empty);
	}

	/** The first group comes to each of its parts once; the others again and again. */
	#part(depth: number, mask: number): Part {
		const { habit, measures } = this.#groups[depth] as Group;
		const key = depth * 2 ** EXACT_UP_TO + mask;
		const known = this.#parts.get(key);
		if (known) return known;
		const part = this.#reach.part(
			habit,
			subset(measures, mask).map(({ id }) => id)
		);
		if (depth > 0) this.#parts.set(key, part);
		return part;
	}

	/** The masks of a group's sets, those that ask least first. */
	#masks(depth: number): readonly number[] {
		const measures = this.#groups[depth]?.measures ?? [];
		const efforts = Array.from({ length: 2 ** measures.length }, (_, mask) =>
			effortOfAll(subset(measures, mask))
		);
		return efforts.map((_, mask) => mask).sort((a, b) => (efforts[a] as number) - (efforts[b] as number));
	}

	/** The chance with some sums and a part on top of them; nothing when it is less than wanted. */
	#chance(sums: Sums, part: Part, lanes: readonly number[], least: number): number | undefined {
		const { paths } = this.#reach.outset;
		const mayFail = Math.floor((1 - least) * paths + 1e-6);
		let failed = 0;
		this.#held.set(this.#heldBefore);
		for (let from = 0; from < paths; from += BLOCK) {
			const to = Math.min(from + BLOCK, paths);
			for (const i of lanes) this.#looks[i]?.(this.#held, sums, part, from, to);
			failed += to - from - countOf(this.#held, from, to);
			if (failed > mayFail) return undefined;
		}
		return (paths - failed) / paths;
	}

	/** The chance of one set, a mask for each group. */
	chanceOf(masks: readonly number[]): number {
		const sums = masks.reduce(
			(before, mask, depth) => plus(before, this.#part(depth, mask), this.#buffers[depth] as Sums),
			this.#base
		);
		this.#heldBefore.fill(1);
		return this.#chance(sums, [], this.#binding, 0) ?? 0;
	}

	/** The sets of the last group, on top of one of the others: tanks that it does not touch are looked at once. */
	#leaves(sums: Sums, taken: readonly Measure[], wanted: Wanted): void {
		const depth = this.#groups.length - 1;
		const { measures } = this.#groups[depth] as Group;
		const all = this.#part(depth, 2 ** measures.length - 1);
		const none = this.#part(depth, 0);
		const touched = this.#binding.filter((i) => [...all, ...none].some((lanes) => lanes[i]));
		this.#heldBefore.fill(1);
		for (const i of this.#binding)
			if (!touched.includes(i)) this.#looks[i]?.(this.#heldBefore, sums, [], 0, this.#heldBefore.length);
		for (const mask of this.#masks(depth)) {
			const set = [...taken, ...subset(measures, mask)];
			const least = wanted.least(effortOfAll(set));
			if (least > 1) break;
			const chance = this.#chance(sums, this.#part(depth, mask), touched, least);
			if (chance !== undefined) wanted.take(set, chance);
		}
	}

	*#branches(depth: number, sums: Sums, taken: readonly Measure[], wanted: Wanted): Generator<number> {
		const masks = this.#masks(depth);
		const measures = this.#groups[depth]?.measures ?? [];
		for (const [i, mask] of masks.entries()) {
			const set = [...taken, ...subset(measures, mask)];
			if (wanted.least(effortOfAll(set)) > 1) break;
			const more = plus(sums, this.#part(depth, mask), this.#buffers[depth] as Sums);
			if (depth + 1 < this.#groups.length - 1) yield* this.#branches(depth + 1, more, set, wanted);
			else this.#leaves(more, set, wanted);
			if (depth === 0) yield (i + 1) / masks.length;
			else yield Number.NaN;
		}
	}

	/** Walks to all sets that are wanted; it pauses now and then with how far it is, 0 … 1. */
	*all(wanted: Wanted): Generator<number> {
		const { length } = this.#groups;
		if (length === 0) return wanted.take([], this.chanceOf([]));
		wanted.surest(this.chanceOf(this.#groups.map(({ measures }) => 2 ** measures.length - 1)));
		if (length === 1) this.#leaves(this.#base, [], wanted);
		else yield* this.#branches(0, this.#base, [], wanted);
	}
}

/** By what a set asks, then the surest, then the shortest, then as the rig has them. */
const byEffort = (a: MeasureSet, b: MeasureSet): number =>
	a.effort - b.effort ||
	b.chance - a.chance ||
	a.measures.length - b.measures.length ||
	(a.measures.join('|') < b.measures.join('|') ? -1 : 1);
const bySureness = (a: MeasureSet, b: MeasureSet): number => b.chance - a.chance || byEffort(a, b);

const least = <T>(list: readonly T[], order: (a: T, b: T) => number): T | undefined =>
	list.reduce<T | undefined>(
		(best, one) => (best === undefined || order(one, best) < 0 ? one : best),
		undefined
	);

/** Sets without those that ask for all of a better one and more. */
const distinctOf = (sorted: readonly MeasureSet[], most: number): readonly MeasureSet[] =>
	sorted.reduce<readonly MeasureSet[]>(
		(kept, set) =>
			kept.length >= most || kept.some(({ measures }) => measures.every((id) => set.measures.includes(id)))
				? kept
				: [...kept, set],
		[]
	);

/** The measures of each habit, most first: the walk comes to those of the first habit only once. */
const groupsOf = ({ day }: Outset, candidates: readonly Measure[]): readonly Group[] =>
	day.habits
		.map((ahead, habit) => ({ habit, measures: candidates.filter((one) => one.habit === ahead.habit.id) }))
		.filter(({ measures }) => measures.length > 0)
		.sort((a, b) => b.measures.length - a.measures.length);

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
	const days = (untilMs - atMs) / DAY_MS;
	if (!(days > 0)) throw new RangeError('the moment to reach is not after now');
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
		autonomyOf(estimate, {
			days: Math.min(MOST_DAYS, Math.ceil(Math.max(1, horizon))),
			persons,
			measures,
			paths
		});
	const lastsToMs = ({ measures }: MeasureSet): number => {
		const { first } = lasting(measures, Math.max(30, 2 * days));
		return atMs + DAY_MS * (quantileSorted([...first.sort()], 1 - certainty) ?? 0);
	};
	const walkOf = (some: readonly Measure[]): Walk => {
		const groups = groupsOf(outset, some);
		const touched = new Set(groups.map(({ habit }) => habit));
		const plain = reachOf(estimate, outset, days, touched, false);
		return new Walk(turns(plain, groups) ? reachOf(estimate, outset, days, touched, true) : plain, groups);
	};
	const bounded = candidates.length > EXACT_UP_TO;
	const wanted = new Wanted(certainty, distinct ? KEPT_FOR_DISTINCT : OTHERS + 1);
	const asItIs = setOf({ taken: [], chance: walkOf([]).chanceOf([]) });
	for (const some of bounded
		? mostGiving(candidates, (one) => lasting([...inForce, one.id], 2 * days).days)
		: [candidates])
		yield* walkOf(some).all(wanted);
	if (bounded) {
		const all = lasting([...inForce, ...candidates.map(({ id }) => id)], days + 1).first;
		wanted.take(candidates, all.filter((one) => one >= days).length / paths);
	}
	const sets = new Map(wanted.found.map((taken) => [setOf(taken).measures.join('|'), setOf(taken)] as const));
	const reaching = [...sets.values()].filter(({ chance }) => chance >= certainty).sort(byEffort);
	const [best, ...rest] = distinct ? distinctOf(reaching, OTHERS + 1) : reaching;
	const surest = best ?? (least([...sets.values()], bySureness) as MeasureSet);
	const nearest =
		surest.chance > 0 ? surest : furthest(candidates, (taken) => setOf({ taken, chance: 0 }), lastsToMs);
	return {
		reached: best !== undefined,
		...(best ? { best } : {}),
		others: rest.slice(0, OTHERS),
		nearest: { ...nearest, lastsToMs: lastsToMs(nearest) },
		asItIs: { ...asItIs, lastsToMs: lastsToMs(asItIs) },
		...(bounded ? { bounded: true } : {})
	};
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
	return [most((one) => gives(one) / (effortOf(one) + 0.1)), most(gives)];
}

/** Where no set has any chance: the one that lasts longest, without those of its measures that add nothing. */
function furthest(
	candidates: readonly Measure[],
	setOf: (taken: readonly Measure[]) => MeasureSet,
	lastsToMs: (set: MeasureSet) => number
): MeasureSet {
	const dearestFirst = [...candidates].sort((a, b) => effortOf(b) - effortOf(a));
	const HARDLY_MS = 60_000;
	return setOf(
		dearestFirst.reduce<readonly Measure[]>((kept, one) => {
			const without = kept.filter((other) => other !== one);
			return lastsToMs(setOf(without)) >= lastsToMs(setOf(kept)) - HARDLY_MS ? without : kept;
		}, candidates)
	);
}
