import * as PARAMETERS from '../parameters.js';
import { DAY_MS, riseOf, type Estimate } from '../estimate/index.js';
import { emptyOf } from '../rig/index.js';
import { outsetOf, type ForecastOptions, type Outset } from './forecast.js';
import { aboard, choleskyOf, normalAt, streamOf, type Lane, type Step } from './sampler/index.js';

/**
 * What may come to each tank along a time if nothing is filled or dumped and no tank ever ends: a plan asks it for every
 * stretch between two services. Each list is by lane (a tank), then by path.
 */
export interface Course {
	readonly lanes: readonly Lane[];
	readonly paths: number;
	/** the moments that `come` stands for, ms, rising from the beginning */
	readonly knots: readonly number[];
	/** by lane, then by knot, then by path: litres that have come to it since the beginning (fresh: less than nothing) */
	readonly come: readonly (readonly Float64Array[])[];
	/** litres at the beginning */
	readonly levels: readonly Float64Array[];
	/** what serves */
	readonly usable: readonly Float64Array[];
	/** what a dump leaves, or nothing */
	readonly residue: readonly Float64Array[];
}

export interface CourseOptions extends Omit<ForecastOptions, 'days'> {
	readonly toMs: number;
}

/** Few paths do for a share of all; more of them where it costs little. */
const PATHS = 1000;
const LEAST_PATHS = 100;
/** As many days as are lived on all the paths in a tenth of a second. */
const QUICK_DAYS = 366;

/** What a day brings while nothing changes, and how days differ. */
interface Pace {
	/** by lane, then by path: litres a day */
	readonly perDay: readonly Float64Array[];
	/** lower triangular root of the covariance of single days about that, lane by lane */
	readonly scatter: Float64Array;
}

const meanOf = (values: Float64Array): number =>
	values.reduce((sum, value) => sum + value, 0) / values.length;

/**
 * The pace of a step. Days differ as in a forecast: each habit by how often (busy and quiet days, and at random) and by its
 * scatter, what nobody writes down by its lumps, and all together; but as normals, since many of them are summed up.
 */
function paceOf({ day, lanes, draws, measures, paths, gains }: Outset, step: Step): Pace {
	const { habits, unlogged } = gains(measures, step);
	const perDay = lanes.map(() => new Float64Array(paths));
	const covariance = new Float64Array(lanes.length ** 2);
	const together = new Float64Array(lanes.length);
	const differs = (along: readonly number[]): void =>
		along.forEach((a, i) =>
			along.forEach((b, k) => {
				const at = i * lanes.length + k;
				covariance[at] = (covariance[at] as number) + a * b;
			})
		);
	const busy = PARAMETERS.habitDayDiffers ** 2;
	day.habits.forEach(({ habit, perPerson, scatterL, cadence }, h) => {
		const share = cadence.rarer * aboard(perPerson, step, day) * riseOf(habit, step.climate);
		const [times, each] = [draws.timesPerDay[h] as Float64Array, draws.litresEach[h] as Float64Array];
		const [often, eachL] = [share * meanOf(times), meanOf(each)];
		const gain = lanes.map((_, i) => habits[i]?.find((one) => one.habit === h));
		gain.forEach((one, i) => {
			if (!one) return;
			const to = perDay[i] as Float64Array;
			for (let path = 0; path < paths; path++)
				to[path] =
					(to[path] as number) +
					share * (times[path] as number) * (one.perLitre * (each[path] as number) + one.fixed);
		});
		const once = gain.map((one) => (one ? one.perLitre * eachL + one.fixed : 0));
		if (scatterL > 0) differs(gain.map((one) => (one?.perLitre ?? 0) * scatterL * Math.sqrt(often)));
		if (!(cadence.sd > 0)) return;
		differs(once.map((litres) => litres * Math.sqrt(day.dispersion * often + busy * often ** 2)));
		once.forEach((litres, i) => (together[i] = (together[i] as number) + litres * often));
	});
	day.unlogged.forEach(({ habit, perPerson, lumpL }, u) => {
		const share = aboard(perPerson, step, day) * (habit ? riseOf(habit, step.climate) : 1);
		const rate = draws.unlogged[u] as Float64Array;
		const usual = share * meanOf(rate);
		const gain = lanes.map((_, i) => unlogged[i]?.find((one) => one.stream === u)?.perLitre ?? 0);
		gain.forEach((perLitre, i) => {
			const to = perDay[i] as Float64Array;
			for (let path = 0; path < paths; path++)
				to[path] = (to[path] as number) + perLitre * share * (rate[path] as number);
		});
		if (!(lumpL > 0)) return;
		differs(gain.map((perLitre) => perLitre * Math.sqrt(usual * lumpL + busy * usual ** 2)));
		gain.forEach((perLitre, i) => (together[i] = (together[i] as number) + perLitre * usual));
	});
	differs([...together].map((litres) => PARAMETERS.dayDiffers * litres));
	return { perDay, scatter: choleskyOf(covariance, lanes.length, [...lanes.keys()]) };
}

