import { lnGamma } from '../../numerics/index.js';
import * as PARAMETERS from '../parameters.js';

/** What the log so far says of how much is not written down, by habit: means and covariance, row by row. */
export interface Unlogged {
	readonly mean: readonly number[];
	readonly cov: readonly number[];
}

/** How often a habit will be written down, times per exposure, given how much of it is not. */
export interface Logged {
	readonly mean: number;
	/** times more or less for each litre unlogged above its mean: who writes less down leaves more unwritten */
	readonly perUnloggedL: number;
	/** the doubt that is left */
	readonly sd: number;
}

/** What the counts in a log say of how use divides into what is written down and what is not. */
export interface UseInLog {
	readonly unlogged: Unlogged;
	readonly logged: readonly Logged[];
}

/** One habit in the log. */
export interface HabitCount {
	/** times per exposure by the rig's own word, and the doubt of that as a share */
	readonly usual: number;
	readonly cadenceSd: number;
	/** how often it was written down */
	readonly times: number;
	/** person-days or days lived with a log */
	readonly exposure: number;
	/** times a day by the rig's own word, for all who are aboard */
	readonly perDay: number;
	/** litres of one time as believed now */
	readonly litres: number;
}

/** Shares of uses that people write down, and how common each is before anything is known of them. */
export const SHARES: readonly (readonly [share: number, chance: number])[] = [
	[1, 0.25],
	[0.98, 0.09],
	[0.95, 0.085],
	[0.9, 0.08],
	[0.8, 0.09],
	[0.7, 0.09],
	[0.6, 0.08],
	[0.5, 0.07],
	[0.4, 0.05],
	[0.3, 0.045],
	[0.2, 0.02],
	[0.1, 0.01],
	[0, 0.04]
];
const GRID = SHARES.length;

/**
 * How likely one habit's own share is, given that of all habits together: a beta distribution about it, on the same
 * grid. Who writes down everything, or nothing, does so with every habit.
 */
export const OWN_SHARE: readonly (readonly number[])[] = SHARES.map(([all]) => {
	const [a, b] = [
		PARAMETERS.writingConcentrationWritings * all,
		PARAMETERS.writingConcentrationWritings * (1 - all)
	];
	const edges = SHARES.map(([share], i) => [
		(share + (SHARES[i + 1]?.[0] ?? share)) / 2,
		(share + (SHARES[i - 1]?.[0] ?? share)) / 2
	]);
	const weights = SHARES.map(([share], i) => {
		if (all === 0 || all === 1) return share === all ? 1 : 0;
		const [from = 0, to = 1] = edges[i] ?? [];
		const middle = (from + to) / 2;
		return (to - from) * middle ** (a - 1) * (1 - middle) ** (b - 1);
	});
	const sum = weights.reduce((total, weight) => total + weight, 0);
	return weights.map((weight) => weight / sum);
});

/** Log likelihood of a count (negative binomial: a Poisson number whose rate is known to some share), less constants. */
function logChance(k: number, seen: number, expected: number, lnGammas: number): number {
	if (expected === 0) return seen > 0 ? -Infinity : 0;
	return lnGammas + k * Math.log(k / (k + expected)) + seen * Math.log(expected / (k + expected));
}

/** Sums over the chances of one habit: of the chance, of what is missing, of what is written, and their products. */
interface Sums {
	readonly chance: number;
	readonly missing: number;
	readonly written: number;
	readonly missing2: number;
	readonly both: number;
	readonly written2: number;
}

/**
 * Unlogged litres per exposure of each habit, and how often it is written down, from how often it was logged and how often it usually happens. Uses come
 * at random at a rate λ that `often` knows to some share (a gamma prior); each is written down with a chance of its
 * habit, which lies about one that all habits have in common; both are unknown. For each chance on a grid the counts
 * are negative binomial, which weighs it; given the chance p, λ is gamma again, and what is unlogged is (1 − p)·λ·litres.
 * The moments of that mixture are what the belief is given.
 */
