import type { Draws } from './draws.js';
import type { Lane, Ways } from './lanes.js';
import type { Days } from './liveDay.js';
import { spreadOf, type Spread } from './quantile.js';

/** What all paths came to. */
export interface Lived {
	/** by lane: days until it would bind, by path */
	readonly binds: readonly Float64Array[];
	readonly first: Float64Array;
	readonly wins: ReadonlyMap<string, number>;
	/** by lane, then by day; only where asked for */
	readonly byDay: readonly (readonly Spread[])[];
}

/** The part of a day after which a level that changes evenly passes its limit; Infinity when it does not. */
function crossing(before: number, after: number, limit: number, falls: boolean): number {
	if (falls ? before <= limit : before >= limit) return 0;
	if (falls ? after > limit : after < limit) return Infinity;
	return (limit - before) / (after - before);
}

/**
 * Lives all paths day by day, each until every tank has come to its end: then the days after are all alike.
 *
 * @param days the horizon, perhaps not whole
 * @param wanted the levels after each day too; else only when tanks bind, all of them or the one of a lane: a path then ends
 * with that
 */
export function livePaths(
	draws: Draws,
	lanes: readonly Lane[],
	ways: Ways,
	lived: Days,
	days: number,
	wanted: 'levels by day' | 'all bounds' | number
): Lived {
	const levelsByDay = wanted === 'levels by day';
	const paths = draws.levels[0]?.length ?? 0;
	const binds = lanes.map(() => new Float64Array(paths).fill(days));
	const first = new Float64Array(paths).fill(days);
	const winner = new Int32Array(paths).fill(-1);
	const idle = lanes.map(
		(_, i) =>
			ways.beside.every(({ lane }) => lane !== i) &&
			ways.perLitre.every((perLitre, k) => k % lanes.length !== i || perLitre === 0)
	);
	const levels = draws.levels.map((levels) => levels.slice());
	const change = new Float64Array(lanes.length);
	const byDay: Spread[][] = lanes.map(() => []);
	let active = Array.from({ length: paths }, (_, path) => path);
	for (let d = 0; d < Math.ceil(days); d++) {
		if (active.length > 0) lived.dawn();
		const still: number[] = [];
		for (const path of active) {
			lived.live(path, change);
			let moving = false;
			/** a tank has yet to bind */
			let open = false;
			for (let i = 0; i < lanes.length; i++) {
				const lane = lanes[i] as Lane;
				const now = levels[i] as Float64Array;
				const before = now[path] as number;
				const after = before + (change[i] as number);
				const bound = binds[i] as Float64Array;
				const usable = draws.usable[i]?.[path] as number;
				if (lane.binds && (bound[path] as number) >= days) {
					const limit = lane.falls ? lane.reserveL : Math.max(0, usable - lane.reserveL);
					const when = d + crossing(before, after, limit, lane.falls);
					if (when < days) bound[path] = when;
					else if (wanted === 'all bounds' || wanted === i) open = true;
					if (when < (first[path] as number)) {
						first[path] = when;
						winner[path] = i;
					}
				}
				const next = after < 0 ? 0 : after > usable ? usable : after;
				if (!idle[i] && next !== (lane.falls ? 0 : usable)) moving = true;
				now[path] = next;
			}
			if (moving && (levelsByDay || open)) still.push(path);
		}
		if (levelsByDay)
			lanes.forEach((_, i) => {
				const last = byDay[i]?.at(-1);
				byDay[i]?.push(active.length === 0 && last ? last : spreadOf((levels[i] as Float64Array).slice()));
			});
		else if (still.length === 0) break;
		active = still;
	}
	const wins = new Map<string, number>();
	for (const i of winner) {
		const id = lanes[i]?.id;
		if (id !== undefined) wins.set(id, (wins.get(id) ?? 0) + 1);
	}
	return { binds, first, wins, byDay };
}