/**
 * Lives the paths of an estimate evenly, in litres and not in whole times: a stretch of days is asked for, whatever the
 * hour at which something is done. The same seed gives the same course; it does not end when a tank does.
 */
export function courseOf(estimate: Estimate, options: CourseOptions): Course {
	const { atMs } = estimate;
	const days = Math.max(1, (options.toMs - atMs) / DAY_MS);
	const paths =
		options.paths ?? Math.max(LEAST_PATHS, Math.min(PATHS, Math.floor((PATHS * QUICK_DAYS) / days)));
	const outset = outsetOf(estimate, { ...options, days, paths });
	const { lanes, draws, steps, seed } = outset;
	const come: Float64Array[][] = lanes.map(() => [new Float64Array(paths)]);
	const knots = [atMs];
	const chances = lanes.map((_, i) => streamOf(seed, 'day', i + 1));
	const today = lanes.map(() => new Float64Array(paths));
	const paces = new Map<string, Pace>();
	let day = -1;
	for (const step of steps) {
		if (step.day !== day)
			chances.forEach((chance, i) =>
				today[i]?.forEach((_, path, all) => (all[path] = normalAt(chance.slot())))
			);
		day = step.day;
		const { persons, climate, mains, sewer } = step;
		const key = JSON.stringify([persons, climate.maxC, climate.exertion, mains, sewer]);
		const pace = paces.get(key) ?? paceOf(outset, step);
		paces.set(key, pace);
		lanes.forEach((_, i) => {
			const before = come[i]?.at(-1) as Float64Array;
			const [perDay, now] = [pace.perDay[i] as Float64Array, new Float64Array(paths)];
			for (let path = 0; path < paths; path++) {
				let litres = perDay[path] as number;
				for (let k = 0; k <= i; k++)
					litres += (pace.scatter[i * lanes.length + k] as number) * (today[k]?.[path] as number);
				now[path] = (before[path] as number) + step.length * litres;
			}
			come[i]?.push(now);
		});
		knots.push(atMs + (step.start + step.length) * DAY_MS);
	}
	const { tanks } = estimate.model.rig;
	return {
		lanes,
		paths,
		knots,
		come,
		levels: draws.levels,
		usable: draws.usable,
		residue: lanes.map(({ id }, i) => {
			const tank = tanks.find((one) => one.id === id);
			const left = tank ? emptyOf(tank) : 0;
			const random = streamOf(seed, 'residue', i);
			return Float64Array.from({ length: paths }, () =>
				Math.max(0, left * (1 + PARAMETERS.residual * normalAt(random.slot())))
			);
		})
	};
}

/** What has come to a lane by a moment, by path: evenly between two knots. */
export function comeBy({ knots, come, paths }: Course, lane: number, ms: number): Float64Array {
	const of = come[lane] ?? [];
	let next = knots.findIndex((knot) => knot >= ms);
	if (next < 0) next = knots.length - 1;
	const after = of[next] ?? new Float64Array(paths);
	const before = of[next - 1];
	if (!before) return after;
	const [from, to] = [knots[next - 1] as number, knots[next] as number];
	const part = Math.min(1, (ms - from) / (to - from));
	return before.map((litres, path) => litres + part * ((after[path] as number) - litres));
}
