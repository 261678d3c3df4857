import { type Spread, spreadOf } from '../../numerics/index.js';
import type { Draws } from './draws.js';
import { limitOf, type LaneGains, type Lane } from './lanes.js';
import { inflateSpread } from './inflateSpread.js';
import type { DayPart } from './steps.js';
import type { Uses } from './uses.js';

/** What all paths came to. */
export interface Lived {
	/** by lane: days until it would bind, by path */
	readonly binds: readonly Float64Array[];
	/** days until the first of them, by path */
	readonly first: Float64Array;
	readonly wins: ReadonlyMap<string, number>;
	/** by lane, then by day; only where asked for */
	readonly byDay: readonly (readonly Spread[])[];
}

/** The part of a step after which a level that changes evenly passes its limit; Infinity when it does not. */
function crossing(before: number, after: number, limit: number, falls: boolean): number {
	if (falls ? before <= limit : before >= limit) return 0;
	if (falls ? after > limit : after < limit) return Infinity;
	return (limit - before) / (after - before);
}

/** What a step brings to one lane, for some of the paths. */
export function bring(
	change: Float64Array,
	lane: number,
	{ habits, unlogged }: LaneGains,
	uses: Pick<Uses, 'times' | 'litres' | 'unlogged'>,
	active: ArrayLike<number>
): void {
	for (let k = 0; k < active.length; k++) change[active[k] as number] = 0;
	for (const { habit, perLitre, fixed } of habits[lane] ?? []) {
		const [times, litres] = [uses.times[habit] as Float64Array, uses.litres[habit] as Float64Array];
		for (let k = 0; k < active.length; k++) {
			const path = active[k] as number;
			change[path] =
				(change[path] as number) + perLitre * (litres[path] as number) + fixed * (times[path] as number);
		}
	}
	for (const { stream, perLitre } of unlogged[lane] ?? []) {
		const litres = uses.unlogged[stream] as Float64Array;
		for (let k = 0; k < active.length; k++) {
			const path = active[k] as number;
			change[path] = (change[path] as number) + perLitre * (litres[path] as number);
		}
	}
}

/** How paths are lived. */
export interface Living {
	/** what comes of use in a step */
	readonly gainsIn: (step: DayPart) => LaneGains;
	/** the horizon, perhaps not whole */
	readonly days: number;
	/** the levels after each day too; or only when each tank binds; or only when the first does */
	readonly wanted: 'levels by day' | 'all bounds' | 'the first';
}

/**
 * Lives all paths step by step. A path ends when every tank has come to its end and will stay there: then the days after
 * are all alike; or as soon as what is wanted of it is known.
 *
 * @returns what all came to; after each whole day it pauses, and can be asked what it has come to by then
 */
export function* livePaths(
	draws: Draws,
	lanes: readonly Lane[],
	steps: readonly DayPart[],
	uses: Uses,
	{ gainsIn, days, wanted }: Living
): Generator<() => Lived, Lived> {
	const levelsByDay = wanted === 'levels by day';
	const paths = draws.levels[0]?.length ?? 0;
	const binds = lanes.map(() => new Float64Array(paths).fill(days));
	const first = new Float64Array(paths).fill(days);
	const winner = new Int32Array(paths).fill(-1);
	const levels = draws.levels.map((litres) => litres.slice());
	const change = new Float64Array(paths);
	const moving = new Uint8Array(paths);
	const byDay: Spread[][] = lanes.map(() => []);
	/** nothing ever comes to it or leaves it */
	const idle = lanes.map((_, i) =>
		steps.every((step) => {
			const { habits, unlogged } = gainsIn(step);
			return habits[i]?.length === 0 && unlogged[i]?.length === 0;
		})
	);
	/** a tank that drains into a sewer later on comes to no end */
	const lastOpens = steps.findLast(({ sewerOpens }) => sewerOpens)?.start ?? -1;

	function liveLane(i: number, step: DayPart, active: ArrayLike<number>): void {
		const lane = lanes[i] as Lane;
		const [now, bound, usable] = [levels[i], binds[i], draws.usable[i]] as [
			Float64Array,
			Float64Array,
			Float64Array
		];
		for (let k = 0; k < active.length; k++) {
			const path = active[k] as number;
			const full = usable[path] as number;
			let before = now[path] as number;
			if (step.sewerOpens && lane.drainsToL !== undefined && before > lane.drainsToL) before = lane.drainsToL;
			const after = before + (change[path] as number);
			if (lane.binds && (bound[path] as number) >= days) {
				const when = step.start + step.length * crossing(before, after, limitOf(lane, full), lane.falls);
				if (when < days) bound[path] = when;
				if (when < (first[path] as number)) {
					first[path] = when;
					winner[path] = i;
				}
				if ((bound[path] as number) >= days && wanted === 'all bounds') moving[path] = 1;
			}
			const next = after < 0 ? 0 : after > full ? full : after;
			if (levelsByDay && !idle[i] && next !== (lane.falls ? 0 : full)) moving[path] = 1;
			now[path] = next;
		}
	}

	function lived(): Lived {
		const wins = new Map<string, number>();
		for (const i of winner) {
			const id = lanes[i]?.id;
			if (id !== undefined) wins.set(id, (wins.get(id) ?? 0) + 1);
		}
		return { binds, first, wins, byDay };
	}

	const endsDay = (at: number): boolean => steps[at + 1]?.day !== steps[at]?.day;
	let active: readonly number[] | Int32Array = Int32Array.from({ length: paths }, (_, path) => path);
	for (let at = 0; at < steps.length; at++) {
		const step = steps[at] as DayPart;
		if (active.length > 0) {
			uses.live(step, active);
			const gains = gainsIn(step);
			moving.fill(0);
			for (let i = 0; i < lanes.length; i++) {
				bring(change, i, gains, uses, active);
				inflateSpread(change, active, draws.spread);
				liveLane(i, step, active);
			}
			if (step.start > lastOpens)
				active = active.filter((path) =>
					wanted === 'the first' ? (first[path] as number) >= days : moving[path] === 1
				);
		}
		if (levelsByDay && endsDay(at)) {
			lanes.forEach((_, i) => {
				const last = byDay[i]?.at(-1);
				byDay[i]?.push(active.length === 0 && last ? last : spreadOf((levels[i] as Float64Array).slice()));
			});
			yield lived;
		} else if (active.length === 0) break;
	}
	return lived();
}
