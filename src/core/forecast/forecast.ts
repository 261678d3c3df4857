import { dayAhead, DAY_DIFFERS, gainOf, personsNow, unloggedGain, type DayAhead } from '../habits/index.js';
import type { Estimate } from '../estimate/index.js';
import { bindsAt, neverBinds, usableOf } from '../rig/index.js';
import { choleskyOf } from './draw.js';
import { spreadOf, type Spread } from './quantile.js';
import { seeded, type Random } from './random.js';

export interface ForecastOptions {
	/** how far to look, days; at least 1 */
	readonly days: number;
	/** who is aboard from now on; the estimate's moment when absent */
	readonly persons?: number | undefined;
	/** ids of the measures in force from now on; those in force now when absent */
	readonly measures?: readonly string[] | undefined;
	readonly paths?: number | undefined;
	readonly seed?: number | undefined;
}

export interface TankForecast {
	readonly id: string;
	/** days until this tank would bind; `days` where it never does within them */
	readonly days: Spread;
	/** litres after each whole day from now */
	readonly byDay: readonly (Spread & { readonly day: number })[];
}

export interface Forecast {
	/** days until the first tank binds: one chance in ten that it is sooner than p10 */
	readonly autonomyDays: Spread;
	/** the chance of each tank to be the first to bind within the days looked at; tanks without a chance are left out */
	readonly binding: readonly { readonly tank: string; readonly probability: number }[];
	readonly tanks: readonly TankForecast[];
}

export const DEFAULT_PATHS = 2000;
const DEFAULT_SEED = 20;

/** A tank as the paths see it. */
interface Lane {
	readonly id: string;
	readonly pool: number;
	readonly share: number;
	readonly usableL: number;
	/** litres at which it binds; a carried supply never does */
	readonly limitL: number | undefined;
	readonly falls: boolean;
}

/**
 * What a day does to the lanes, gathered by direction: uses that go the same way (the same litres to each lane for a
 * litre drawn) scatter as one.
 */
interface Ways {
	readonly count: number;
	/** by way, then by lane: litres for one litre drawn */
	readonly perLitre: Float64Array;
	readonly ofHabit: Int32Array;
	readonly ofStream: Int32Array;
	/** what comes beside the litres, for those habits that have it */
	readonly beside: readonly { readonly habit: number; readonly lane: number; readonly litres: number }[];
}

function lanesOf(estimate: Estimate): readonly Lane[] {
	const { rig, places } = estimate.model;
	return rig.tanks.map((tank) => ({
		id: tank.id,
		pool: places.get(tank.id)?.pool.index ?? 0,
		share: places.get(tank.id)?.share ?? 1,
		usableL: usableOf(tank),
		limitL: neverBinds(rig, tank) ? undefined : bindsAt(tank),
		falls: tank.holds === 'fresh'
	}));
}

function waysOf(estimate: Estimate, day: DayAhead, lanes: readonly Lane[]): Ways {
	const known = new Map<string, number>();
	const vectors: (readonly number[])[] = [];
	const wayOf = (vector: readonly number[]): number => {
		const key = vector.map((value) => value.toFixed(9)).join('|');
		const before = known.get(key);
		if (before !== undefined) return before;
		known.set(key, vectors.length);
		return vectors.push(vector) - 1;
	};
	const gains = day.habits.map(({ flow }) => lanes.map(({ id }) => gainOf(estimate, flow, id)));
	const ofHabit = Int32Array.from(gains.map((amounts) => wayOf(amounts.map(({ perLitre }) => perLitre))));
	const ofStream = Int32Array.from(
		day.unlogged.map((stream) => wayOf(lanes.map(({ id }) => unloggedGain(estimate, stream, id))))
	);
	return {
		count: vectors.length,
		perLitre: Float64Array.from(vectors.flat()),
		ofHabit,
		ofStream,
		beside: gains.flatMap((amounts, habit) =>
			amounts.flatMap(({ fixed }, lane) => (fixed === 0 ? [] : [{ habit, lane, litres: fixed }]))
		)
	};
}

/** One draw of everything that stays the same along a path. */
interface Draw {
	readonly levels: Float64Array;
	readonly litresEach: Float64Array;
	readonly timesPerDay: Float64Array;
	readonly phase: Float64Array;
	/** litres a day, by stream */
	readonly unlogged: Float64Array;
}

const REDRAWS = 8;

