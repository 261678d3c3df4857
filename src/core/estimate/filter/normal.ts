/** Density of the standard normal. */
export const normalPdf = (x: number): number => Math.exp(-0.5 * x * x) / Math.sqrt(2 * Math.PI);

/**
 * Distribution function of the standard normal, to 1e-15 or so: the series of Marsaglia (2004), J. Stat.
 * Software 11(4), within ±6; a continued fraction (Abramowitz and Stegun 26.2.14) beyond.
 */
export function normalCdf(x: number): number {
	if (x === Infinity) return 1;
	if (x === -Infinity) return 0;
	if (Math.abs(x) > 6) {
		const t = Math.abs(x);
		let fraction = t;
		for (let k = 40; k > 0; k--) fraction = t + k / fraction;
		const tail = normalPdf(t) / fraction;
		return x > 0 ? 1 - tail : tail;
	}
	let [sum, term] = [x, x];
	for (let i = 3; Math.abs(term) > 1e-17 * Math.abs(sum); i += 2) {
		term *= (x * x) / i;
		sum += term;
	}
	return 0.5 + sum * normalPdf(x);
}

const A = [
	-39.6968302866538, 220.946098424521, -275.928510446969, 138.357751867269, -30.6647980661472,
	2.50662827745924
];
const B = [-54.4760987982241, 161.585836858041, -155.698979859887, 66.8013118877197, -13.2806815528857, 1];
const C = [
	-0.00778489400243029, -0.322396458041136, -2.40075827716184, -2.54973253934373, 4.37466414146497,
	2.93816398269878
];
const D = [0.00778469570904146, 0.32246712907004, 2.445134137143, 3.75440866190742, 1];
const horner = (c: readonly number[], x: number): number => c.reduce((sum, k) => sum * x + k, 0);

/** Quantile of the standard normal: Acklam's rational approximation with one step of Halley's method. */
export function normalQuantile(p: number): number {
	if (!(p >= 0 && p <= 1)) throw new RangeError(`a probability is between 0 and 1, not ${p}`);
	if (p === 0) return -Infinity;
	if (p === 1) return Infinity;
	const q = Math.min(p, 1 - p);
	const tail = Math.sqrt(-2 * Math.log(q));
	const lower =
		q < 0.02425
			? horner(C, tail) / horner(D, tail)
			: ((q - 0.5) * horner(A, (q - 0.5) ** 2)) / horner(B, (q - 0.5) ** 2);
	const error = normalCdf(lower) - q;
	const step = error / normalPdf(lower);
	const refined = lower - step / (1 + (lower * step) / 2);
	return p === q ? refined : -refined;
}

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
export function mixed(one: Truncated, other: Truncated, chance: number): Truncated {
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
