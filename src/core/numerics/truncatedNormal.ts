import { normalCdf, normalPdf, normalQuantile } from './normal.js';

/** The first two moments of a number that is not known exactly: mean and standard deviation, in its own unit. */
export interface Moments {
	readonly mean: number;
	readonly sd: number;
}

/** A normal cut to [from, to]: its moments, and its quantile function. */
export interface Truncated extends Moments {
	/** the probability that the uncut normal gives the interval */
	readonly mass: number;
	quantile(p: number): number;
	/** the share below a value */
	below(value: number): number;
}

const fixed = (value: number): Omit<Truncated, 'mass'> => ({
	mean: value,
	sd: 0,
	quantile: () => value,
	below: (at) => (at < value ? 0 : 1)
});

const BISECTIONS = 60;

/** Either of two, the second with a chance: moments, and quantiles by bisection between those of the two. */
export function mixture(one: Truncated, other: Truncated, chance: number): Truncated {
	const mean = (1 - chance) * one.mean + chance * other.mean;
	const second = (1 - chance) * (one.sd ** 2 + one.mean ** 2) + chance * (other.sd ** 2 + other.mean ** 2);
	const below = (value: number): number => (1 - chance) * one.below(value) + chance * other.below(value);
	return {
		mean,
		sd: Math.sqrt(Math.max(0, second - mean ** 2)),
		mass: (1 - chance) * one.mass + chance * other.mass,
		below,
		quantile: (p) => {
			let [low, high] = [one.quantile(p), other.quantile(p)].sort((a, b) => a - b) as [number, number];
			for (let i = 0; i < BISECTIONS; i++) {
				const middle = (low + high) / 2;
				if (below(middle) < p) low = middle;
				else high = middle;
			}
			return (low + high) / 2;
		}
	};
}

/**
 * The normal N(mean, sd²) given that it lies in [from, to] (moments: Johnson, Kotz and Balakrishnan, Continuous
 * Univariate Distributions, vol. 1, 13.10.1). Far out in a tail it becomes the nearer end of the interval.
 */
export function truncate({ mean, sd }: Moments, from: number, to: number): Truncated {
	const nearest = Math.min(Math.max(mean, from), to);
	if (!(sd > 0)) return { ...fixed(nearest), mass: nearest === mean ? 1 : 0 };
	const [a, b] = [(from - mean) / sd, (to - mean) / sd];
	// Work in the lower tail, where the distribution function keeps its digits.
	if (a > 0) {
		const mirrored = truncate({ mean: -mean, sd }, -to, -from);
		return {
			mean: -mirrored.mean,
			sd: mirrored.sd,
			mass: mirrored.mass,
			quantile: (p) => -mirrored.quantile(1 - p),
			below: (value) => 1 - mirrored.below(-value)
		};
	}
	const [low, high] = [normalCdf(a), normalCdf(b)];
	const mass = high - low;
	if (!(mass > 1e-280)) return { ...fixed(nearest), mass: 0 };
	const [pdfA, pdfB] = [normalPdf(a), normalPdf(b)];
	const shift = (pdfA - pdfB) / mass;
	const edge = (Number.isFinite(a) ? a * pdfA : 0) - (Number.isFinite(b) ? b * pdfB : 0);
	const variance = Math.max(0, 1 + edge / mass - shift * shift);
	return {
		mean: Math.min(Math.max(mean + sd * shift, from), to),
		sd: sd * Math.sqrt(variance),
		mass,
		quantile: (p) => Math.min(Math.max(mean + sd * normalQuantile(low + p * mass), from), to),
		below: (value) => (value <= from ? 0 : value >= to ? 1 : (normalCdf((value - mean) / sd) - low) / mass)
	};
}

/**
 * A quantity that cannot be less than nothing, from a normal belief of it: lognormal of the same moments. A normal cut at nothing
 * would have too large a mean. Where the normal's mean is itself next to nothing or below, half of the cut one's is taken.
 *
 * @returns its moments, and its value at so many deviations of the normal
 */
export function positive({ mean, sd }: Moments): Moments & { readonly at: (deviations: number) => number } {
	if (!(sd > 0)) return { mean: Math.max(0, mean), sd: 0, at: () => Math.max(0, mean) };
	const middle = mean > sd ? mean : Math.max(mean, truncate({ mean, sd }, 0, Infinity).mean / 2);
	const spread = Math.sqrt(Math.log(1 + (sd / middle) ** 2));
	// So far below nothing that not even a digit is left over it: nothing.
	if (!Number.isFinite(spread)) return { mean: 0, sd: 0, at: () => 0 };
	return { mean: middle, sd, at: (z) => middle * Math.exp(spread * z - spread ** 2 / 2) };
}
