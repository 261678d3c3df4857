import { dayAhead, DAY_DIFFERS, gainOf, personsNow, unloggedGain, type DayAhead } from '../habits/index.js';
import type { Estimate } from '../estimate/index.js';
import { bindsAt, isCarried, usableOf } from '../rig/index.js';
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

/** A tank as the paths see it: where it is in the state, and what each habit brings it. */
interface Lane {
	readonly id: string;
	readonly pool: number;
	readonly share: number;
	readonly usableL: number;
	/** litres at which it binds; a carried supply never does */
	readonly limitL: number | undefined;
	readonly falls: boolean;
	/** by habit: litres per litre of one time, and beside it */
	readonly perLitre: readonly number[];
	readonly fixed: readonly number[];
	/** by stream of unlogged use: what one litre brings */
	readonly unlogged: readonly number[];
}

function lanesOf(estimate: Estimate, day: DayAhead): readonly Lane[] {
	const { rig, places } = estimate.model;
	return rig.tanks.map((tank) => {
		const gains = day.habits.map(({ flow }) => gainOf(estimate, flow, tank.id));
		return {
			id: tank.id,
			pool: places.get(tank.id)?.pool.index ?? 0,
			share: places.get(tank.id)?.share ?? 1,
			usableL: usableOf(tank),
			limitL: isCarried(rig, tank) ? undefined : bindsAt(tank),
			falls: tank.holds === 'fresh',
			perLitre: gains.map(({ perLitre }) => perLitre),
			fixed: gains.map(({ fixed }) => fixed),
			unlogged: day.unlogged.map((stream) => unloggedGain(estimate, stream, tank.id))
		};
	});
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

/** Adds one day of one path to each lane's change: whole times at their cadence, each with its scatter. */
function liveDay(
	day: DayAhead,
	lanes: readonly Lane[],
	draw: Draw,
	dayIndex: number,
	random: Random,
	change: Float64Array
): void {
	change.fill(0);
	const differs = Math.max(0, 1 + DAY_DIFFERS * random.normal());
	for (let h = 0; h < day.habits.length; h++) {
		const ahead = day.habits[h];
		if (!ahead) continue;
		const rate = draw.timesPerDay[h] ?? 0;
		const phase = draw.phase[h] ?? 0;
		const due = Math.floor(rate * (dayIndex + 1) + phase) - Math.floor(rate * dayIndex + phase);
		const count = ahead.cadence.sd > 0 ? due * differs : due;
		if (count === 0) continue;
		const scatter = ahead.scatterL > 0 ? ahead.scatterL * Math.sqrt(count) * random.normal() : 0;
		const litres = Math.max(0, count * (draw.litresEach[h] ?? 0) + scatter);
		for (let i = 0; i < lanes.length; i++) {
			const lane = lanes[i];
			if (lane)
				change[i] = (change[i] ?? 0) + (lane.perLitre[h] ?? 0) * litres + (lane.fixed[h] ?? 0) * count;
		}
	}
	for (let u = 0; u < day.unlogged.length; u++) {
		const perDay = draw.unlogged[u] ?? 0;
		if (perDay === 0) continue;
		const lumpL = day.unlogged[u]?.lumpL ?? 0;
		// Lumps at random: the mean and variance of a compound Poisson day.
		const litres = lumpL > 0 ? Math.max(0, perDay + Math.sqrt(perDay * lumpL) * random.normal()) : perDay;
		for (let i = 0; i < lanes.length; i++)
			change[i] = (change[i] ?? 0) + (lanes[i]?.unlogged[u] ?? 0) * litres;
	}
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
	const horizon = Math.ceil(days);
	const day = dayAhead(estimate, {
		persons: options.persons ?? personsNow(estimate),
		measures: options.measures ?? estimate.tally.measures
	});
	const lanes = lanesOf(estimate, day);
	const random = seeded(options.seed ?? DEFAULT_SEED);
	const nextDraw = drawer(estimate, day, lanes);
	const binds = lanes.map(() => new Float64Array(paths).fill(days));
	const levels = lanes.map(() => Array.from({ length: horizon }, () => new Float64Array(paths)));
	const first = new Float64Array(paths).fill(days);
	const wins = new Map<string, number>();
	const change = new Float64Array(lanes.length);
	for (let path = 0; path < paths; path++) {
		const draw = nextDraw(random);
		const now = draw.levels;
		let winner: string | undefined;
		for (let d = 0; d < horizon; d++) {
			liveDay(day, lanes, draw, d, random, change);
			lanes.forEach((lane, i) => {
				const before = now[i] ?? 0;
				const after = before + (change[i] ?? 0);
				const bound = binds[i];
				if (lane.limitL !== undefined && bound && (bound[path] ?? 0) >= days) {
					const when = d + crossing(before, after, lane.limitL, lane.falls);
					if (when < days) bound[path] = when;
					if (when < (first[path] ?? 0)) {
						first[path] = when;
						winner = lane.id;
					}
				}
				now[i] = Math.min(Math.max(after, 0), lane.usableL);
				const byDay = levels[i]?.[d];
				if (byDay) byDay[path] = now[i] ?? 0;
			});
		}
		if (winner !== undefined) wins.set(winner, (wins.get(winner) ?? 0) + 1);
	}
	return {
		autonomyDays: spreadOf(first),
		binding: [...wins]
			.map(([tank, count]) => ({ tank, probability: count / paths }))
			.sort((a, b) => b.probability - a.probability),
		tanks: lanes.map((lane, i) => ({
			id: lane.id,
			days: spreadOf(binds[i] ?? new Float64Array([days])),
			byDay: (levels[i] ?? []).map((values, d) => ({ day: d + 1, ...spreadOf(values) }))
		}))
	};
}

/** The part of a day after which a level that changes evenly passes its limit; Infinity when it does not. */
function crossing(before: number, after: number, limit: number, falls: boolean): number {
	if (falls ? before <= limit : before >= limit) return 0;
	if (falls ? after > limit : after < limit) return Infinity;
	return (limit - before) / (after - before);
}
