/** Nine in ten of a normal lie within so many standard deviations of its mean, either way. */
export const Z90 = 1.645;

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
