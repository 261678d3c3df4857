import type { Outset } from '../forecast.js';
import { reserveOf } from '../../estimate/index.js';
import { limitOf, spareBehind } from '../sampler/index.js';
import type { SumsPart, Reach, Sums } from './reach.js';

/** What the sum of many fractions may come short of a limit, litres. */
const EXACT_L = 1e-9;

/** Looks at one tank along the paths from one to another, again and again, in room that it keeps. */
export type LaneSurvival = (held: Uint8Array, sums: Sums, part: SumsPart, from: number, to: number) => void;

/** Strikes out the paths on which a tank binds, with some sums and a last part on top of them. */
export function laneSurvival(
	{ outset: { lanes, draws, paths }, stretches, each }: Reach,
	i: number
): LaneSurvival {
	const lane = lanes[i] as Outset['lanes'][number];
	const { falls, drainsToL, id } = lane;
	const [levels, usable] = [draws.levels[i] as Float64Array, draws.usable[i] as Float64Array];
	const none = new Float64Array(paths);
	const now = stretches[0]?.step ?? { persons: 0, climate: { exertion: 1 } };
	const level = new Float64Array(paths);
	const way = falls ? 1 : -1;
	/** what stands behind it goes on after it: so much beyond its own end is reached */
	const behindL = levels.map((_, path) => spareBehind(lanes, draws, lane, path, now));
	/** on the way to it, by what is kept; one that is passed from the first lies beyond all */
	const limitsBy = new Map<number, Float64Array>();
	const limitsIn = stretches.map(({ step }): Float64Array => {
		const kept = reserveOf(lane, step);
		const known =
			limitsBy.get(kept) ??
			levels.map((litres, path) => {
				const limit = way * limitOf(lane, usable[path] as number, step) - (behindL[path] as number);
				return way * litres <= limit ? Infinity : limit - EXACT_L;
			});
		limitsBy.set(kept, known);
		return known;
	});
	// The inner loops of the search, each small and on its own, so that they run at the speed of the machine.
	/** What levels come to; a path on which one passes its limit is struck out. */
	const strike = (
		held: Uint8Array,
		before: Float64Array,
		sum: Float64Array,
		more: Float64Array,
		limits: Float64Array,
		from: number,
		to: number
	): void => {
		for (let path = from; path < to; path++) {
			const litres = (before[path] as number) + (sum[path] as number) + (more[path] as number);
			level[path] = litres;
			if (way * litres < (limits[path] as number)) held[path] = 0;
		}
	};
	return (held, sums, part, from, to) => {
		let before = levels;
		stretches.forEach(({ step }, k) => {
			if (step.opens.includes(id)) {
				level.set(before.subarray(from, to), from);
				before = level;
				for (let path = from; path < to; path++) level[path] = Math.min(level[path] as number, drainsToL);
			}
			const sum = sums[k]?.[i] as Float64Array;
			strike(held, before, sum, part[k]?.[i] ?? none, limitsIn[k] as Float64Array, from, to);
			before = level;
			if (each)
				for (let path = from; path < to; path++) {
					const more = behindL[path] as number;
					const most = (usable[path] as number) + (falls ? 0 : more);
					level[path] = Math.min(Math.max(level[path] as number, falls ? -more : 0), most);
				}
		});
	};
}

/** On how many of some paths it holds. */
export function survivorsOf(held: Uint8Array, from: number, to: number): number {
	let count = 0;
	for (let path = from; path < to; path++) count += held[path] as number;
	return count;
}
