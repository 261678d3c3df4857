import { type Estimate, flowScatterFactor, residualSdShare } from '../../estimate/index.js';
import { normalAt } from '../../numerics/index.js';
import { chargeOf, emptyOf, fullSdOf, seaKey, valvesKey } from '../../rig/index.js';
import { DAY_MS } from '../../time/index.js';
import { useClockOf } from '../useClock.js';
import { outsetOf, type ForecastOptions, type Outset } from '../forecast.js';
import { chanceStream, type Lane, type DayPart } from '../sampler/index.js';
import { paceOf, type Pace } from './pace.js';

/**
 * What may come to each tank along a time if nothing is filled or dumped and no tank ever ends: a plan asks it for every
 * stretch between two services. Each list is by lane (a tank), then by path.
 */
export interface CumulativeFlow {
	readonly lanes: readonly Lane[];
	readonly paths: number;
	/** days of use between two moments, ms: of the waking day, or by the clock where the rig says exactly how often all is done */
	readonly daysOfUse: (fromMs: number, toMs: number) => number;
	/** the moments that `cumulativeL` stands for, ms, rising from the beginning */
	readonly knots: readonly number[];
	/** by lane, then by knot, then by path: litres that have come to it since the beginning (fresh: less than nothing) */
	readonly cumulativeL: readonly (readonly Float64Array[])[];
	/** litres at the beginning */
	readonly levels: readonly Float64Array[];
	/** what serves */
	readonly usable: readonly Float64Array[];
	/** after a service: a fresh tank filled to the brim, or what a dump leaves */
	readonly served: readonly Float64Array[];
}

/** Until when flows are reckoned, ms, and on which paths. */
export interface CumulativeFlowOptions extends Omit<ForecastOptions, 'days'> {
	readonly toMs: number;
}

/** Few paths do for a share of all; more of them where it costs little. */
const PATHS = 1000;
const LEAST_PATHS = 100;
/** As many days as are lived on all the paths in a tenth of a second. */
const QUICK_DAYS = 120;
/** A day differs from others, and its hours from each other: a stretch may begin and end in the middle of one. */
const PARTS_OF_DAY = 4;

