import * as PARAMETERS from '../parameters.js';
import { DAY_MS, riseOf, type Estimate } from '../estimate/index.js';
import { emptyOf, fullSdOf } from '../rig/index.js';
import { outsetOf, type ForecastOptions, type Outset } from './forecast.js';
import { aboard, choleskyOf, normalAt, spreadOut, streamOf, type Lane, type Step } from './sampler/index.js';

/**
 * What may come to each tank along a time if nothing is filled or dumped and no tank ever ends: a plan asks it for every
 * stretch between two services. Each list is by lane (a tank), then by path.
 */
export interface Course {
	readonly lanes: readonly Lane[];
	readonly paths: number;
	/** days of use between two moments, ms: of the waking day, or by the clock where the rig says exactly how often all is done */
	readonly daysOfUse: (fromMs: number, toMs: number) => number;
	/** the moments that `come` stands for, ms, rising from the beginning */
	readonly knots: readonly number[];
	/** by lane, then by knot, then by path: litres that have come to it since the beginning (fresh: less than nothing) */
	readonly come: readonly (readonly Float64Array[])[];
	/** litres at the beginning */
	readonly levels: readonly Float64Array[];
	/** what serves */
	readonly usable: readonly Float64Array[];
	/** after a service: a fresh tank filled to the brim, or what a dump leaves */
	readonly served: readonly Float64Array[];
}

export interface CourseOptions extends Omit<ForecastOptions, 'days'> {
	readonly toMs: number;
}

/** Few paths do for a share of all; more of them where it costs little. */
const PATHS = 1000;
const LEAST_PATHS = 100;
/** As many days as are lived on all the paths in a tenth of a second. */
const QUICK_DAYS = 120;
/** A day differs from others, and its hours from each other: a stretch may begin and end in the middle of one. */
const PARTS_OF_DAY = 4;

/** A step cut where a part of a day ends; in days from now. */
function inParts(step: Step): readonly { readonly step: Step; readonly from: number; readonly to: number }[] {
	const [from, to] = [step.start, step.start + step.length];
	const first = Math.floor(from * PARTS_OF_DAY + 1e-9) + 1;
	const count = Math.max(0, Math.ceil(to * PARTS_OF_DAY - 1e-9) - first);
	const cuts = Array.from({ length: count }, (_, i) => (first + i) / PARTS_OF_DAY);
	return [...cuts, to].map((end, i) => ({ step, from: i === 0 ? from : (cuts[i - 1] as number), to: end }));
}

/** What a day brings while nothing changes, and how days differ. */
interface Pace {
	/** by lane, then by path: litres a day */
	readonly perDay: readonly Float64Array[];
	/** lower triangular root of the correlation of single days about that, lane by lane */
	readonly root: Float64Array;
	/** by lane: the deviation of a day, litres, and its skewness */
	readonly sd: Float64Array;
	readonly skewness: Float64Array;
}

/**
 * A standardised gamma of a skewness from a standard normal (Wilson and Hilferty 1931): a shower more is more than a shower
 * less, and what is rare decides when a tank binds.
 */
function skewed(z: number, skewness: number): number {
	if (Math.abs(skewness) < 1e-3) return z;
	const s = skewness / 6;
	const root = Math.max(0, 1 + s * z - s * s);
	return (root * root * root - 1) / (3 * s);
}
const MOST_SKEWED = 1.8;
/** of a factor about 1 that is lognormal, for each unit of its deviation */
const LOGNORMAL_SKEW = 3;

const meanOf = (values: Float64Array): number =>
	values.reduce((sum, value) => sum + value, 0) / values.length;

/**
 * The pace of a step. Days differ as in a forecast: each habit by how often (busy and quiet days, and at random) and by its
 * scatter, what nobody writes down by its lumps, and all together; but as gammas, since many of them are summed up.
 */
