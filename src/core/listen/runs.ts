import { sumOf } from '../numerics/index.js';
import { MINUTE_MS } from '../time/index.js';
import type { Counted } from './counted.js';
import type { Step } from './step.js';
import { LEAST_LPM, ROUNDING } from './device.js';

/** A stretch of one flow. */
export interface Level {
	readonly fromMs: number;
	readonly toMs: number;
	readonly litres: number;
	/** litres a minute */
	readonly lpm: number;
}

/** Water that ran without a pause, in stretches of one flow each. */
export interface Run {
	readonly levels: readonly Level[];
	/** how unsure its flow is by how the device reads, as a share */
	readonly flowError: number;
}

/** What passed a meter, told apart. */
export interface Flowed {
	readonly runs: readonly Run[];
	/** what trickled in between: it is no use, but may be a drip */
	readonly trickle: readonly Step[];
	/** runs of a single step of a coarse counter: each a small use, or a drip's next step */
	readonly single: readonly Run[];
}

/** Nobody opens a tap for less than so much, litres. */
const LEAST_L = 0.05;
/** Water has paused where nothing came for so many times the usual pause. */
const PAUSED = 2.6;
/** ... or for so many times as long as the counter needs for a step at the flow that runs. */
const PAUSED_STEPS = 2.2;
/** So many steps on either side tell how fast it runs there. */
const NEIGHBOURS = 4;
/** Flow has changed where it differs by so much, as a share and litres a minute; it trembles by less. */
const CHANGED = 0.13;
const CHANGED_LPM = 0.45;
/** A flow holds for so long before it counts as one, ms. */
const HELD_MS = 3000;
/** How unsure a flow is in any case, as a share. */
const TREMBLE = 0.04;

/** One step of a counter is no more than so many of its least. */
const SINGLE = 1.5;
/** One look alone says that water ran for some part of the time since the last one. */
const ALONE = 0.5;
/** What runs slower than any tap shows as such over so many looks. */
const TRICKLES = 10;
/** A change of flow must explain as much as so many steps stray. */
const PRICE = 14;
/** Who lets water run for hours is not looked at by the second. */
const MOST_STEPS = 3000;
/** A single step tells next to nothing of its flow: a logarithm's sd. */
const UNSEEN_FLOW = 0.6;

const minutes = (ms: number): number => ms / MINUTE_MS;

/** How long the counter's step usually takes next to one, before or after it, by those that came without a long pause: ms. */
function usualPause(steps: readonly Step[], stepL: number, slowest: number): number | undefined {
	let [lasted, litres] = [0, 0];
	for (const step of steps) {
		const pause = step.toMs - step.fromMs;
		if (pause > slowest) break;
		lasted += pause;
		litres += step.litres;
	}
	return litres > 0 ? (lasted * stepL) / litres : undefined;
}

/** Steps between which water did not pause. */
function togetherIn({ steps, everyMs, stepL }: Counted): readonly (readonly Step[])[] {
	const slowest = PAUSED * everyMs + (stepL / LEAST_LPM) * MINUTE_MS;
	const lots: Step[][] = [];
	for (const [i, step] of steps.entries()) {
		const usual = Math.min(
			usualPause(steps.slice(Math.max(0, i - NEIGHBOURS), i).reverse(), stepL, slowest) ?? slowest,
			usualPause(steps.slice(i + 1, i + 1 + NEIGHBOURS), stepL, slowest) ?? slowest
		);
		const most = Math.min(slowest, PAUSED * everyMs + PAUSED_STEPS * usual);
		const goesOn = step.fromMs === steps[i - 1]?.toMs && step.toMs - step.fromMs <= most;
		if (!goesOn) lots.push([]);
		lots.at(-1)?.push(step);
	}
	return lots;
}

