import { normalQuantile } from './normal.js';
import { lnGamma } from './gamma.js';

const MOST_TERMS = 400;
const EXACT = 1e-16;
/** A denominator of nothing in the continued fraction is taken to be this. */
const TINY = 1e-300;

/**
 * The continued fraction of the incomplete beta function by Lentz's method (Press et al., Numerical Recipes, 6.4); it
 * comes to its value within √max(a, b) terms where x lies below (a + 1) / (a + b + 2).
 */
function betaFraction(x: number, a: number, b: number): number {
	const notNone = (value: number): number => (Math.abs(value) < TINY ? TINY : value);
	let c = 1;
	let d = 1 / notNone(1 - ((a + b) * x) / (a + 1));
	let fraction = d;
	for (let m = 1; m <= MOST_TERMS; m++) {
		let change = 1;
		for (const term of [
			(m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m)),
			(-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1))
		]) {
			d = 1 / notNone(1 + term * d);
			c = notNone(1 + term / c);
			change = c * d;
			fraction *= change;
		}
		if (Math.abs(change - 1) < EXACT) break;
	}
	return fraction;
}

/** The regularized incomplete beta function I_x(a, b), 0 … 1 (Abramowitz and Stegun 26.5.8), to 1e-12 or so. */
function regularizedBeta(x: number, a: number, b: number): number {
	if (x <= 0 || x >= 1) return x <= 0 ? 0 : 1;
	const front = Math.exp(lnGamma(a + b) - lnGamma(a) - lnGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
	return x < (a + 1) / (a + b + 2)
		? (front * betaFraction(x, a, b)) / a
		: 1 - (front * betaFraction(1 - x, b, a)) / b;
}

/** The share above t of Student's t (Abramowitz and Stegun 26.7.1), t not below 0. */
const upperTail = (t: number, degrees: number): number =>
	0.5 * regularizedBeta(degrees / (degrees + t * t), degrees / 2, 0.5);

const BISECTIONS = 200;

/**
 * Quantile of Student's t, to twelve digits or so: its tail, inverted by bisection.
 *
 * @param p probability, between 0 and 1
 * @param degrees of freedom, above 0, perhaps not whole
 * @throws RangeError for any other
 */
export function studentTQuantile(p: number, degrees: number): number {
	if (!(p > 0 && p < 1)) throw new RangeError(`a probability is between 0 and 1, not ${p}`);
	if (!(degrees > 0)) throw new RangeError(`degrees of freedom are above 0, not ${degrees}`);
	if (p < 0.5) return -studentTQuantile(1 - p, degrees);
	const tail = 1 - p;
	let [low, high] = [0, Math.max(1, 2 * normalQuantile(p))];
	while (upperTail(high, degrees) > tail) [low, high] = [high, 2 * high];
	for (let i = 0; i < BISECTIONS; i++) {
		const middle = (low + high) / 2;
		if (middle === low || middle === high) break;
		if (upperTail(middle, degrees) > tail) low = middle;
		else high = middle;
	}
	return (low + high) / 2;
}
