import {
	cholesky,
	difference,
	type Gaussian,
	inverseOf,
	Matrix,
	solveForward,
	type Sparse,
	submatrix
} from '../../numerics/index.js';
import type { RateEvidence, Unlogged } from '../inputs/index.js';
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
 * What readings say of the counted rates, beside the broad prior that the running belief was begun with: that is divided out.
 */
export function evidenceOf(model: Model, belief: Gaussian): RateEvidence {
	const streams = countedStreams(model);
	const rows = streams.map(({ index }) => index);
	const information = inverseOf(submatrix(belief.cov, rows));
	const weighted = information.times(rows.map((row) => belief.mean[row] as number));
	streams.forEach(({ broad }, a) => {
		const own = 1 / broad.sd ** 2;
		information.add(a, a, -own);
		weighted[a] = (weighted[a] as number) - own * broad.mean;
	});
	return { information, weighted };
}

/**
 * What the log's counts say, as measurements of a belief that was begun with broad rates: those that bring it to what counts
 * and readings together say of the rates (a site of expectation propagation, Minka 2001). As a measurement of the rates its
 * information is what is known in all, less what the belief has by itself. It is taken in along independent directions, one
 * after the other.
 */
export function rateMeasurements(
	model: Model,
	belief: Gaussian,
	{ mean, cov }: Unlogged
): readonly RateMeasurement[] {
	const streams = countedStreams(model);
	const n = streams.length;
	if (n === 0) return [];
	const rows = streams.map(({ index }) => index);
	const all = inverseOf(new Matrix(n, n, Float64Array.from(cov)));
	const before = inverseOf(submatrix(belief.cov, rows));
	const information = difference(all, before);
	const y = all.times(mean);
	before.times(rows.map((row) => belief.mean[row] as number)).forEach((value, a) => {
		y[a] = (y[a] as number) - value;
		information.set(a, a, Math.max(information.at(a, a), 0));
	});
	// information = L·Lᵀ: measuring Lᵀu with unit noise gives y = L⁻¹·target.
	const root = cholesky(information, (variance) => 1e-9 * variance);
	solveForward(root, y);
	return streams.flatMap((_, j): readonly RateMeasurement[] => {
		const h = streams.flatMap(({ index }, i) => {
			const c = root.at(i, j);
			return c === 0 ? [] : [[index, c] as const];
		});
		return h.length > 0 ? [{ h, value: y[j] ?? 0 }] : [];
	});
}