/** A step cut where a part of a day's use ends; in days of use from now. */
function inParts(
	step: DayPart
): readonly { readonly step: DayPart; readonly from: number; readonly to: number }[] {
	const [from, to] = [step.start, step.start + step.length];
	const first = Math.floor(from * PARTS_OF_DAY + 1e-9) + 1;
	const count = Math.max(0, Math.ceil(to * PARTS_OF_DAY - 1e-9) - first);
	const cuts = Array.from({ length: count }, (_, i) => (first + i) / PARTS_OF_DAY);
	return [...cuts, to].map((end, i) => ({ step, from: i === 0 ? from : (cuts[i - 1] as number), to: end }));
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

/**
 * Lives the paths of an estimate evenly, in litres and not in whole times: a stretch of days is asked for, whatever the
 * hour at which something is done. The same seed gives the same flow; it does not end when a tank does.
 */
export function cumulativeFlow(estimate: Estimate, options: CumulativeFlowOptions): CumulativeFlow {
	const { atMs } = estimate;
	const clock = useClockOf(estimate);
	const horizonDays = Math.max(1, clock.useDays((options.toMs - atMs) / DAY_MS));
	const paths =
		options.paths ?? Math.max(LEAST_PATHS, Math.min(PATHS, Math.floor((PATHS * QUICK_DAYS) / horizonDays)));
	const outset = outsetOf(estimate, { ...options, days: horizonDays, paths });
	const { lanes, draws, steps, seed } = outset;
	const chances = lanes.map((_, i) => chanceStream(seed, 'day', i + 1));
	// A part of a day that is cut off draws elsewhere, so that all that comes later draws what it drew.
	const cutChances = lanes.map((_, i) => chanceStream(seed, 'day', lanes.length + i + 1));
	const come: Float64Array[][] = lanes.map(() => [new Float64Array(paths)]);
	const knots = [atMs];
	const byChance = lanes.map(() => new Float64Array(paths));
	const paces = new Map<string, Pace>();
	const weekly = draws.weekend !== undefined || estimate.state.weekFactors.size > 0;
	for (const { step, from, to } of steps.flatMap(inParts)) {
		const whole = Number.isInteger(from * PARTS_OF_DAY);
		(whole ? chances : cutChances).forEach((chance, i) => {
			const drawn = byChance[i] as Float64Array;
			for (let path = 0; path < paths; path++) drawn[path] = normalAt(chance.slot());
		});
		const { persons, climate, week, said, mains, sewer, ashore, sea } = step;
		const key = JSON.stringify([
			persons,
			climate.maxC,
			climate.exertion,
			weekly ? week : [],
			[...said],
			mains,
			valvesKey(sewer),
			ashore,
			seaKey(sea)
		]);
		const pace = paces.get(key) ?? paceOf(outset, step);
		paces.set(key, pace);
		const toMs = clock.atMs(to);
		come.forEach((knot, lane) =>
			knot.push(later(knot.at(-1) as Float64Array, lane, to - from, pace, byChance, draws.spread))
		);
		knots.push(toMs);
	}
	return {
		lanes,
		paths,
		daysOfUse: clock.between,
		knots,
		cumulativeL: come,
		levels: draws.levels,
		usable: draws.usable,
		served: lanes.map((_, i) => afterService(estimate, outset, i, clock.exact))
	};
}

/**
 * What has come to a lane some days of use later, by path.
 *
 * @param byChance by lane, then by path: what chance brings to a day, standard normals
 * @param inflation how many times as far from their middle all paths are brought
 */
function later(
	before: Float64Array,
	lane: number,
	days: number,
	pace: Pace,
	byChance: readonly Float64Array[],
	inflation: number
): Float64Array {
	const root = Math.sqrt(days);
	const perDay = pace.perDay[lane] as Float64Array;
	const now = before.map((litres, path) => litres + days * (perDay[path] as number));
	const spread = inflation * flowScatterFactor * root * (pace.sd[lane] as number);
	if (!(spread > 0)) return now;
	// A sum of many such parts is as skewed as one of them, less by the root of their number.
	const skewness = Math.max(-MOST_SKEWED, Math.min(MOST_SKEWED, (pace.skewness[lane] as number) / root));
	for (let path = 0; path < now.length; path++) {
		let z = 0;
		for (let k = 0; k <= lane; k++) z += pace.root.at(lane, k) * (byChance[k]?.[path] as number);
		now[path] = (now[path] as number) + spread * skewed(z, skewness);
	}
	return now;
}

/** What is in a lane's tank after a service, litres, by path: filled to the brim, or what a dump leaves. */
function afterService(
	estimate: Estimate,
	{ lanes, draws, seed, paths }: Outset,
	lane: number,
	exact: boolean
): Float64Array {
	const { id, falls } = lanes[lane] as Lane;
	const tank = estimate.model.rig.tanks.find((one) => one.id === id);
	const random = chanceStream(seed, 'served', lane);
	const drawn = Float64Array.from({ length: paths }, () => normalAt(random.slot()));
	if (!tank) return drawn.fill(0);
	const usable = draws.usable[lane] as Float64Array;
	if (!falls)
		return drawn.map((z) => Math.max(0, emptyOf(tank) * (1 + residualSdShare * z)) + chargeOf(tank));
	// Nobody fills beyond the brim; one who does all by the clock fills just to it.
	return exact
		? usable
		: usable.map((full, path) => full - Math.abs(fullSdOf(tank) * (drawn[path] as number)));
}

/** What has come to a lane by a moment, by path: between two knots as the day goes. */
export function cumulativeAt(
	{ knots, cumulativeL, paths, daysOfUse }: CumulativeFlow,
	lane: number,
	ms: number
): Float64Array {
	const of = cumulativeL[lane] ?? [];
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
