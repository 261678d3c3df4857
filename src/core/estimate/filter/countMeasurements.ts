import { cholesky, inverseOf, Matrix, solveForward, type Sparse } from '../../numerics/index.js';
import type { Unlogged } from '../inputs/index.js';
import type { Model, Stream } from '../model/index.js';

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
	const cov = new Matrix(n, n, Float64Array.from(counted.cov));
	streams.forEach(({ broad }, a) => cov.add(a, a, (1e-3 * broad.sd) ** 2));
	const information = inverseOf(cov);
	const y = information.times(counted.mean);
	streams.forEach(({ broad }, a) => {
		const own = 1 / broad.sd ** 2;
		information.set(a, a, Math.max(information.at(a, a) - own, 0));
		y[a] = (y[a] ?? 0) - own * broad.mean;
	});
	// information = L·Lᵀ: measuring Lᵀu with unit noise gives y = L⁻¹·target.
	const root = cholesky(information);
	solveForward(root, y);
	return streams.flatMap((_, j): readonly RateMeasurement[] => {
		const h = streams.flatMap(({ index }, i) => {
			const c = root.at(i, j);
			return c === 0 ? [] : [[index, c] as const];
		});
		return h.length > 0 ? [{ h, value: y[j] ?? 0 }] : [];
	});
}
