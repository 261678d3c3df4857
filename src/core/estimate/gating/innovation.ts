import { normalCdf, truncate } from '../../numerics/index.js';
import type { Measurement, Model } from '../model/index.js';

/** What a measurement says against what was expected of it, litres. */
export interface Innovation {
	/** what was expected, and the standard deviation of the difference */
	readonly expectedL: number;
	readonly sdL: number;
	/** what it says at the nearest, and that less what was expected; 0 within a band */
	readonly nearestL: number;
	readonly gapL: number;
	/** what the reading itself says: the middle of a band, and the deviation of that */
	readonly saidL: number;
	readonly saidSdL: number;
	/** the chance of a reading as far off as this, or of this band */
	readonly chance: number;
}

/**
 * A value beyond which a band is open is taken to end with the tank.
 *
 * @param expected of the measured sum
 */
export function innovationOf(
	expected: { readonly mean: number; readonly variance: number },
	measurement: Measurement
): Innovation {
	const { from, to, sd, poolL } = measurement;
	const expectedL = expected.mean;
	const sdL = Math.sqrt(expected.variance + sd ** 2);
	const nearestL = Math.min(Math.max(expectedL, from), to);
	const gapL = nearestL - expectedL;
	const [leastL, mostL] = [Math.max(from, 0), Math.min(to, Math.max(poolL, from))];
	return {
		expectedL,
		sdL,
		nearestL,
		gapL,
		saidL: (leastL + mostL) / 2,
		saidSdL: Math.hypot(sd, (mostL - leastL) / Math.sqrt(12)),
		chance:
			to > from ? truncate({ mean: expectedL, sd: sdL }, from, to).mass : 2 * normalCdf(-Math.abs(gapL) / sdL)
	};
}

/** Ln of how likely a measurement was by the belief: a density, per litre, or the chance of a band. */
export function logLikelihood(
	expected: { readonly mean: number; readonly variance: number },
	measurement: Measurement
): number {
	const { gapL, sdL, chance } = innovationOf(expected, measurement);
	return measurement.to > measurement.from
		? Math.log(Math.max(chance, 1e-12))
		: -((gapL / sdL) ** 2) / 2 - Math.log(sdL);
}

/** Whether a pool holds fresh water; else it holds waste. */
export const isFresh = (model: Model, pool: number): boolean =>
	model.pools[pool]?.tanks[0]?.holds === 'fresh';
