import { rootOf, solveBackward, solveForward } from './cholesky.js';
import type { Sparse } from './gaussian.js';
import type { Model } from './model.js';
import type { Stream } from './streams.js';
import type { Unlogged } from '../prior/index.js';

/** The inverse of a positive definite matrix, row by row. */
function inverseOf(a: readonly number[], n: number): Float64Array {
	const root = rootOf(a, n, () => 0);
	const out = new Float64Array(n * n);
	for (let i = 0; i < n; i++) {
		const row = out.subarray(i * n, i * n + n);
		row[i] = 1;
		solveForward(root, n, row);
		solveBackward(root, n, row);
	}
	return out;
}

/** The streams whose rates the log's counts speak of. */
export const countedStreams = (model: Model): readonly Stream[] =>
	model.statedRate ? [] : model.streams.filter(({ habit }) => habit !== undefined);

/** A measurement of a sum of rates with unit noise. */
export interface RateMeasurement {
	readonly h: Sparse;
	readonly value: number;
}

/**
 * What the log's counts say, as measurements of a belief that was begun with broad rates: the broad prior is divided out
 * and the counted one put in its place, which is the same as having begun with it (Bayes). As a measurement of the rates
 * its information is counted⁻¹ − broad⁻¹; it is taken in along independent directions, one after the other.
 */
export function rateMeasurements(model: Model, counted: Unlogged): readonly RateMeasurement[] {
	const streams = countedStreams(model);
	const n = streams.length;
	if (n === 0) return [];
	const floor = streams.map(({ broad }) => (1e-3 * broad.sd) ** 2);
	const cov = counted.cov.map((value, i) => value + (i % (n + 1) === 0 ? (floor[i % n] ?? 0) : 0));
	const information = inverseOf(cov, n);
	const y = Float64Array.from(streams, (_, i) =>
		counted.mean.reduce((sum, mean, k) => sum + (information[i * n + k] ?? 0) * mean, 0)
	);
	streams.forEach(({ broad }, a) => {
		const own = 1 / broad.sd ** 2;
		information[a * n + a] = Math.max((information[a * n + a] ?? 0) - own, 0);
		y[a] = (y[a] ?? 0) - own * broad.mean;
	});
	// information = L·Lᵀ: measuring Lᵀu with unit noise gives y = L⁻¹·target.
	const root = rootOf(information, n, () => 0);
	solveForward(root, n, y);
	return streams.flatMap((_, j): readonly RateMeasurement[] => {
		const h = streams.flatMap(({ index }, i) => {
			const c = root[i * n + j] as number;
			return c === 0 ? [] : [[index, c] as const];
		});
		return h.length > 0 ? [{ h, value: y[j] as number }] : [];
	});
}