function drawer(estimate: Estimate, day: DayAhead, lanes: readonly Lane[]): (random: Random) => Draw {
	const { model, belief } = estimate;
	const pools = model.pools.length;
	const pick = [
		...model.pools.map(({ index }) => index),
		...day.habits.map(({ habit }) => model.habit.get(habit.id) ?? 0),
		...day.unlogged.map(({ index }) => index)
	];
	const firstStream = pools + day.habits.length;
	const root = choleskyOf(belief.cov, model.size, pick);
	const means = pick.map((index) => belief.mean[index] ?? 0);
	const z = new Float64Array(pick.length);
	const x = new Float64Array(pick.length);
	const draw: Draw = {
		levels: new Float64Array(lanes.length),
		litresEach: new Float64Array(day.habits.length),
		timesPerDay: new Float64Array(day.habits.length),
		phase: new Float64Array(day.habits.length),
		unlogged: new Float64Array(day.unlogged.length)
	};
	const within = (): boolean =>
		model.pools.every((pool, i) => (x[i] ?? 0) >= 0 && (x[i] ?? 0) <= pool.usableL);
	return (random) => {
		for (let attempt = 0; attempt < REDRAWS; attempt++) {
			for (let i = 0; i < z.length; i++) z[i] = random.normal();
			for (let i = 0; i < x.length; i++) {
				let value = means[i] ?? 0;
				for (let k = 0; k <= i; k++) value += (root[i * pick.length + k] ?? 0) * (z[k] ?? 0);
				x[i] = value;
			}
			if (within()) break;
		}
		lanes.forEach((lane, i) => {
			draw.levels[i] = Math.min(Math.max((x[lane.pool] ?? 0) * lane.share, 0), lane.usableL);
		});
		day.habits.forEach(({ cadence }, i) => {
			draw.litresEach[i] = Math.max(0, x[pools + i] ?? 0);
			draw.timesPerDay[i] = Math.max(
				0,
				cadence.timesPerDay + (cadence.sd > 0 ? cadence.sd * random.normal() : 0)
			);
			draw.phase[i] = random.uniform();
		});
		day.unlogged.forEach(({ perDay }, i) => {
			draw.unlogged[i] = Math.max(0, x[firstStream + i] ?? 0) * perDay;
		});
		return draw;
	};
}

/** Lives one day of one path: whole times at their cadence, each with its scatter. Fills in each lane's change. */
type LiveDay = (draw: Draw, dayIndex: number, random: Random, change: Float64Array) => void;

function liver(day: DayAhead, ways: Ways, lanes: number): LiveDay {
	const habits = day.habits.length;
	const counts = new Float64Array(habits);
	const means = new Float64Array(ways.count);
	const variances = new Float64Array(ways.count);
	const scatters = Float64Array.from(day.habits, ({ scatterL }) => scatterL ** 2);
	const loose = day.habits.map(({ cadence }) => cadence.sd > 0);
	const lumps = Float64Array.from(day.unlogged, ({ lumpL }) => lumpL);
	const { ofHabit, ofStream, perLitre, beside, count } = ways;
	return (draw, dayIndex, random, change) => {
		change.fill(0);
		means.fill(0);
		variances.fill(0);
		const differs = Math.max(0, 1 + DAY_DIFFERS * random.quickNormal());
		for (let h = 0; h < habits; h++) {
			const rate = draw.timesPerDay[h] as number;
			const phase = draw.phase[h] as number;
			let times = Math.floor(rate * (dayIndex + 1) + phase) - Math.floor(rate * dayIndex + phase);
			if (loose[h]) {
				// The phase is where the cadence stands; it walks on with the scatter of single days.
				const more = Math.max(0, rate * differs + Math.sqrt(day.dispersion * rate) * random.quickNormal());
				times = Math.floor(phase + more);
				draw.phase[h] = phase + more - times;
			}
			counts[h] = times;
			if (times === 0) continue;
			const way = ofHabit[h] as number;
			means[way] = (means[way] as number) + times * (draw.litresEach[h] as number);
			variances[way] = (variances[way] as number) + times * (scatters[h] as number);
		}
		for (let u = 0; u < lumps.length; u++) {
			const perDay = draw.unlogged[u] as number;
			const way = ofStream[u] as number;
			means[way] = (means[way] as number) + perDay;
			// Lumps at random: the variance of a compound Poisson day.
			variances[way] = (variances[way] as number) + perDay * (lumps[u] as number);
		}
		for (let w = 0; w < count; w++) {
			const variance = variances[w] as number;
			const mean = means[w] as number;
			const litres = variance > 0 ? Math.max(0, mean + Math.sqrt(variance) * random.quickNormal()) : mean;
			if (litres === 0) continue;
			for (let i = 0; i < lanes; i++)
				change[i] = (change[i] as number) + (perLitre[w * lanes + i] as number) * litres;
		}
		for (const { habit, lane, litres } of beside)
			change[lane] = (change[lane] as number) + litres * (counts[habit] as number);
	};
}

/** What all paths came to. */
interface Lived {
	/** by lane: days until it would bind, by path */
	readonly binds: readonly Float64Array[];
	readonly first: Float64Array;
	readonly wins: ReadonlyMap<string, number>;
	/** by lane, then by day */
	readonly byDay: readonly (readonly Spread[])[];
}

