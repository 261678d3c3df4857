import { cholesky, normalCdf, normalQuantile, type Random, submatrix } from '../../numerics/index.js';
import type { DayAhead } from '../../habits/index.js';
import { levelOfPool, type Estimate } from '../../estimate/index.js';
import { chanceStream } from './commonRandomNumbers.js';
import type { Lane } from './lanes.js';
import { inflateSpread } from './inflateSpread.js';

/** What stays the same along each path; by what it is of, then by path. */
export interface Draws {
	/** litres at the start, by lane */
	readonly levels: readonly Float64Array[];
	/** what serves, by lane */
	readonly usable: readonly Float64Array[];
	readonly litresEach: readonly Float64Array[];
	/** before measures of rarity */
	readonly timesPerDay: readonly Float64Array[];
	/** where each habit's cadence stands between two times, 0 … 1 */
	readonly phase: readonly Float64Array[];
	/** litres a day, by stream */
	readonly unlogged: readonly Float64Array[];
	/** how many times as far from their middle all paths are brought as they are lived, by the forecasts' own record */
	readonly spread: number;
}

/** Variances below this are settled, litres squared. */
const SETTLED = 1e-12;
/** A cut that takes off less than this is none. */
const UNCUT = 1 - 1e-4;

/**
 * The middles of as many equally likely slices as there are paths, in a random order (Latin hypercube: McKay, Beckman
 * and Conover 1979): a variable's mean over all paths is then exact, and few paths do for a difference.
 */
function slices(random: Random, paths: number): Float64Array {
	const out = Float64Array.from({ length: paths }, (_, i) => (i + 0.5) / paths);
	for (let i = paths - 1; i > 0; i--) {
		const k = Math.floor(random.uniform() * (i + 1));
		[out[i], out[k]] = [out[k] as number, out[i] as number];
	}
	return out;
}

const quantiles = new Map<number, Float64Array>();
/** The same as standard normals. */
function normals(random: Random, paths: number): Float64Array {
	const known =
		quantiles.get(paths) ?? Float64Array.from({ length: paths }, (_, i) => normalQuantile((i + 0.5) / paths));
	quantiles.set(paths, known);
	return slices(random, paths).map((u) => known[Math.floor(u * paths)] as number);
}

/** Components of the belief, drawn together: by component, then by path. */
function drawTogether(
	{ belief }: Estimate,
	picked: readonly { readonly index: number; readonly random: Random }[],
	paths: number
): readonly Float64Array[] {
	const pick = picked.map(({ index }) => index);
	const root = cholesky(submatrix(belief.cov, pick), () => SETTLED);
	const z = picked.map(({ random }) => normals(random, paths));
	return pick.map((index, i) => {
		const out = new Float64Array(paths).fill(belief.mean[index] ?? 0);
		for (let k = 0; k <= i; k++) {
			const c = root.at(i, k);
			const of = z[k] as Float64Array;
			if (c !== 0)
				for (let path = 0; path < paths; path++) out[path] = (out[path] as number) + c * (of[path] as number);
		}
		return out;
	});
}

/** Draws of a pool's level held between empty and full: each keeps its rank. */
function withinTank(estimate: Estimate, pool: number, drawn: Float64Array): Float64Array {
	const level = levelOfPool(estimate, pool);
	const [mean, sd] = [estimate.belief.mean[pool] ?? 0, estimate.belief.sdOf(pool)];
	if (level.mass > UNCUT || !(sd > 0)) return drawn;
	return drawn.map((litres) => level.quantile(normalCdf((litres - mean) / sd)));
}

/**
 * Draws what stays the same along so many paths from the joint belief.
 *
 * @param about the tank that is asked about: its level is drawn first, so that what happens to others moves none of its draws
 */
export function drawPaths(
	estimate: Estimate,
	day: DayAhead,
	lanes: readonly Lane[],
	paths: number,
	seed: number,
	about: string | undefined
): Draws {
	const { model } = estimate;
	const first = model.places.get(about ?? '')?.pool.index;
	const order = [...model.pools].sort((a, b) => Number(b.index === first) - Number(a.index === first));
	const unsure = model.pools.filter(({ usableRow: usable }) => usable !== undefined);
	// What a habit takes is drawn before the levels: an entry moves a level by it, path by path, as a price does.
	const drawn = drawTogether(
		estimate,
		[
			...day.habits.map(({ habit }, i) => ({
				index: model.habitRow.get(habit.id) ?? 0,
				random: chanceStream(seed, 'litres', i)
			})),
			...day.unlogged.map(({ index }, i) => ({ index, random: chanceStream(seed, 'unlogged', i) })),
			...unsure.map(({ index, usableRow: usable = 0 }) => ({
				index: usable,
				random: chanceStream(seed, 'usable', index)
			})),
			...order.map(({ index }) => ({ index, random: chanceStream(seed, 'level', index) }))
		],
		paths
	);
	let next = 0;
	const taken = (): Float64Array => drawn[next++] as Float64Array;
	const litresEach = day.habits.map(() => taken().map((litres) => Math.max(0, litres)));
	const rates = day.unlogged.map(taken);
	const volumes = new Map(unsure.map(({ index }) => [index, taken()]));
	const pools = new Map(order.map(({ index }) => [index, withinTank(estimate, index, taken())]));
	const usable = lanes.map(({ pool, share, usableL }) =>
		(volumes.get(pool) ?? new Float64Array(paths).fill(usableL / share)).map((litres) => litres * share)
	);
	const { inflation: spread = 1 } = estimate;
	const all = Int32Array.from({ length: paths }, (_, path) => path);
	return {
		spread,
		usable,
		levels: lanes.map(({ pool, share }, i) => {
			const litres = (pools.get(pool) as Float64Array).map((whole) => whole * share);
			inflateSpread(litres, all, spread);
			return litres.map((level, path) => Math.min(Math.max(level, 0), usable[i]?.[path] ?? Infinity));
		}),
		litresEach,
		timesPerDay: day.habits.map(({ cadence, stream }, i) => {
			const z = normals(chanceStream(seed, 'cadence', i), paths);
			const rate = stream === undefined ? undefined : rates[stream];
			const ahead = stream === undefined ? undefined : day.unlogged[stream];
			const believedL = ahead && ahead.perDay > 0 ? ahead.mean / ahead.perDay : 0;
			const { rarer } = cadence;
			return z.map((value, path) => {
				// nothing less than nothing goes unwritten: what is then written is no more for it
				const unloggedL = rate ? Math.max(0, rate[path] as number) - believedL : 0;
				const perDay = cadence.timesPerDay + cadence.perUnloggedL * unloggedL + cadence.ownSd * value;
				return rarer > 0 ? Math.max(0, perDay) / rarer : 0;
			});
		}),
		phase: day.habits.map((_, i) => slices(chanceStream(seed, 'phase', i), paths)),
		unlogged: rates.map((rate, i) =>
			rate.map((litres) => Math.max(0, litres) * (day.unlogged[i]?.perDay ?? 0))
		)
	};
}
