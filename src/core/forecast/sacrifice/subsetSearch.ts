import type { Measure } from '../../logbook/index.js';
import { survivorsOf, laneSurvival, type LaneSurvival } from './laneSurvival.js';
import { plus, type SumsPart, type Reach, type Sums } from './reach.js';
import { effortOfAll, EXACT_UP_TO, subset, type Group } from './sets.js';
import type { Incumbents } from './incumbents.js';

/** Paths looked at before it is seen whether a set is still of interest. */
const BLOCK = 125;

/** Sets looked at between one pause and the next. */
const BREATH = 512;

/** A part of the way, 0 … 1: where it begins and how long it is. */
interface Leg {
	readonly from: number;
	readonly span: number;
}

/**
 * Every set of some measures that is wanted, with its chance: a walk through a tree whose branches share what they have
 * in common.
 */
export class SubsetSearch {
	readonly #reach: Reach;
	readonly #groups: readonly Group[];
	readonly #binding: readonly number[];
	readonly #looks: readonly LaneSurvival[];
	readonly #held: Uint8Array;
	readonly #heldBefore: Uint8Array;
	readonly #base: Sums;
	readonly #buffers: readonly Sums[];
	readonly #parts = new Map<number, SumsPart>();

	constructor(reach: Reach, groups: readonly Group[]) {
		const { lanes, paths } = reach.outset;
		const empty = (): Sums => reach.stretches.map(() => lanes.map(() => new Float64Array(paths)));
		this.#reach = reach;
		this.#groups = groups;
		this.#looks = lanes.map((_, i) => laneSurvival(reach, i));
		this.#binding = lanes.flatMap(({ binds }, i) => (binds ? [i] : []));
		this.#held = new Uint8Array(paths);
		this.#heldBefore = new Uint8Array(paths);
		this.#base = plus(empty(), reach.part(undefined, []), empty());
		this.#buffers = groups.map(empty);
	}

	/** The first group comes to each of its parts once; the others again and again. */
	#part(depth: number, mask: number): SumsPart {
		const { habits, measures } = this.#groups[depth] as Group;
		const key = depth * 2 ** EXACT_UP_TO + mask;
		const known = this.#parts.get(key);
		if (known) return known;
		const part = this.#reach.part(
			habits,
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
	#chance(sums: Sums, part: SumsPart, lanes: readonly number[], least: number): number | undefined {
		const { paths } = this.#reach.outset;
		const mayFail = Math.floor((1 - least) * paths + 1e-6);
		let failed = 0;
		this.#held.set(this.#heldBefore);
		for (let from = 0; from < paths; from += BLOCK) {
			const to = Math.min(from + BLOCK, paths);
			for (const i of lanes) this.#looks[i]?.(this.#held, sums, part, from, to);
			failed += to - from - survivorsOf(this.#held, from, to);
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

	/** The chance with none of the measures. */
	none(): number {
		return this.chanceOf(this.#groups.map(() => 0));
	}

	/** The sets of the last group, on top of one of the others: tanks that it does not touch are looked at once. */
	*#leaves(
		sums: Sums,
		taken: readonly Measure[],
		wanted: Incumbents,
		{ from, span }: Leg
	): Generator<number> {
		const depth = this.#groups.length - 1;
		const { measures } = this.#groups[depth] as Group;
		const all = this.#part(depth, 2 ** measures.length - 1);
		const none = this.#part(depth, 0);
		const touched = this.#binding.filter((i) => [...all, ...none].some((lanes) => lanes[i]));
		this.#heldBefore.fill(1);
		for (const i of this.#binding)
			if (!touched.includes(i)) this.#looks[i]?.(this.#heldBefore, sums, [], 0, this.#heldBefore.length);
		for (const [i, mask] of this.#masks(depth).entries()) {
			const set = [...taken, ...subset(measures, mask)];
			const least = wanted.least(effortOfAll(set));
			if (least > 1) break;
			const chance = this.#chance(sums, this.#part(depth, mask), touched, least);
			if (chance !== undefined) wanted.take(set, chance);
			if (i % BREATH === BREATH - 1) yield from + (span * i) / 2 ** measures.length;
		}
		yield from + span;
	}

	*#branches(
		depth: number,
		sums: Sums,
		taken: readonly Measure[],
		wanted: Incumbents,
		leg: Leg
	): Generator<number> {
		const masks = this.#masks(depth);
		const measures = this.#groups[depth]?.measures ?? [];
		for (const [i, mask] of masks.entries()) {
			const set = [...taken, ...subset(measures, mask)];
			if (wanted.least(effortOfAll(set)) > 1) break;
			const more = plus(sums, this.#part(depth, mask), this.#buffers[depth] as Sums);
			const span = leg.span / masks.length;
			const onward = { from: leg.from + i * span, span };
			if (depth + 1 < this.#groups.length - 1) yield* this.#branches(depth + 1, more, set, wanted, onward);
			else yield* this.#leaves(more, set, wanted, onward);
		}
	}

	/** Walks to all sets that are wanted; it pauses now and then with how far it is, 0 … 1. */
	*all(wanted: Incumbents, leg: Leg): Generator<number> {
		const { length } = this.#groups;
		if (length === 0) return wanted.take([], this.chanceOf([]));
		wanted.surest(this.chanceOf(this.#groups.map(({ measures }) => 2 ** measures.length - 1)));
		if (length === 1) yield* this.#leaves(this.#base, [], wanted, leg);
		else yield* this.#branches(0, this.#base, [], wanted, leg);
	}
}
