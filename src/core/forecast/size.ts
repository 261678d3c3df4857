import { reserveOf, type Estimate } from '../estimate/index.js';
import { dumpedOf, tankById, usableOf } from '../rig/index.js';
import { COMPARED_PATHS, outsetOf } from './forecast.js';
import { bring, inflateSpread, usesOf, type Lane } from './sampler/index.js';
import { useClockOf } from './useClock.js';

/** What each tank would have to hold for some days, litres; what it holds; and the mass of the water at setting out. */
export interface Size {
	readonly tanks: readonly { readonly id: string; readonly needL: number; readonly hasL: number }[];
	/** kilograms of fresh water at setting out */
	readonly kg: number;
	/** what each would have to hold for fewer days, at the same certainty, in the order of `tanks` */
	readonly byDay: readonly { readonly days: number; readonly needL: readonly number[] }[];
}

/** For how many days by the clock, how surely, for whom and under which measures. */
export interface SizeOptions {
	readonly days: number;
	/** 0 … 0.99 */
	readonly certainty: number;
	/** who is aboard; as written and planned when absent */
	readonly persons?: number | undefined;
	/** measures in force; those that are when absent */
	readonly measures?: readonly string[] | undefined;
	readonly paths?: number | undefined;
	/** the heat of all of its days, °C; as the trips say when absent */
	readonly maxC?: number | undefined;
}

/** What some lanes must have held so far, by path, litres. */
class Needs {
	/** what is missing from a full fresh tank, or stands in one for waste */
	readonly #off: readonly Float64Array[];
	readonly most: readonly Float64Array[];
	readonly #lanes: readonly Lane[];

	constructor(lanes: readonly Lane[], beginL: readonly number[], paths: number) {
		this.#lanes = lanes;
		this.#off = beginL.map((litres) => new Float64Array(paths).fill(litres));
		this.most = lanes.map(() => new Float64Array(paths));
	}

	/** Takes in what a time brings to one lane: beyond the brim nothing is kept. */
	take(i: number, change: Float64Array, part: number, keptL: number): void {
		const [off, most] = [this.#off[i] as Float64Array, this.most[i] as Float64Array];
		const way = this.#lanes[i]?.falls ? -part : part;
		for (let path = 0; path < off.length; path++) {
			const litres = Math.max(0, (off[path] as number) + way * (change[path] as number));
			off[path] = litres;
			most[path] = Math.max(most[path] as number, litres + keptL);
		}
	}
}

/**
 * The least that is enough for each of some needs, so that all of them together are met with a certainty: the same quantile of
 * each, as high as the promise for all asks.
 */
function enoughForAll(needs: readonly Float64Array[], certainty: number): readonly number[] {
	const sorted = needs.map((need) => need.slice().sort());
	const paths = needs[0]?.length ?? 0;
	const met = (rank: number): boolean => {
		let count = 0;
		for (let path = 0; path < paths; path++)
			if (needs.every((need, i) => (need[path] as number) <= (sorted[i]?.[rank] as number))) count++;
		return count >= certainty * paths - 1e-9;
	};
	let [low, high] = [Math.max(0, Math.ceil(certainty * paths) - 1), paths - 1];
	while (low < high) {
		const middle = (low + high) >> 1;
		if (met(middle)) high = middle;
		else low = middle + 1;
	}
	return sorted.map((need) => need[low] ?? 0);
}

/**
 * What each tank would have to hold, its reserve and what is kept for drinking included, so that one who sets out full and with
 * empty waste comes to the end of no tank within some days, with a certainty, all together. Nothing is hooked up, and nothing
 * stands behind a tank.
 *
 * @throws RangeError when `days` is not positive
 */
export function size(
	estimate: Estimate,
	{ days, certainty, paths = COMPARED_PATHS, maxC, ...asked }: SizeOptions
): Size {
	if (!(days > 0)) throw new RangeError(`days is ${days}; ask for more than none`);
	const { rig } = estimate.model;
	const useDays = useClockOf(estimate).useDays(days);
	const outset = outsetOf(estimate, { ...asked, days: Math.max(1, useDays), paths });
	const { day, draws, seed, steps, measures } = outset;
	const asHeld = outset.lanes.map((lane, at) => ({ lane, at })).filter(({ lane }) => lane.binds);
	const lanes = asHeld.map(({ lane }) => lane);
	const begin = lanes.map(({ id }) => {
		const tank = tankById(rig, id);
		return tank ? dumpedOf(tank) : 0;
	});
	const needs = new Needs(lanes, begin, paths);
	const all = Int32Array.from({ length: paths }, (_, path) => path);
	const rarer = day.habits.map(({ cadence }) => cadence.rarer);
	const uses = usesOf(day, draws, paths, seed, rarer);
	const change = new Float64Array(paths);
	const byDay: Size['byDay'][number][] = [];
	for (const [k, step] of steps.entries()) {
		const part = Math.min(1, (useDays - step.start) / step.length);
		if (!(part > 0)) break;
		const climate = maxC === undefined ? step.climate : { ...step.climate, maxC };
		const away = { ...step, climate, mains: false, sewer: false, heel: undefined };
		uses.live(away, all);
		const gains = outset.gains(measures, away);
		asHeld.forEach(({ lane, at }, i) => {
			bring(change, at, gains, uses, all);
			inflateSpread(change, all, draws.spread);
			needs.take(i, change, part, lane.falls ? reserveOf(lane, away) : lane.reserveL);
		});
		if (steps[k + 1]?.day !== step.day || part < 1)
			byDay.push({ days: byDay.length + 1, needL: enoughForAll(needs.most, certainty) });
	}
	const needL = byDay.at(-1)?.needL ?? [];
	return {
		tanks: lanes.map(({ id }, i) => {
			const tank = tankById(rig, id);
			return { id, needL: needL[i] ?? 0, hasL: tank ? usableOf(tank) : 0 };
		}),
		kg: lanes.reduce((sum, { falls }, i) => sum + (falls ? (needL[i] ?? 0) : 0), 0),
		byDay
	};
}
