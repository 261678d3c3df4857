import * as PARAMETERS from '../parameters.js';
import { DAY_MS, type Estimate } from '../estimate/index.js';
import { emptyOf } from '../rig/index.js';
import { outsetOf, type ForecastOptions } from './forecast.js';
import { bring, normalAt, streamOf, usesOf, type Lane } from './sampler/index.js';

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
const QUICK_DAYS = 120;

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
	const { day, lanes, draws, steps, seed, measures } = outset;
	const rarer = day.habits.map(({ cadence }) => cadence.rarer);
	const uses = usesOf(day, draws, paths, seed, rarer, true);
	const all = Int32Array.from({ length: paths }, (_, path) => path);
	const come: Float64Array[][] = lanes.map(() => [new Float64Array(paths)]);
	const knots = [atMs];
	const change = new Float64Array(paths);
	for (const step of steps) {
		uses.live(step, all);
		const gains = outset.gains(measures, step);
		lanes.forEach((_, i) => {
			bring(change, i, gains, uses, all);
			const before = come[i]?.at(-1) as Float64Array;
			come[i]?.push(before.map((litres, path) => litres + (change[path] as number)));
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
