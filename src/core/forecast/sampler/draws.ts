import { cholesky, normalCdf, normalQuantile, positive, submatrix } from '../../numerics/index.js';
import type { DayAhead } from '../../habits/index.js';
import { levelOfPool, type Estimate } from '../../estimate/index.js';
import { chanceStream, type Variable } from './commonRandomNumbers.js';
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
	/** litres a day that flow in, by source */
	readonly inflow: readonly Float64Array[];
	/** how far weekends differ in that, a share; nothing where it is not learned */
	readonly weekend: Float64Array | undefined;
	/** how many times as far from their middle all paths are brought as they are lived, by the forecasts' own record */
	readonly spread: number;
}

/** Variances below this are settled, litres squared. */
const SETTLED = 1e-12;
/** A cut that takes off less than this is none. */
const UNCUT = 1 - 1e-4;

const drawnBefore = new Map<string, Float64Array>();
/** So many are kept, some megabytes at the usual number of paths; then it begins anew. */
const MOST_KEPT = 160;

/** What chance gives is the same each time: it is drawn once, and only read. */
function keptDraw(key: string, draw: () => Float64Array): Float64Array {
	const before = drawnBefore.get(key);
	if (before) return before;
	if (drawnBefore.size >= MOST_KEPT) drawnBefore.clear();
	const drawn = draw();
	drawnBefore.set(key, drawn);
	return drawn;
}

/** A variable that is drawn once for each path. */
interface Drawn {
	readonly seed: number;
	readonly variable: Variable;
	/** which of its kind */
	readonly of: number;
}

/** Values of as many paths in the random order of a variable; kept under what kind of values they are. */
const shuffled = (
	kind: 'slice' | 'normal',
	{ seed, variable, of }: Drawn,
	paths: number,
	values: (path: number) => number
): Float64Array =>
	keptDraw(`${kind} ${variable} ${of} ${seed} ${paths}`, () => {
		const random = chanceStream(seed, variable, of);
		const out = Float64Array.from({ length: paths }, (_, path) => values(path));
		for (let i = paths - 1; i > 0; i--) {
			const k = Math.floor(random.uniform() * (i + 1));
			[out[i], out[k]] = [out[k] as number, out[i] as number];
		}
		return out;
	});

/**
 * The middles of as many equally likely slices as there are paths, in a random order (Latin hypercube: McKay, Beckman
 * and Conover 1979): a variable's mean over all paths is then exact, and few paths do for a difference.
 */
const slices = (drawn: Drawn, paths: number): Float64Array =>
	shuffled('slice', drawn, paths, (path) => (path + 0.5) / paths);

/** The same as standard normals. */
function normals(drawn: Drawn, paths: number): Float64Array {
	const known = keptDraw(`normal ${paths}`, () =>
		Float64Array.from({ length: paths }, (_, path) => normalQuantile((path + 0.5) / paths))
	);
	return shuffled('normal', drawn, paths, (path) => known[path] as number);
}

/** A component of the belief, and the variable that it is drawn by. */
type Picked = readonly [index: number, variable: Variable, of: number];

/** Components of the belief, drawn together: by component, then by path. */
function drawTogether(
	{ belief }: Estimate,
	seed: number,
	picked: readonly Picked[],
	paths: number
): readonly Float64Array[] {
	const pick = picked.map(([index]) => index);
	const root = cholesky(submatrix(belief.cov, pick), () => SETTLED);
	const z = picked.map(([, variable, of]) => normals({ seed, variable, of }, paths));
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
	const picked: readonly Picked[] = [
		...day.habits.map(({ habit }, i): Picked => [model.habitRow.get(habit.id) ?? 0, 'litres', i]),
		...day.unlogged.map(({ index }, i): Picked => [index, 'unlogged', i]),
		...(model.weekendRow === undefined ? [] : [[model.weekendRow, 'weekend', 0] as const]),
		...unsure.map(({ index, usableRow = 0 }): Picked => [usableRow, 'usable', index]),
		...order.map(({ index }): Picked => [index, 'level', index])
	];
	const drawn = drawTogether(estimate, seed, picked, paths);
	let next = 0;
	const taken = (): Float64Array => drawn[next++] as Float64Array;
	const litresEach = day.habits.map(() => taken().map((litres) => Math.max(0, litres)));
	const rates = day.unlogged.map(({ index }) => {
		const { belief } = estimate;
		const [mean, sd] = [belief.mean[index] ?? 0, belief.sdOf(index)];
		const { at } = positive({ mean, sd });
		return taken().map((litres) => at(sd > 0 ? (litres - mean) / sd : 0));
	});
	const weekend = model.weekendRow === undefined ? undefined : taken();
	const volumes = new Map(unsure.map(({ index }) => [index, taken()]));
	const pools = new Map(order.map(({ index }) => [index, withinTank(estimate, index, taken())]));
	const usable = lanes.map(({ pool, share, usableL }) =>
		(volumes.get(pool) ?? new Float64Array(paths).fill(usableL / share)).map((litres) => litres * share)
	);
	const { inflation: spread = 1 } = estimate;
	const all = Int32Array.from({ length: paths }, (_, path) => path);
	const pace = normals({ seed, variable: 'pace', of: 0 }, paths);
	return {
		spread,
		weekend,
		usable,
		levels: lanes.map(({ pool, share }, i) => {
			const litres = (pools.get(pool) as Float64Array).map((whole) => whole * share);
			inflateSpread(litres, all, spread);
			return litres.map((level, path) => Math.min(Math.max(level, 0), usable[i]?.[path] ?? Infinity));
		}),
		litresEach,
		timesPerDay: day.habits.map(({ cadence, stream }, i) => {
			const z = normals({ seed, variable: 'cadence', of: i }, paths);
			const rate = stream === undefined ? undefined : rates[stream];
			const ahead = stream === undefined ? undefined : day.unlogged[stream];
			const believedL = ahead && ahead.perDay > 0 ? ahead.mean / ahead.perDay : 0;
			const { rarer } = cadence;
			return z.map((value, path) => {
				const unloggedL = rate ? (rate[path] as number) - believedL : 0;
				const perDay =
					cadence.timesPerDay +
					cadence.perUnloggedL * unloggedL +
					cadence.perPace * (pace[path] as number) +
					cadence.ownSd * value;
				return rarer > 0 ? Math.max(0, perDay) / rarer : cadence.sparedPerDay;
			});
		}),
		phase: day.habits.map((_, i) => slices({ seed, variable: 'phase', of: i }, paths)),
		unlogged: rates.map((rate, i) => rate.map((litres) => litres * (day.unlogged[i]?.perDay ?? 0))),
		inflow: day.sources.map(({ timesPerDay, timesSd, litresEach }, i) => {
			const mean = timesPerDay * litresEach.mean;
			const sd = Math.hypot(timesSd * litresEach.mean, timesPerDay * litresEach.sd);
			if (!(sd > 0)) return new Float64Array(paths).fill(mean);
			const { at } = positive({ mean, sd });
			return normals({ seed, variable: 'inflow', of: i }, paths).map(at);
		})
	};
}
