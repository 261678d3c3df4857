import { rootOf, solveBackward, solveForward } from '../filter/cholesky.js';
import type { Gaussian } from '../filter/gaussian.js';
import type { Model } from '../filter/model.js';
import { PARAMETERS } from '../parameters.js';

/** What the log so far says of how much is not written down, by stream: means and covariance, row by row. */
export interface Unlogged {
	readonly mean: readonly number[];
	readonly cov: readonly number[];
}

/** Natural logarithm of the gamma function (Lanczos 1964, g = 7, n = 9), x above 0. */
function lnGamma(x: number): number {
	const c = [
		0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
		12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7
	];
	const z = x - 1;
	const t = z + 7.5;
	const sum = c.slice(1).reduce((total, ci, i) => total + ci / (z + i + 1), c[0] ?? 1);
	return 0.5 * Math.log(2 * Math.PI) + (z + 0.5) * Math.log(t) - t + Math.log(sum);
}

/** Shares of uses that people write down, and how common each is before anything is known of them. */
const SHARES: readonly (readonly [share: number, chance: number])[] = [
	[1, 0.26],
	[0.98, 0.12],
	[0.95, 0.14],
	[0.9, 0.14],
	[0.85, 0.1],
	[0.8, 0.06],
	...[0.7, 0.6, 0.5, 0.4, 0.3, 0.2, 0.1].map((share) => [share, 0.025] as const),
	[0, 0.05]
];

/**
 * Unlogged litres per person and day (or per day) of each habit, from how often it was logged and how often it
 * usually happens. Uses come at random at a rate λ that `often` knows to some share (a gamma prior); each is written
 * down with a chance p, common to all habits and itself unknown. For each p on a grid the counts are negative
 * binomial, which weighs p; given p, λ is gamma again, and what is unlogged is (1 − p)·λ·litres. The moments of that
 * mixture are what the belief is given.
 *
 * @param times how often each stream's habit was logged
 * @param personDays person-days lived with a log, and `days` days
 * @param litres litres of one time as believed now, by stream
 */
export function unloggedFrom(
	model: Model,
	times: readonly number[],
	personDays: number,
	days: number,
	litres: readonly number[]
): Unlogged {
	const { streams } = model;
	const n = streams.length;
	const exposure = streams.map(({ perPerson }) => (perPerson ? personDays : days));
	const shape = streams.map(({ cadenceSd }) => 1 / Math.max(cadenceSd, 0.02) ** 2);
	const logs = SHARES.map(([p, chance]) =>
		streams.reduce((sum, { usual }, a) => {
			const [k, count] = [shape[a] ?? 1, times[a] ?? 0];
			// Days differ, so that counts spread more than a Poisson's: as if somewhat fewer were seen.
			const seen = count / (1 + PARAMETERS.dayDiffers);
			const expected = (p * usual * (exposure[a] ?? 0)) / (1 + PARAMETERS.dayDiffers);
			if (expected === 0) return seen > 0 ? -Infinity : sum;
			return (
				sum +
				lnGamma(k + seen) -
				lnGamma(k) +
				k * Math.log(k / (k + expected)) +
				seen * Math.log(expected / (k + expected))
			);
		}, Math.log(chance))
	);
	const most = Math.max(...logs);
	const raw = logs.map((log) => (most === -Infinity ? 1 : Math.exp(log - most)));
	const total = raw.reduce((sum, w) => sum + w, 0);
	const mean = new Array<number>(n).fill(0);
	const second = new Array<number>(n * n).fill(0);
	SHARES.forEach(([p], g) => {
		const weight = (raw[g] ?? 0) / total;
		if (weight < 1e-9) return;
		const each = streams.map(({ usual }, a) => {
			const k = shape[a] ?? 1;
			const seen = (times[a] ?? 0) / (1 + PARAMETERS.dayDiffers);
			const lived = (p * usual * (exposure[a] ?? 0)) / (1 + PARAMETERS.dayDiffers);
			const rate = (usual * (k + seen)) / (k + lived);
			const missing = (1 - p) * rate * (litres[a] ?? 0);
			return { missing, variance: missing ** 2 / (k + seen) + (PARAMETERS.forgets * missing) ** 2 };
		});
		each.forEach(({ missing, variance }, a) => {
			mean[a] = (mean[a] ?? 0) + weight * missing;
			each.forEach((other, b) => {
				second[a * n + b] =
					(second[a * n + b] ?? 0) + weight * (missing * other.missing + (a === b ? variance : 0));
			});
		});
	});
	return {
		mean,
		cov: second.map((value, i) => value - (mean[Math.floor(i / n)] ?? 0) * (mean[i % n] ?? 0))
	};
}

/** The inverse of a positive definite matrix, row by row. */
function inverseOf(a: readonly number[], n: number): Float64Array {
	const root = rootOf(a, n, () => 0);
	const out = new Float64Array(n * n);
	for (let i = 0; i < n; i++) {
		const row = out.subarray(i * n, i * n + n);
		row[i] = 1;
		solveForward(root, n, row);
		solveBackward(root, n, row);
	}
	return out;
}

/**
 * Takes what the log's counts say into a belief that was begun with broad rates: the broad prior is divided out and
 * the counted one put in its place, which is the same as having begun with it (Bayes). As a measurement of the rates
 * its information is counted⁻¹ − broad⁻¹; it is taken in along independent directions, one after the other.
 */
export function takeIn(belief: Gaussian, model: Model, counted: Unlogged): void {
	const { streams } = model;
	const n = streams.length;
	if (n === 0 || model.statedRate) return;
	const floor = streams.map(({ broad }) => (1e-3 * broad.sd) ** 2);
	const cov = counted.cov.map((value, i) => value + (i % (n + 1) === 0 ? (floor[i % n] ?? 0) : 0));
	const information = inverseOf(cov, n);
	const y = Float64Array.from(streams, (_, i) =>
		counted.mean.reduce((sum, mean, k) => sum + (information[i * n + k] ?? 0) * mean, 0)
	);
	streams.forEach(({ broad }, a) => {
		const own = 1 / broad.sd ** 2;
		information[a * n + a] = Math.max((information[a * n + a] ?? 0) - own, 0);
		y[a] = (y[a] ?? 0) - own * broad.mean;
	});
	// information = L·Lᵀ: measuring Lᵀu with unit noise gives y = L⁻¹·target.
	const root = rootOf(information, n, () => 0);
	solveForward(root, n, y);
	for (let j = 0; j < n; j++) {
		const h = streams.flatMap(({ index }, i) => {
			const c = root[i * n + j] as number;
			return c === 0 ? [] : [[index, c] as const];
		});
		if (h.length > 0) belief.learn(h, 1, { mean: y[j] as number, variance: 0 });
	}
}
