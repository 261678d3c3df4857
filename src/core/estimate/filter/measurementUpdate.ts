import { dot, truncate, type Gaussian, type Sparse } from '../../numerics/index.js';
import type { Measurement } from '../model/index.js';

/** A sum of the state that lies between two values, seen with some noise of its own. */
interface Interval {
	readonly h: Sparse;
	readonly from: number;
	readonly to: number;
	/** standard deviation of the noise */
	readonly sd: number;
}

/** The measurement update of Kalman's filter; a band is a soft interval (the moments of the cut normal). */
export function measurementUpdate(belief: Gaussian, { h, from, to, sd }: Measurement): void {
	if (to === from) return belief.condition(h, sd ** 2, { mean: from, variance: 0 });
	const expected = { mean: dot(belief.mean, h), sd: Math.sqrt(belief.varianceOf(h) + sd ** 2) };
	const cut = truncate(expected, from, to);
	belief.condition(h, sd ** 2, { mean: cut.mean, variance: cut.sd ** 2 });
}

/**
 * Takes in a soft interval as it tells of a better informed belief than the running one: as the measurement that brings
 * the informed sum to its cut moments (expectation propagation, Minka 2001).
 *
 * @param chances it is taken in only where the informed belief gives the interval more than the first and less than the second
 */
export function intervalUpdate(
	belief: Gaussian,
	informed: Gaussian,
	{ h, from, to, sd }: Interval,
	[least, most]: readonly [least: number, most: number]
): void {
	const mean = dot(informed.mean, h);
	const spread = informed.varianceOf(h) + sd ** 2;
	const cut = truncate({ mean, sd: Math.sqrt(spread) }, from, to);
	const variance = cut.sd ** 2;
	if (!(cut.mass > least && cut.mass < most) || !(variance < spread)) return;
	const soft = (spread * variance) / (spread - variance);
	const value = mean + ((cut.mean - mean) * (spread + soft)) / spread;
	belief.condition(h, sd ** 2 + soft, { mean: value, variance: 0 });
}