/** A lot of steps in three: what drips just before a tap is opened and just after it is shut is too little for any tap. */
function apartFromDrips(lot: readonly Step[], everyMs: number): readonly (readonly Step[])[] {
	const least = Math.min(LEAST_L, (LEAST_LPM * everyMs) / MINUTE_MS);
	const [first, last] = [
		lot.findIndex(({ litres }) => litres >= least),
		lot.findLastIndex(({ litres }) => litres >= least)
	];
	return first < 0 ? [lot, [], []] : [lot.slice(0, first), lot.slice(first, last + 1), lot.slice(last + 1)];
}

/** How long a step took at the flow of those next to it, ms; a guess where it is alone. */
function tookMs(step: Step, neighbours: readonly Step[], everyMs: number): number {
	const litres = litresOf(neighbours);
	const lasted = neighbours.reduce((sum, one) => sum + one.toMs - one.fromMs, 0);
	return litres > 0 ? Math.max((step.litres * lasted) / litres, 0.2 * everyMs) : ALONE * everyMs;
}

/** A lot of steps with its true ends: water began, and ended, somewhere between two looks. */
function trimmed(lot: readonly Step[], everyMs: number): readonly Step[] {
	const [first, last] = [lot[0], lot.at(-1)];
	if (!first || !last) return lot;
	const began = first.toMs - tookMs(first, lot.slice(1, 1 + NEIGHBOURS), everyMs);
	if (first === last) return [{ ...first, fromMs: Math.max(first.fromMs, began) }];
	const ended =
		last.fromMs + tookMs(last, lot.length > 2 ? lot.slice(1, -1).slice(-NEIGHBOURS) : [], everyMs);
	return [
		{ ...first, fromMs: Math.max(first.fromMs, began) },
		...lot.slice(1, -1),
		{ ...last, toMs: Math.min(last.toMs, ended) }
	];
}

/** Litres of some stretches together. */
export const litresOf = (stretches: readonly { readonly litres: number }[]): number =>
	sumOf(stretches.map(({ litres }) => litres));

/** Stretches that follow one another, as one of the flow that they have together. */
export const levelOf = (steps: readonly Step[]): Level => {
	const litres = litresOf(steps);
	const [fromMs, toMs] = [steps[0]?.fromMs ?? 0, steps.at(-1)?.toMs ?? 0];
	return { fromMs, toMs, litres, lpm: litres / minutes(Math.max(toMs - fromMs, 1)) };
};

