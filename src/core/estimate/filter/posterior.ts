import type { Gaussian } from '../../numerics/index.js';
import type { RateMeasurement } from './countMeasurements.js';

/** The belief with what the log's counts say of unlogged use: what is answered, and what readings are held against. */
export function posterior({
	belief,
	rates
}: {
	readonly belief: Gaussian;
	readonly rates: readonly RateMeasurement[];
}): Gaussian {
	const informed = belief.copy();
	for (const { h, value } of rates) informed.condition(h, 1, { mean: value, variance: 0 });
	return informed;
}
