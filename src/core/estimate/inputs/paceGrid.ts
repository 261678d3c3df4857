import { lnGamma, sumOf } from '../../numerics/index.js';
import * as PARAMETERS from '../parameters.js';

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
	/** how far its rate may have wandered since it was as the rig says, a share */
	readonly wanderedSd?: number;
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
	// Of any habit it may be that this one is never written down: hands, a glass of water.
	const never = all > 0 ? PARAMETERS.neverWrittenChance : 0;
	return weights.map((weight, i) => ((1 - never) * weight) / sum + (i === GRID - 1 ? never : 0));
});

/**
 * Paces of a household against what its rig says: of all it does as much more or less. How common each is before anything
 * is known: lognormal, in the mean as the rig says, nine in ten within a factor of two.
 */
const PACE_STEPS = 7;
const PACES: readonly (readonly [logPace: number, chance: number])[] = (() => {
	const nodes = Array.from(
		{ length: PACE_STEPS },
		(_, i) => (2.4 * (2 * i - PACE_STEPS + 1)) / (PACE_STEPS - 1)
	);
	const weights = nodes.map((z) => Math.exp(-(z ** 2) / 2));
	const paces = nodes.map((z) => Math.exp(PARAMETERS.paceSdLog * z));
	const sum = sumOf(weights);
	const mean = sumOf(weights.map((weight, i) => weight * (paces[i] as number))) / sum;
	return weights.map((weight, i) => [Math.log((paces[i] as number) / mean), weight / sum] as const);
})();
/** The common grid: each pace with each common share. */
export const NODES = PACES.flatMap(([logPace, common]) =>
	SHARES.map(([p, chance]) => ({ p, logPace, chance: common * chance }))
);

/** `OWN_SHARE`, row by row. */
const KERNEL = Float64Array.from(OWN_SHARE.flat());

/** Log likelihood of a count (negative binomial: a Poisson number whose rate is known to some share), less constants. */
function logChance(k: number, seen: number, expected: number, lnGammas: number): number {
	if (expected === 0) return seen > 0 ? -Infinity : 0;
	return lnGammas + k * Math.log(k / (k + expected)) + seen * Math.log(expected / (k + expected));
}

/** What one habit's count says, by node of the grid: how likely it is there, and what is then missing and written. */
export interface CountAtNodes {
	readonly chance: Float64Array;
	/** litres per exposure that go unlogged, and their variance */
	readonly missing: Float64Array;
	readonly missingVariance: Float64Array;
	/** times per exposure that are written down, their variance, and how many more for each litre that is missing */
	readonly written: Float64Array;
	readonly writtenVariance: Float64Array;
	readonly slope: Float64Array;
}

/** In one piece of memory: a piece is dearer than what is in it. */
function zeros(): CountAtNodes {
	const n = NODES.length;
	const all = new Float64Array(6 * n);
	const part = (i: number): Float64Array => all.subarray(i * n, (i + 1) * n);
	return {
		chance: part(0),
		missing: part(1),
		missingVariance: part(2),
		written: part(3),
		writtenVariance: part(4),
		slope: part(5)
	};
}

/** What one count is worked out in, from call to call. */
const likely = new Float64Array(NODES.length);
const missings = new Float64Array(NODES.length);
const writtens = new Float64Array(NODES.length);

/** A rate is never known better than this, of its usual. */
const SETTLED = 1e-3;
/** Of the likeliest. */
const NEGLIGIBLE = 1e-12;

/**
 * What one habit's count says at each pace, for each chance that all habits have in common. Uses come at random at a rate λ
 * that `often` knows to some share (a gamma prior) about the pace of the household; each is written down with a chance of its
 * habit. The counts are negative binomial, which weighs pace and chance; given the chance p, λ is gamma again, and what is
 * unlogged is (1 − p)·λ·litres.
 */
export function countAtNodes({
	wanderedSd = 0,
	usual,
	cadenceSd,
	times,
	exposure,
	perDay,
	litres
}: HabitCount): CountAtNodes {
	const k = 1 / Math.max(cadenceSd, 0.02) ** 2;
	// Days differ, so that counts spread more than a Poisson's: as if fewer were seen.
	const spread = 1 + perDay * (PARAMETERS.dayFactorSd ** 2 + PARAMETERS.habitDayFactorSd ** 2);
	const seen = times / spread;
	const lnGammas = lnGamma(k + seen) - lnGamma(k);
	const settled = (SETTLED * usual * litres) ** 2 + Number.MIN_VALUE;
	let most = -Infinity;
	NODES.forEach(({ p, logPace }, j) => {
		// What is said to be exact keeps no pace but its own.
		const usually = cadenceSd > 0 ? usual * Math.exp(logPace) : usual;
		const expected = (p * usually * exposure) / spread;
		const rate = (usually * (k + seen)) / (k + expected);
		const log = logChance(k, seen, expected, lnGammas);
		likely[j] = log;
		if (log > most) most = log;
		missings[j] = (1 - p) * rate * litres;
		writtens[j] = p * rate;
	});
	/** mean square over square of the mean: the rate is known to some share */
	const square = 1 + 1 / (k + seen);
	for (let j = 0; j < likely.length; j++)
		likely[j] = most === -Infinity ? 1 : Math.exp((likely[j] as number) - most);
	const out = zeros();
	// Numbers by themselves, not in pairs: this runs thousands of times before a young engine has been compiled.
	for (let z = 0; z < PACES.length; z++) {
		const from = z * GRID;
		let first = 0;
		let last = GRID;
		while (first < last && (likely[from + first] as number) < NEGLIGIBLE) first++;
		while (last > first && (likely[from + last - 1] as number) < NEGLIGIBLE) last--;
		for (let common = 0; common < GRID; common++) {
			let chance = 0;
			let missing = 0;
			let written = 0;
			let missing2 = 0;
			let both = 0;
			let written2 = 0;
			for (let g = first; g < last; g++) {
				const weight = (KERNEL[common * GRID + g] as number) * (likely[from + g] as number);
				const unnoted = missings[from + g] as number;
				const noted = writtens[from + g] as number;
				chance += weight;
				missing += weight * unnoted;
				written += weight * noted;
				missing2 += weight * unnoted * unnoted;
				both += weight * unnoted * noted;
				written2 += weight * noted * noted;
			}
			if (!(chance > 0)) continue;
			const j = from + common;
			const m = missing / chance;
			const w = written / chance;
			const variance = Math.max((square * missing2) / chance - m * m, 0) + (wanderedSd * m) ** 2 + settled;
			out.chance[j] = chance;
			out.missing[j] = m;
			out.missingVariance[j] = variance;
			out.written[j] = w;
			out.writtenVariance[j] = Math.max((square * written2) / chance - w * w, 0);
			out.slope[j] = ((square * both) / chance - m * w) / variance;
		}
	}
	return out;
}
