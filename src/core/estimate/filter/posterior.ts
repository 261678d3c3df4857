import type { Gaussian, Sparse } from '../../numerics/index.js';
import type { RateMeasurement } from './countMeasurements.js';

/** A belief, and what the log's counts say beside it. */
interface Counted {
	readonly belief: Gaussian;
	readonly rates: readonly RateMeasurement[];
}

/** The belief with what the log's counts say of unlogged use: what is answered, and what readings are held against. */
export function posterior({ belief, rates }: Counted): Gaussian {
	const informed = belief.copy();
	for (const { h, value } of rates) informed.condition(h, 1, { mean: value, variance: 0 });
	return informed;
}

/** The same of one sum of the state alone: its mean and variance, from the few sums that bear on it. */
export function posteriorOf(
	{ belief, rates }: Counted,
	h: Sparse
): { readonly mean: number; readonly variance: number } {
	const sums = belief.ofSums([h, ...rates.map((rate) => rate.h)]);
	rates.forEach(({ value }, i) => sums.condition([[i + 1, 1]], 1, { mean: value, variance: 0 }));
	return { mean: sums.mean[0] as number, variance: Math.max(0, sums.cov.at(0, 0)) };
}