/** How far the flow of steps strays from one flow for all, weighed by time: litres² a minute. */
class Strays {
	readonly #minutes: Float64Array;
	readonly #litres: Float64Array;
	readonly #squares: Float64Array;
	constructor(steps: readonly Step[]) {
		const sums = () => new Float64Array(steps.length + 1);
		[this.#minutes, this.#litres, this.#squares] = [sums(), sums(), sums()];
		for (const [i, { fromMs, toMs, litres }] of steps.entries()) {
			const lasted = minutes(Math.max(toMs - fromMs, 1));
			this.#minutes[i + 1] = (this.#minutes[i] ?? 0) + lasted;
			this.#litres[i + 1] = (this.#litres[i] ?? 0) + litres;
			this.#squares[i + 1] = (this.#squares[i] ?? 0) + litres ** 2 / lasted;
		}
	}
	of(from: number, to: number): number {
		const between = (sums: Float64Array): number => (sums[to] ?? 0) - (sums[from] ?? 0);
		return between(this.#squares) - between(this.#litres) ** 2 / between(this.#minutes);
	}
}

/** How much steps stray where the flow holds, each: the counter's rounding and the flow's trembling, litres² a minute. */
function strayOfOne(steps: readonly Step[], stepL: number): number {
	const all = levelOf(steps);
	const lasted = minutes(all.toMs - all.fromMs) / steps.length;
	return ((ROUNDING * stepL) / lasted) ** 2 * lasted + (TREMBLE * all.lpm) ** 2 * lasted;
}

/** Neighbouring levels that differ by no more than a counter's steps and a flow's trembling, as one. */
function withoutSlight(levels: readonly Level[], stepL: number): readonly Level[] {
	const merged: Level[] = [];
	for (const level of levels) {
		const before = merged.at(-1);
		const rounding = before
			? 1.1 * stepL * (1 / minutes(before.toMs - before.fromMs) + 1 / minutes(level.toMs - level.fromMs))
			: 0;
		const least = Math.max(CHANGED_LPM, CHANGED * Math.max(level.lpm, before?.lpm ?? 0)) + rounding;
		if (before && Math.abs(level.lpm - before.lpm) < least)
			merged[merged.length - 1] = levelOf([before, level]);
		else merged.push(level);
	}
	return merged;
}

/**
 * A run in stretches of one flow, by optimal partitioning (Jackson et al. 2005): the stretches from which the steps stray least, each
 * of which must be worth its price.
 */
function levelsOf(steps: readonly Step[], { everyMs, stepL }: Counted): readonly Level[] {
	const whole = levelOf(steps);
	const held = Math.max(HELD_MS, 3 * everyMs);
	if (whole.toMs - whole.fromMs < 2 * held || steps.length > MOST_STEPS) return [whole];
	const strays = new Strays(steps);
	const price = PRICE * strayOfOne(steps, stepL);
	const least = new Float64Array(steps.length + 1).fill(Infinity);
	const from = new Int32Array(steps.length + 1);
	least[0] = -price;
	for (let to = 1; to <= steps.length; to++)
		for (let at = to - 1; at >= 0; at--) {
			if ((steps[to - 1]?.toMs ?? 0) - (steps[at]?.fromMs ?? 0) < held) continue;
			const cost = (least[at] ?? 0) + strays.of(at, to) + price;
			if (cost < (least[to] ?? 0)) [least[to], from[to]] = [cost, at];
		}
	const levels: Level[] = [];
	for (let to = steps.length; to > 0; to = from[to] ?? 0) levels.unshift(levelOf(steps.slice(from[to], to)));
	return withoutSlight(levels, stepL);
}

/** Levels in lots between those that are so slow that no tap is open. */
function apart(
	levels: readonly Level[],
	isTrickle: (level: Level) => boolean
): readonly (readonly Level[])[] {
	const runs: Level[][] = [[]];
	for (const level of levels)
		if (isTrickle(level)) runs.push([]);
		else runs.at(-1)?.push(level);
	return runs.filter(({ length }) => length > 0);
}

/**
 * What passed a meter as runs of water, each in stretches of one flow, and as what trickled in between.
 */
export function runsIn(counted: Counted): Flowed {
	const runs: Run[] = [];
	const single: Run[] = [];
	const trickle: Step[] = [];
	for (const together of togetherIn(counted)) {
		const [before = [], lot = [], after = []] = apartFromDrips(together, counted.everyMs);
		trickle.push(...before, ...after);
		if (litresOf(lot) < LEAST_L) {
			trickle.push(...lot);
			continue;
		}
		const levels = levelsOf(trimmed(lot, counted.everyMs), counted);
		const isTrickle = ({ lpm, fromMs, toMs }: Level): boolean =>
			lpm < LEAST_LPM && toMs - fromMs > TRICKLES * counted.everyMs;
		trickle.push(...levels.filter(isTrickle));
		for (const run of apart(levels, isTrickle)) {
			const all = levelOf(run);
			const unsure = Math.hypot(
				TREMBLE,
				(0.4 * counted.everyMs) / (all.toMs - all.fromMs),
				(0.4 * counted.stepL) / all.litres
			);
			if (lot.length > 1 || all.litres > SINGLE * counted.stepL)
				runs.push({ levels: run, flowError: lot.length > 1 ? unsure : Math.max(unsure, UNSEEN_FLOW) });
			else single.push({ levels: run, flowError: UNSEEN_FLOW });
		}
	}
	return { runs, trickle, single };
}