function paceOf({ day, lanes, draws, measures, paths, gains }: Outset, step: Step): Pace {
	const { habits, unlogged } = gains(measures, step);
	const perDay = lanes.map(() => new Float64Array(paths));
	const covariance = new Float64Array(lanes.length ** 2);
	const third = new Float64Array(lanes.length);
	const together = new Float64Array(lanes.length);
	/** something that is independent of all else, by how far it moves each lane, and its skewness */
	const differs = (along: readonly number[], skewness: number): void =>
		along.forEach((a, i) => {
			third[i] = (third[i] as number) + skewness * a ** 3;
			along.forEach((b, k) => {
				const at = i * lanes.length + k;
				covariance[at] = (covariance[at] as number) + a * b;
			});
		});
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
		if (scatterL > 0)
			differs(
				gain.map((one) => (one?.perLitre ?? 0) * scatterL * Math.sqrt(often)),
				0
			);
		if (!(cadence.sd > 0)) return;
		if (!(often > 0)) return;
		// Counts are as skewed as they are scattered; busy days are so by the factor that they are.
		differs(
			once.map((litres) => litres * Math.sqrt(day.dispersion * often)),
			Math.sqrt(day.dispersion / often)
		);
		differs(
			once.map((litres) => litres * PARAMETERS.habitDayDiffers * often),
			LOGNORMAL_SKEW * PARAMETERS.habitDayDiffers
		);
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
		if (!(usual > 0)) return;
		// A compound Poisson of lumps that are exponential about their mean would have 3/√2; of equal lumps, 1.
		differs(
			gain.map((perLitre) => perLitre * Math.sqrt(usual * lumpL)),
			Math.sqrt(lumpL / usual)
		);
		differs(
			gain.map((perLitre) => perLitre * PARAMETERS.habitDayDiffers * usual),
			LOGNORMAL_SKEW * PARAMETERS.habitDayDiffers
		);
		gain.forEach((perLitre, i) => (together[i] = (together[i] as number) + perLitre * usual));
	});
	differs(
		[...together].map((litres) => PARAMETERS.dayDiffers * litres),
		LOGNORMAL_SKEW * PARAMETERS.dayDiffers
	);
	const all = Int32Array.from({ length: paths }, (_, path) => path);
	for (const change of perDay) spreadOut(change, all, draws.spread);
	const sd = Float64Array.from(lanes, (_, i) => Math.sqrt(covariance[i * (lanes.length + 1)] as number));
	const correlation = covariance.map((value, at) => {
		const of = (sd[Math.floor(at / lanes.length)] as number) * (sd[at % lanes.length] as number);
		return of > 0 ? value / of : 0;
	});
	return {
		perDay,
		root: choleskyOf(correlation, lanes.length, [...lanes.keys()]),
		sd,
		skewness: third.map((value, i) => ((sd[i] as number) > 0 ? value / (sd[i] as number) ** 3 : 0))
	};
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
	// A part of a day that is cut off draws elsewhere, so that all that comes later draws what it drew.
	const cutChances = lanes.map((_, i) => streamOf(seed, 'day', lanes.length + i + 1));
	const byChance = lanes.map(() => new Float64Array(paths));
	const paces = new Map<string, Pace>();
	const byClock = (fromMs: number, toMs: number): number => Math.max(0, (toMs - fromMs) / DAY_MS);
	const exact = outset.day.habits.every(({ cadence }) => cadence.sd === 0);
	const daysOfUse = exact ? byClock : estimate.model.diurnalUse.days;
	for (const { step, from, to } of steps.flatMap(inParts)) {
		const whole = Number.isInteger(from * PARTS_OF_DAY);
		(whole ? chances : cutChances).forEach((chance, i) => {
			const drawn = byChance[i] as Float64Array;
			for (let path = 0; path < paths; path++) drawn[path] = normalAt(chance.slot());
		});
		const { persons, climate, mains, sewer } = step;
		const key = JSON.stringify([persons, climate.maxC, climate.exertion, mains, sewer]);
		const pace = paces.get(key) ?? paceOf(outset, step);
		paces.set(key, pace);
		const toMs = atMs + to * DAY_MS;
		const length = daysOfUse(knots.at(-1) ?? atMs, toMs);
		const root = Math.sqrt(length);
		lanes.forEach((_, i) => {
			const before = come[i]?.at(-1) as Float64Array;
			const [perDay, now] = [pace.perDay[i] as Float64Array, new Float64Array(paths)];
			for (let path = 0; path < paths; path++)
				now[path] = (before[path] as number) + length * (perDay[path] as number);
			const spread = draws.spread * PARAMETERS.courseScatter * root * (pace.sd[i] as number);
			if (spread > 0) {
				// A sum of many such parts is as skewed as one of them, less by the root of their number.
				const skewness = Math.max(-MOST_SKEWED, Math.min(MOST_SKEWED, (pace.skewness[i] as number) / root));
				for (let path = 0; path < paths; path++) {
					let z = 0;
					for (let k = 0; k <= i; k++)
						z += (pace.root[i * lanes.length + k] as number) * (byChance[k]?.[path] as number);
					now[path] = (now[path] as number) + spread * skewed(z, skewness);
				}
			}
			come[i]?.push(now);
		});
		knots.push(toMs);
	}
	const { tanks } = estimate.model.rig;
	return {
		lanes,
		paths,
		daysOfUse,
		knots,
		come,
		levels: draws.levels,
		usable: draws.usable,
		served: lanes.map(({ id, falls }, i) => {
			const tank = tanks.find((one) => one.id === id);
			const random = streamOf(seed, 'served', i);
			const drawn = Float64Array.from({ length: paths }, () => normalAt(random.slot()));
			if (!tank) return drawn.fill(0);
			const usable = draws.usable[i] as Float64Array;
			// Nobody fills beyond the brim; one who does all by the clock fills just to it.
			if (falls)
				return exact
					? usable
					: usable.map((full, path) => full - Math.abs(fullSdOf(tank) * (drawn[path] as number)));
			return drawn.map((z) => Math.max(0, emptyOf(tank) * (1 + PARAMETERS.residual * z)));
		})
	};
}

/** What has come to a lane by a moment, by path: between two knots as the day goes. */
export function comeBy({ knots, come, paths, daysOfUse }: Course, lane: number, ms: number): Float64Array {
	const of = come[lane] ?? [];
	let next = knots.findIndex((knot) => knot >= ms);
	if (next < 0) next = knots.length - 1;
	const after = of[next] ?? new Float64Array(paths);
	const before = of[next - 1];
	if (!before) return after;
	const [from, to] = [knots[next - 1] as number, knots[next] as number];
	const whole = daysOfUse(from, to);
	const part = whole > 0 ? Math.min(1, daysOfUse(from, ms) / whole) : 0;
	return before.map((litres, path) => litres + part * ((after[path] as number) - litres));
}
