import { runToCompletion, type Spread, spreadOf } from '../numerics/index.js';
import { dayAhead, gainOf, litresOf, personsNow, type DayAhead } from '../habits/index.js';
import type { Estimate } from '../estimate/index.js';
import { seaKey, valvesKey } from '../rig/index.js';
import { useClockOf, type UseClock } from './useClock.js';
import {
	drawPaths,
	laneGainsOf,
	lanesOf,
	livePaths,
	dayPartsAhead,
	usesOf,
	type Draws,
	type LaneGains,
	type Lane,
	type Lived,
	type Living,
	type DayPart
} from './sampler/index.js';

/** How far ahead is looked, days, and for whom; on how many paths, drawn with which seed. */
export interface ForecastOptions {
	/** how far to look, days of use, which are days by the clock where they are whole; at least 1 */
	readonly days: number;
	/** who is aboard from now on; as written and planned when absent */
	readonly persons?: number | undefined;
	/** ids of the measures in force from now on; those in force now when absent */
	readonly measures?: readonly string[] | undefined;
	readonly paths?: number | undefined;
	readonly seed?: number | undefined;
}

/** When one tank binds, days from now, and its level by day, litres, at 10, 50 and 90 %. */
export interface TankForecast {
	readonly id: string;
	/** days until this tank would bind by itself; `days` where it never does within them */
	readonly days: Spread;
	/** the same with all that is poured into it or stands in for it; absent where nothing is */
	readonly withCarried?: Spread;
	/** litres after each whole day from now */
	readonly byDay: readonly (Spread & { readonly day: number })[];
}

/** Days until a tank binds, counting what stands behind it. */
export const lastingOf = ({ days, withCarried = days }: Pick<TankForecast, 'days' | 'withCarried'>): Spread =>
	withCarried;

/** How long the stay lasts, days, which tank ends it, and each tank by itself. */
export interface Forecast {
	/** days until the first tank binds: one chance in ten that it is sooner than p10 */
	readonly autonomyDays: Spread;
	/** the chance of each tank to be the first to bind within the days looked at; tanks without a chance are left out */
	readonly binding: readonly { readonly tank: string; readonly probability: number }[];
	readonly tanks: readonly TankForecast[];
}

/** Nobody is told of more than a year ahead, days. */
export const MOST_DAYS = 366;

const DEFAULT_PATHS = 2000;
const DEFAULT_SEED = 20;

/** Good for differences, since the same few are drawn with and without. */
export const COMPARED_PATHS = 1000;

/** Some more times of a habit, here and now. */
export interface More {
	readonly habit: string;
	readonly times: number;
}

/** Two forecasts to be compared. */
export interface ComparedOptions extends ForecastOptions {
	/** the tank that is asked about: what happens to others moves none of its draws */
	readonly about?: string | undefined;
	/** what is done at once, before the first day begins */
	readonly more?: readonly More[] | undefined;
}

/** Everything that the paths of an estimate begin with. */
export interface Outset {
	readonly day: DayAhead;
	readonly lanes: readonly Lane[];
	readonly draws: Draws;
	readonly paths: number;
	readonly seed: number;
	readonly measures: readonly string[];
	readonly clock: UseClock;
	readonly steps: readonly DayPart[];
	/** what comes of use under some measures, in a step: those of its hook-ups, and of what is ashore */
	gains(measures: readonly string[], step: DayPart): LaneGains;
}

/** The paths of an estimate before their first day. */
export function outsetOf(estimate: Estimate, options: ComparedOptions): Outset {
	const { paths = DEFAULT_PATHS, seed = DEFAULT_SEED } = options;
	// The day is made for whoever is aboard now, or for one where nobody is: others may come.
	const persons = Math.max(options.persons ?? personsNow(estimate), 1);
	const measures = options.measures ?? estimate.state.measures;
	const day = dayAhead(estimate, { persons, measures });
	const lanes = lanesOf(estimate);
	const draws = drawPaths(estimate, day, lanes, paths, seed, options.about);
	for (const { habit, times } of options.more ?? []) {
		const at = day.habits.findIndex((one) => one.habit.id === habit);
		const ahead = day.habits[at];
		if (!ahead) continue;
		lanes.forEach(({ id }, i) => {
			const gain = gainOf(estimate, ahead.flow, id);
			const levels = draws.levels[i] as Float64Array;
			for (let path = 0; path < paths; path++)
				levels[path] =
					(levels[path] as number) + times * litresOf(gain, draws.litresEach[at]?.[path] as number);
		});
	}
	const known = new Map<string, LaneGains>();
	const clock = useClockOf(estimate);
	return {
		day,
		lanes,
		draws,
		paths,
		seed,
		measures,
		clock,
		steps: dayPartsAhead(estimate, clock, options.days, options.persons),
		gains(inForce, hooked) {
			const key = `${hooked.mains}|${valvesKey(hooked.sewer)}|${hooked.ashore}|${seaKey(hooked.sea)}|${inForce.join('|')}`;
			const before = known.get(key);
			if (before) return before;
			const gains = laneGainsOf(estimate, day, lanes, inForce, hooked);
			known.set(key, gains);
			return gains;
		}
	};
}

