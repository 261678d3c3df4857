import { quantileOf } from '../numerics/index.js';
import { levelOf, litresOf, type Level, type Run } from './runs.js';

/** A pump that fills an accumulator always runs alike: so much of the water within so much of one flow, as a share, over so many runs. */
const MOST = 0.9;
const ALIKE = 0.06;
const LEAST_RUNS = 15;
/** It starts again within so long while a tap is open, ms. */
const AGAIN_MS = 20_000;
/** What the taps drew is seen through it only roughly: sd of a logarithm. */
const BLURRED = 0.25;

/** Whether runs are those of a pump behind which an accumulator serves the taps. */
export function isBlurred(runs: readonly Run[]): boolean {
	if (runs.length < LEAST_RUNS) return false;
	const all = runs.map(({ levels }) => levelOf(levels));
	const usual = quantileOf(Float64Array.from(all, ({ lpm }) => lpm).sort(), 0.5);
	const alike = all.filter(({ lpm }) => Math.abs(lpm / usual - 1) <= ALIKE);
	return litresOf(alike) >= MOST * litresOf(all);
}

/**
 * Runs as the taps had them where an accumulator stands between: pump runs that follow one another at once are one, at the flow that they
 * have together.
 */
export function throughAccumulator(runs: readonly Run[]): readonly Run[] {
	const taps: Level[] = [];
	const inTime = runs.map(({ levels }) => levelOf(levels)).sort((a, b) => a.fromMs - b.fromMs);
	for (const run of inTime) {
		const before = taps.at(-1);
		if (before && run.fromMs - before.toMs <= AGAIN_MS) taps[taps.length - 1] = levelOf([before, run]);
		else taps.push(run);
	}
	return taps.map((level) => ({ levels: [level], flowError: BLURRED }));
}
