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
	/** times more or less for each deviation of what the doubts of all habits have in common: the household's pace */
	readonly perPace: number;
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
	/** times per exposure by the rig's own word, and the doubt of that as a share; 0 where it is exact */
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

/**
 * Paces of a household against what its rig says: of all it does as much more or less. How common each is before anything
 * is known: lognormal, nine in ten between half and double.
 */
const PACE_STEPS = 9;
const PACES: readonly (readonly [pace: number, chance: number])[] = (() => {
	const nodes = Array.from({ length: PACE_STEPS }, (_, i) => (2.4 * (2 * i - PACE_STEPS + 1)) / (PACE_STEPS - 1));
	const sum = nodes.reduce((total, z) => total + Math.exp(-(z ** 2) / 2), 0);
	return nodes.map((z) => [PARAMETERS.paceSdLog * z, Math.exp(-(z ** 2) / 2) / sum] as const);
})();
/** The common grid: each pace with each common share. */
const NODES = PACES.flatMap(([logPace, likely], z) =>
	SHARES.map(([, chance], g) => ({ z, g, logPace, chance: likely * chance }))
);

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

/** What one habit's count says at each pace, for each chance that all habits have in common. */
function sumsOf({ usual, cadenceSd, times, exposure, perDay, litres }: HabitCount): readonly Sums[] {
	const k = 1 / Math.max(cadenceSd, 0.02) ** 2;
	// Days differ, so that counts spread more than a Poisson's: as if fewer were seen.
	const spread = 1 + perDay * (PARAMETERS.dayFactorSd ** 2 + PARAMETERS.habitDayFactorSd ** 2);
	const seen = times / spread;
	const lnGammas = lnGamma(k + seen) - lnGamma(k);
	const own = PACES.map(([logPace]) => {
		// What is said to be exact keeps no pace but its own.
		const usually = cadenceSd > 0 ? usual * Math.exp(logPace) : usual;
		return SHARES.map(([p]) => {
			const expected = (p * usually * exposure) / spread;
			const rate = (usually * (k + seen)) / (k + expected);
			return {
				log: logChance(k, seen, expected, lnGammas),
				missing: (1 - p) * rate * litres,
				written: p * rate
			};
		});
	});
	/** mean square over square of the mean: the rate is known to some share */
	const square = 1 + 1 / (k + seen);
	const most = Math.max(...own.map((row) => Math.max(...row.map(({ log }) => log))));
	const likely = own.map((row) => row.map(({ log }) => (most === -Infinity ? 1 : Math.exp(log - most))));
	return NODES.map(({ z, g: common }): Sums => {
		const [kernel, at, chances] = [OWN_SHARE[common] ?? [], own[z] ?? [], likely[z] ?? []];
		let [chance, missing, written, missing2, both, written2] = [0, 0, 0, 0, 0, 0];
		for (let g = 0; g < GRID; g++) {
			const weight = (kernel[g] as number) * (chances[g] as number);
			if (weight === 0) continue;
			const one = at[g] as (typeof at)[number];
			chance += weight;
			missing += weight * one.missing;
			written += weight * one.written;
			missing2 += weight * one.missing ** 2 * square;
			both += weight * one.missing * one.written * square;
			written2 += weight * one.written ** 2 * square;
		}
		if (!(chance > 0)) return { chance, missing, written, missing2, both, written2 };
		return {
			chance,
			missing: missing / chance,
			written: written / chance,
			missing2: missing2 / chance,
			both: both / chance,
			written2: written2 / chance
		};
	});
}

/** Less likely than this is not reckoned with. */
const UNLIKELY = 1e-9;

/**
 * Unlogged litres per exposure of each habit, and how often it is written down, from how often it was logged and how often it
 * usually happens. Uses come at random at a rate λ that `often` knows to some share (a gamma prior) about the pace of the
 * household, which is the same for all its habits; each is written down with a chance of its habit, which lies about one that
 * all habits have in common; all three are unknown. For each pace and chance on a grid the counts are negative binomial,
 * which weighs it; given the chance p, λ is gamma again, and what is unlogged is (1 − p)·λ·litres. The moments of that
 * mixture are what the belief is given.
 */
export function useInLog(habits: readonly HabitCount[]): UseInLog {
	const n = habits.length;
	const given = habits.map(sumsOf);
	const weights = NODES.map(({ chance }, j) =>
		given.reduce((product, own) => product * (own[j] as Sums).chance, chance)
	);
	const total = weights.reduce((sum, weight) => sum + weight, 0);
	const nodes = NODES.flatMap(({ chance }, j) => {
		const weight = total > 0 ? (weights[j] as number) / total : chance;
		return weight > UNLIKELY ? [{ weight, j }] : [];
	});
	/** the mean of one of the sums over all paces and common shares */
	const over = (a: number, of: (sums: Sums) => number): number =>
		nodes.reduce((sum, { weight, j }) => sum + weight * of(given[a]?.[j] as Sums), 0);
	const mean = habits.map((_, a) => over(a, ({ missing }) => missing));
	const cov = new Array<number>(n * n).fill(0);
	for (let a = 0; a < n; a++)
		for (let b = 0; b <= a; b++) {
			const [one, other] = [given[a] as readonly Sums[], given[b] as readonly Sums[]];
			let sum = 0;
			for (const { weight, j } of nodes)
				sum +=
					weight *
					(a === b ? (one[j] as Sums).missing2 : (one[j] as Sums).missing * (other[j] as Sums).missing);
			cov[a * n + b] = cov[b * n + a] = sum - (mean[a] as number) * (mean[b] as number);
		}
	const written = habits.map((_, a) => over(a, (sums) => sums.written));
	const perUnloggedL = habits.map((_, a) => {
		const spread = Math.max(0, cov[a * n + a] as number);
		return spread > 1e-12 ? (over(a, ({ both }) => both) - (mean[a] as number) * (written[a] as number)) / spread : 0;
	});
	/** what is written of a habit at a pace and share, above what its unlogged litres explain */
	const beyond = (a: number, j: number): number => {
		const sums = given[a]?.[j] as Sums;
		return (
			sums.written -
			(written[a] as number) -
			(perUnloggedL[a] as number) * (sums.missing - (mean[a] as number))
		);
	};
	// All that habits have in common is gathered in the litres of all of them.
	const common = nodes.map(({ weight, j }) => ({
		weight,
		j,
		litres: habits.reduce((sum, { litres }, a) => sum + litres * beyond(a, j), 0)
	}));
	const commonSd = Math.sqrt(common.reduce((sum, { weight, litres }) => sum + weight * litres ** 2, 0));
	return {
		unlogged: { mean, cov },
		logged: habits.map((_, a): Logged => {
			const [all, slope] = [written[a] as number, perUnloggedL[a] as number];
			const variance = over(a, ({ written2 }) => written2) - all ** 2 - slope ** 2 * (cov[a * n + a] as number);
			const perPace =
				commonSd > 1e-12
					? common.reduce((sum, { weight, j, litres }) => sum + weight * litres * beyond(a, j), 0) / commonSd
					: 0;
			return {
				mean: all,
				perUnloggedL: slope,
				perPace,
				sd: Math.sqrt(Math.max(0, variance - perPace ** 2))
			};
		})
	};
}
