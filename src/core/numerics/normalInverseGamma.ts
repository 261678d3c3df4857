import { lnGamma } from './gamma.js';

/** What is believed of the mean and the variance of a normal figure, and how sure that is. */
export interface NormalInverseGamma {
	readonly mean: number;
	/** the mean is believed as if it had been seen so many times, above 0 */
	readonly meanCount: number;
	/** degrees of freedom of the variance, above 0 */
	readonly degrees: number;
	/** the variance */
	readonly variance: number;
}

/** Weighted observations: their weights, weighted sum and weighted sum of squares. */
export interface WeightedSums {
	readonly weight: number;
	readonly sum: number;
	readonly squares: number;
}

/**
 * The belief after some observations (conjugate update: Murphy, Conjugate Bayesian analysis of the Gaussian distribution, 2007, section 6).
 */
export function updated(
	prior: NormalInverseGamma,
	{ weight, sum, squares }: WeightedSums
): NormalInverseGamma {
	if (!(weight > 0)) return prior;
	const seen = sum / weight;
	const scatter = Math.max(0, squares - weight * seen ** 2);
	const meanCount = prior.meanCount + weight;
	const degrees = prior.degrees + weight;
	const between = ((prior.meanCount * weight) / meanCount) * (seen - prior.mean) ** 2;
	return {
		mean: (prior.meanCount * prior.mean + sum) / meanCount,
		meanCount,
		degrees,
		variance: (prior.degrees * prior.variance + scatter + between) / degrees
	};
}

/**
 * The logarithm of the density of the next figure: Student's t about the mean (Murphy 2007, section 6.4).
 *
 * @returns a function of the figure and of the variance of the error with which it is seen, on top of its own
 */
export function predictive({
	mean,
	meanCount,
	degrees,
	variance
}: NormalInverseGamma): (value: number, errorVariance?: number) => number {
	const norm = lnGamma((degrees + 1) / 2) - lnGamma(degrees / 2) - 0.5 * Math.log(degrees * Math.PI);
	const own = variance * (1 + 1 / meanCount);
	return (value, errorVariance = 0) => {
		const scale = own + errorVariance;
		const off = (value - mean) ** 2 / scale;
		return norm - 0.5 * Math.log(scale) - ((degrees + 1) / 2) * Math.log1p(off / degrees);
	};
}
