import { MINUTE_MS } from '../time/index.js';
import { quantileOf } from '../numerics/index.js';
import type { Run } from './runs.js';

/** A pump that fills an accumulator always runs alike: so much of the water within so much of one flow, as a share, over so many runs. */
const MOST = 0.9;
const ALIKE = 0.06;
const LEAST_RUNS = 15;
/** It starts again within so long while a tap is open, ms. */
const AGAIN_MS = 20_000;
/** What the taps drew is seen through it only roughly: sd of a logarithm. */
const BLURRED = 0.25;

const litresOf = ({ levels }: Run): number => levels.reduce((sum, { litres }) => sum + litres, 0);
const fromOf = ({ levels }: Run): number => levels[0]?.fromMs ?? 0;
const toOf = ({ levels }: Run): number => levels.at(-1)?.toMs ?? 0;
const lpmOf = (run: Run): number => (litresOf(run) * MINUTE_MS) / Math.max(1, toOf(run) - fromOf(run));

/** Whether runs are those of a pump behind which an accumulator serves the taps. */
export function isBlurred(runs: readonly Run[]): boolean {
	if (runs.length < LEAST_RUNS) return false;
	const usual = quantileOf(Float64Array.from(runs, lpmOf).sort(), 0.5);
	const alike = runs.filter((run) => Math.abs(lpmOf(run) / usual - 1) <= ALIKE);
	const all = (some: readonly Run[]): number => some.reduce((sum, run) => sum + litresOf(run), 0);
	return all(alike) >= MOST * all(runs);
}

/**
 * Runs as the taps had them where an accumulator stands between: pump runs that follow one another at once are one, at the flow that they
 * have together.
 */
export function throughAccumulator(runs: readonly Run[]): readonly Run[] {
	const taps: Run[] = [];
	for (const run of [...runs].sort((a, b) => fromOf(a) - fromOf(b))) {
		const before = taps.at(-1);
		const isMore = before !== undefined && fromOf(run) - toOf(before) <= AGAIN_MS;
		const [fromMs, toMs] = [fromOf(isMore ? before : run), toOf(run)];
		const litres = litresOf(run) + (isMore ? litresOf(before) : 0);
		const level = { fromMs, toMs, litres, lpm: (litres * MINUTE_MS) / Math.max(1, toMs - fromMs) };
		if (isMore) taps.pop();
		taps.push({ levels: [level], flowError: BLURRED });
	}
	return taps;
}
