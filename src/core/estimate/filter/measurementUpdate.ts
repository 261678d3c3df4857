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
 * Takes in a soft interval as it tells of a better informed belief of its sum than the running one: as the measurement that brings
 * the informed sum to its moments (expectation propagation, Minka 2001). Where it is not so, something is missing in the log; with
 * that chance it tells nothing.
 *
 * @param missing the chance that something is missing, before the interval is weighed against it
 * @param most where the informed belief gives the interval more than this, it is no news
 */
export function intervalUpdate(
	belief: Gaussian,
	informed: { readonly mean: number; readonly variance: number },
	{ h, from, to, sd }: Interval,
	{ missing, most }: { readonly missing: number; readonly most: number }
): void {
	const { mean } = informed;
	const spread = informed.variance + sd ** 2;
	const cut = truncate({ mean, sd: Math.sqrt(spread) }, from, to);
	if (!(cut.mass < most)) return;
	const holds = ((1 - missing) * cut.mass) / (missing + (1 - missing) * cut.mass);
	const moved = holds * (cut.mean - mean);
	const variance = holds * cut.sd ** 2 + (1 - holds) * (spread + moved * (cut.mean - mean));
	if (!(variance < spread)) return;
	const soft = (spread * variance) / (spread - variance);
	belief.condition(h, sd ** 2 + soft, { mean: mean + (moved * (spread + soft)) / spread, variance: 0 });
}