/** What paths came to, and what they began with. */
interface LivedFrom extends Lived {
	readonly outset: Outset;
}

/** Lives the paths of an estimate; it pauses after each whole day, and can be asked then what it has come to. */
function* lived(
	estimate: Estimate,
	options: ComparedOptions,
	wanted: Living['wanted']
): Generator<() => LivedFrom, LivedFrom> {
	const { days, paths = DEFAULT_PATHS } = options;
	if (!(days >= 1)) throw new RangeError(`days is ${days}; look at least 1 day ahead`);
	if (!(paths >= 1)) throw new RangeError(`paths is ${paths}; at least 1 is needed`);
	const outset = outsetOf(estimate, options);
	const { day, draws, lanes, steps, seed, measures } = outset;
	const rarer = day.habits.map(({ cadence }) => cadence.rarer);
	const uses = usesOf(day, draws, paths, seed, rarer);
	const living = livePaths(draws, lanes, steps, uses, {
		gainsIn: (step) => outset.gains(measures, step),
		days,
		wanted
	});
	for (;;) {
		const { done, value } = living.next();
		if (done) return { ...value, outset };
		yield () => ({ ...value(), outset });
	}
}

/** Days of use, as days by the clock. */
export const byClock = ({ p10, p50, p90 }: Spread, { clockDays }: UseClock): Spread => ({
	p10: clockDays(p10),
	p50: clockDays(p50),
	p90: clockDays(p90)
});

const summaryOf = (
	{ alone, binds, first, wins, byDay, outset: { lanes, paths, clock } }: LivedFrom,
	days: number
): Forecast => ({
	autonomyDays: byClock(spreadOf(first.slice()), clock),
	binding: [...wins]
		.map(([tank, count]) => ({ tank, probability: count / paths }))
		.sort((a, b) => b.probability - a.probability),
	tanks: lanes.map((lane, i) => ({
		id: lane.id,
		days: byClock(spreadOf((alone[i] ?? new Float64Array([days])).slice()), clock),
		...(lane.binds && lane.behind.length > 0
			? { withCarried: byClock(spreadOf((binds[i] ?? new Float64Array([days])).slice()), clock) }
			: {}),
		byDay: (byDay[i] ?? []).map((spread, d) => ({ day: d + 1, ...spread }))
	}))
});

/**
 * How long the stay can last: lives many possible futures from the joint belief and sees which tank binds first.
 * The same seed gives the same answer.
 *
 * @throws RangeError when `days` or `paths` is not a number of at least 1
 */
export const forecast = (estimate: Estimate, options: ForecastOptions): Forecast =>
	runToCompletion(forecastByDay(estimate, options));

/**
 * The same day by day: it pauses after each one, and can be asked then for the forecast as far as it has come. A long one
 * can be drawn as it comes, and stopped.
 */
export function* forecastByDay(
	estimate: Estimate,
	options: ForecastOptions
): Generator<() => Forecast, Forecast> {
	const living = lived(estimate, options, 'levels by day');
	for (;;) {
		const { done, value } = living.next();
		if (done) return summaryOf(value, options.days);
		yield () => summaryOf(value(), options.days);
	}
}

/** When the stay ends, to be compared with another one that is lived with the same chances. */
export interface Autonomy {
	/** days of use until the first tank binds, about the median */
	readonly days: number;
	/** how such days stand to the clock */
	readonly clock: UseClock;
	/** the tank that most often binds first; none where no tank binds within the days looked at */
	readonly tank: string | undefined;
	/** the shares of all paths in which each tank is the first */
	readonly binding: ReadonlyMap<string, number>;
	/** days of use by path */
	readonly first: Float64Array;
}

/** The middle of the paths that is averaged, shares. */
const MIDDLE = [0.35, 0.65] as const;

/** The mean of the middle third of some numbers: their median, but for its jumps from one to the next. */
export function middleOf(values: Float64Array): number {
	const sorted = values.slice().sort();
	const middle = sorted.subarray(
		Math.floor(MIDDLE[0] * sorted.length),
		Math.max(1, Math.ceil(MIDDLE[1] * sorted.length))
	);
	return middle.reduce((sum, days) => sum + days, 0) / middle.length;
}

/** When the stay ends, for comparing. */
export function autonomyOf(estimate: Estimate, options: ComparedOptions): Autonomy {
	const { first, wins, outset } = runToCompletion(lived(estimate, options, 'the first'));
	const most = [...wins].sort((a, b) => b[1] - a[1]);
	return {
		days: middleOf(first),
		clock: outset.clock,
		tank: most[0]?.[0],
		binding: new Map(most.map(([tank, count]) => [tank, count / outset.paths])),
		first
	};
}

/** Days of use until each tank binds with all that stands behind it, by tank and then by path. */
export function boundsOf(estimate: Estimate, options: ComparedOptions): ReadonlyMap<string, Float64Array> {
	const { binds, outset } = runToCompletion(lived(estimate, options, 'all bounds'));
	return new Map(outset.lanes.map(({ id }, i) => [id, binds[i] as Float64Array]));
}