export function useInLog(habits: readonly HabitCount[]): UseInLog {
	const n = habits.length;
	/** by habit and common share: its likelihood, and the moments of what is missing given it */
	const given = habits.map(({ usual, cadenceSd, times, exposure, perDay, litres }) => {
		const k = 1 / Math.max(cadenceSd, 0.02) ** 2;
		// Days differ, so that counts spread more than a Poisson's: as if fewer were seen.
		const spread = 1 + perDay * (PARAMETERS.dayFactorSd ** 2 + PARAMETERS.habitDayFactorSd ** 2);
		const seen = times / spread;
		const lnGammas = lnGamma(k + seen) - lnGamma(k);
		const own = SHARES.map(([p]) => {
			const expected = (p * usual * exposure) / spread;
			const rate = (usual * (k + seen)) / (k + expected);
			return {
				log: logChance(k, seen, expected, lnGammas),
				missing: (1 - p) * rate * litres,
				written: p * rate,
				/** mean square over square of the mean: the rate is known to some share */
				square: 1 + 1 / (k + seen)
			};
		});
		const most = Math.max(...own.map(({ log }) => log));
		const likely = own.map(({ log }) => (most === -Infinity ? 1 : Math.exp(log - most)));
		return OWN_SHARE.map((kernel): Sums => {
			let [chance, missing, written, missing2, both, written2] = [0, 0, 0, 0, 0, 0];
			for (let g = 0; g < GRID; g++) {
				const weight = (kernel[g] as number) * (likely[g] as number);
				if (weight === 0) continue;
				const at = own[g] as (typeof own)[number];
				chance += weight;
				missing += weight * at.missing;
				written += weight * at.written;
				missing2 += weight * at.missing ** 2 * at.square;
				both += weight * at.missing * at.written * at.square;
				written2 += weight * at.written ** 2 * at.square;
			}
			return { chance, missing, written, missing2, both, written2 };
		});
	});
	const weights = SHARES.map(([, prior], g) =>
		given.reduce((product, own) => product * (own[g]?.chance ?? 0), prior)
	);
	const total = weights.reduce((sum, weight) => sum + weight, 0);
	const chances = weights.map((weight, g) => (total > 0 ? weight / total : (SHARES[g]?.[1] ?? 0)));
	/** the mean of one of the sums over all common shares */
	const over = (a: number, of: (sums: Sums) => number): number =>
		chances.reduce((sum, chance, g) => {
			const own = given[a]?.[g];
			return own && own.chance > 0 ? sum + (chance * of(own)) / own.chance : sum;
		}, 0);
	const mean = habits.map((_, a) => over(a, ({ missing }) => missing));
	const cov = new Array<number>(n * n).fill(0);
	chances.forEach((chance, g) => {
		if (chance < 1e-9) return;
		for (let a = 0; a < n; a++)
			for (let b = 0; b < n; b++) {
				const [one, other] = [given[a]?.[g], given[b]?.[g]];
				if (!one || !other || !(one.chance > 0) || !(other.chance > 0)) continue;
				const product =
					a === b ? one.missing2 / one.chance : (one.missing * other.missing) / (one.chance * other.chance);
				cov[a * n + b] = (cov[a * n + b] as number) + chance * product;
			}
	});
	return {
		unlogged: {
			mean,
			cov: cov.map((value, i) => value - (mean[Math.floor(i / n)] as number) * (mean[i % n] as number))
		},
		logged: habits.map((_, a): Logged => {
			const written = over(a, (sums) => sums.written);
			const missing = mean[a] as number;
			const variance = Math.max(0, over(a, ({ written2 }) => written2) - written ** 2);
			const spread = Math.max(0, over(a, ({ missing2 }) => missing2) - missing ** 2);
			const both = over(a, (sums) => sums.both) - missing * written;
			const perUnloggedL = spread > 1e-12 ? both / spread : 0;
			return {
				mean: written,
				perUnloggedL,
				sd: Math.sqrt(Math.max(0, variance - perUnloggedL * both))
			};
		})
	};
}