const copyDraw = (draw: Draw): Draw => ({
	levels: draw.levels.slice(),
	litresEach: draw.litresEach.slice(),
	timesPerDay: draw.timesPerDay.slice(),
	phase: draw.phase.slice(),
	unlogged: draw.unlogged.slice()
});

/**
 * Lives all paths day by day, each until every tank has come to its end: then the days after are all alike.
 *
 * @param days the horizon, perhaps not whole
 */
function livePaths(
	draws: readonly Draw[],
	lanes: readonly Lane[],
	ways: Ways,
	liveDay: LiveDay,
	random: Random,
	days: number
): Lived {
	const paths = draws.length;
	const binds = lanes.map(() => new Float64Array(paths).fill(days));
	const first = new Float64Array(paths).fill(days);
	const winner = new Int32Array(paths).fill(-1);
	const idle = lanes.map(
		(_, i) =>
			ways.beside.every(({ lane }) => lane !== i) &&
			ways.perLitre.every((perLitre, k) => k % lanes.length !== i || perLitre === 0)
	);
	const levels = lanes.map((_, i) => Float64Array.from(draws, (draw) => draw.levels[i] as number));
	const change = new Float64Array(lanes.length);
	const byDay: Spread[][] = lanes.map(() => []);
	let active = Array.from({ length: paths }, (_, path) => path);
	for (let d = 0; d < Math.ceil(days); d++) {
		const still: number[] = [];
		for (const path of active) {
			liveDay(draws[path] as Draw, d, random, change);
			let moving = false;
			for (let i = 0; i < lanes.length; i++) {
				const lane = lanes[i] as Lane;
				const now = levels[i] as Float64Array;
				const before = now[path] as number;
				const after = before + (change[i] as number);
				const bound = binds[i] as Float64Array;
				if (lane.limitL !== undefined && (bound[path] as number) >= days) {
					const when = d + crossing(before, after, lane.limitL, lane.falls);
					if (when < days) bound[path] = when;
					if (when < (first[path] as number)) {
						first[path] = when;
						winner[path] = i;
					}
				}
				const next = after < 0 ? 0 : after > lane.usableL ? lane.usableL : after;
				if (!idle[i] && next !== (lane.falls ? 0 : lane.usableL)) moving = true;
				now[path] = next;
			}
			if (moving) still.push(path);
		}
		lanes.forEach((_, i) => {
			const last = byDay[i]?.at(-1);
			byDay[i]?.push(active.length === 0 && last ? last : spreadOf((levels[i] as Float64Array).slice()));
		});
		active = still;
	}
	const wins = new Map<string, number>();
	for (const i of winner) {
		const id = lanes[i]?.id;
		if (id !== undefined) wins.set(id, (wins.get(id) ?? 0) + 1);
	}
	return { binds, first, wins, byDay };
}

/**
 * How long the stay can last: lives many possible futures from the joint belief and sees which tank binds first.
 * The same seed gives the same answer.
 *
 * @throws RangeError when `days` or `paths` is not a number of at least 1
 */
export function forecast(estimate: Estimate, options: ForecastOptions): Forecast {
	const { days } = options;
	const paths = options.paths ?? DEFAULT_PATHS;
	if (!(days >= 1)) throw new RangeError(`days is ${days}; look at least 1 day ahead`);
	if (!(paths >= 1)) throw new RangeError(`paths is ${paths}; at least 1 is needed`);
	const day = dayAhead(estimate, {
		persons: options.persons ?? personsNow(estimate),
		measures: options.measures ?? estimate.state.measures
	});
	const lanes = lanesOf(estimate);
	const ways = waysOf(estimate, day, lanes);
	const random = seeded(options.seed ?? DEFAULT_SEED);
	const nextDraw = drawer(estimate, day, lanes);
	const draws = Array.from({ length: paths }, () => copyDraw(nextDraw(random)));
	const { binds, first, wins, byDay } = livePaths(
		draws,
		lanes,
		ways,
		liver(day, ways, lanes.length),
		random,
		days
	);
	return {
		autonomyDays: spreadOf(first),
		binding: [...wins]
			.map(([tank, count]) => ({ tank, probability: count / paths }))
			.sort((a, b) => b.probability - a.probability),
		tanks: lanes.map((lane, i) => ({
			id: lane.id,
			days: spreadOf(binds[i] ?? new Float64Array([days])),
			byDay: (byDay[i] ?? []).map((spread, d) => ({ day: d + 1, ...spread }))
		}))
	};
}

/** The part of a day after which a level that changes evenly passes its limit; Infinity when it does not. */
function crossing(before: number, after: number, limit: number, falls: boolean): number {
	if (falls ? before <= limit : before >= limit) return 0;
	if (falls ? after > limit : after < limit) return Infinity;
	return (limit - before) / (after - before);
}
