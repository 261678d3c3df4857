import { dayAhead, litresOf, gainOf, personsNow } from '../habits/index.js';
import { DAY_MS, personsAt, type Estimate } from '../estimate/index.js';
import { drawPaths } from './draws.js';
import { lanesOf, waysOf, type Lane } from './lanes.js';
import { daysOf } from './liveDay.js';
import { livePaths, type Lived } from './paths.js';
import { spreadOf, type Spread } from './quantile.js';

export interface ForecastOptions {
	/** how far to look, days; at least 1 */
	readonly days: number;
	/** who is aboard from now on; as written and planned when absent */
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

const DEFAULT_PATHS = 2000;
const DEFAULT_SEED = 20;

/** One more time of a habit, here and now. */
interface OneMore {
	readonly habit: string;
}

/** Two forecasts to be compared. */
export interface ComparedOptions extends ForecastOptions {
	/** the tank that ends the stay: what happens to others moves it by nothing */
	readonly about?: string | undefined;
}

/** Lives the paths of an estimate. */
function lived(
	estimate: Estimate,
	options: ComparedOptions,
	wanted: 'levels by day' | 'all bounds' | 'the one asked about',
	more?: OneMore
): { readonly lanes: readonly Lane[]; readonly lived: Lived; readonly paths: number } {
	const { days, paths = DEFAULT_PATHS, seed = DEFAULT_SEED } = options;
	if (!(days >= 1)) throw new RangeError(`days is ${days}; look at least 1 day ahead`);
	if (!(paths >= 1)) throw new RangeError(`paths is ${paths}; at least 1 is needed`);
	// The day is made for whoever is aboard now, or for one where nobody is: others may come.
	const persons = options.persons ?? Math.max(personsNow(estimate), 1);
	const measures = options.measures ?? estimate.state.measures;
	const day = dayAhead(estimate, { persons, measures });
	const lanes = lanesOf(estimate);
	const ways = waysOf(estimate, day, lanes);
	const asked = lanes.findIndex(({ id }) => id === options.about);
	const draws = drawPaths(estimate, day, lanes, paths, seed, options.about);
	if (more) {
		const at = day.habits.findIndex(({ habit }) => habit.id === more.habit);
		const flow = day.habits[at]?.flow;
		if (flow)
			lanes.forEach(({ id }, i) => {
				const gain = gainOf(estimate, flow, id);
				const levels = draws.levels[i] as Float64Array;
				for (let path = 0; path < paths; path++)
					levels[path] = (levels[path] as number) + litresOf(gain, draws.litresEach[at]?.[path] as number);
			});
	}
	const aboard =
		options.persons === undefined
			? (d: number) => personsAt(estimate.model.crew, estimate.atMs + (d + 0.5) * DAY_MS) / persons
			: () => 1;
	const ahead = daysOf(day, ways, draws, aboard, paths, seed);
	return {
		lanes,
		lived: livePaths(draws, lanes, ways, ahead, days, wanted === 'the one asked about' ? asked : wanted),
		paths
	};
}

/**
 * How long the stay can last: lives many possible futures from the joint belief and sees which tank binds first.
 * The same seed gives the same answer.
 *
 * @throws RangeError when `days` or `paths` is not a number of at least 1
 */
export function forecast(estimate: Estimate, options: ForecastOptions): Forecast {
	const {
		lanes,
		lived: { binds, first, wins, byDay },
		paths
	} = lived(estimate, options, 'levels by day');
	return {
		autonomyDays: spreadOf(first),
		binding: [...wins]
			.map(([tank, count]) => ({ tank, probability: count / paths }))
			.sort((a, b) => b.probability - a.probability),
		tanks: lanes.map((lane, i) => ({
			id: lane.id,
			days: spreadOf(binds[i] ?? new Float64Array([options.days])),
			byDay: (byDay[i] ?? []).map((spread, d) => ({ day: d + 1, ...spread }))
		}))
	};
}

/** When the stay ends, for comparing: see `autonomyOf`. */
export interface Autonomy {
	/** the tank that most often binds first; none where no tank binds within the days looked at */
	readonly tank: string | undefined;
	/** days until each tank binds, about the median */
	readonly days: ReadonlyMap<string, number>;
}

/** The middle of the paths that is averaged, shares. */
const MIDDLE = [0.35, 0.65] as const;

/** The mean of the middle third of some numbers: their median, but for its jumps from one to the next. */
function middleOf(values: Float64Array): number {
	const sorted = values.slice().sort();
	const middle = sorted.subarray(
		Math.floor(MIDDLE[0] * sorted.length),
		Math.max(1, Math.ceil(MIDDLE[1] * sorted.length))
	);
	return middle.reduce((sum, days) => sum + days, 0) / middle.length;
}

/**
 * Days until the tank that is asked about binds, about the median: for comparing.
 *
 * @param more one more time of a habit, now
 */
export function daysOfOne(
	estimate: Estimate,
	options: ComparedOptions & { readonly about: string },
	more?: OneMore
): number {
	const { lanes, lived: one } = lived(estimate, options, 'the one asked about', more);
	const binds = one.binds[lanes.findIndex(({ id }) => id === options.about)];
	return binds ? middleOf(binds) : options.days;
}

/** When each tank binds, for comparing two estimates that differ by little: both are lived with the same chances. */
export function autonomyOf(estimate: Estimate, options: ComparedOptions): Autonomy {
	const {
		lanes,
		lived: { binds, wins }
	} = lived(estimate, options, 'all bounds');
	return {
		tank: [...wins].sort((a, b) => b[1] - a[1])[0]?.[0],
		days: new Map(lanes.map(({ id }, i) => [id, middleOf(binds[i] ?? new Float64Array([options.days]))]))
	};
}

/** By how many days the stay gets longer: that of the tank that ends it, or from the one's end to the other's. */
export const gainedDays = (before: Autonomy, after: Autonomy): number =>
	(after.days.get(after.tank ?? before.tank ?? '') ?? 0) -
	(before.days.get(before.tank ?? after.tank ?? '') ?? 0);
