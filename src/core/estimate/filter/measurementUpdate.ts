import { dot, truncate, type Gaussian } from '../../numerics/index.js';
import type { Measurement } from '../model/index.js';

/** The measurement update of Kalman's filter; a band is a soft interval (the moments of the cut normal). */
export function measurementUpdate(belief: Gaussian, { h, from, to, sd }: Measurement): void {
	if (to === from) return belief.condition(h, sd ** 2, { mean: from, variance: 0 });
	const expected = { mean: dot(belief.mean, h), sd: Math.sqrt(belief.varianceOf(h) + sd ** 2) };
	const cut = truncate(expected, from, to);
	belief.condition(h, sd ** 2, { mean: cut.mean, variance: cut.sd ** 2 });
}
