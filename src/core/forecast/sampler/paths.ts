import { type Spread, spreadOf } from '../../numerics/index.js';
import type { Draws } from './draws.js';
import { limitOf, spareOf, type LaneGains, type Lane } from './lanes.js';
import { inflateSpread } from './inflateSpread.js';
import type { DayPart } from './steps.js';
import type { Uses } from './uses.js';

/** What all paths came to. */
export interface Lived {
	/** by lane: days until it would bind by itself, by path */
	readonly alone: readonly Float64Array[];
	/** by lane: days until it binds when all that stands behind it has come in, by path */
	readonly binds: readonly Float64Array[];
	/** days until the first of them, by path */
	readonly first: Float64Array;
	readonly wins: ReadonlyMap<string, number>;
	/** by lane, by itself, then by day; only where asked for */
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
	{ habits, unlogged, inflow }: LaneGains,
	uses: Omit<Uses, 'live'>,
	active: ArrayLike<number>
): void {
	const add = (perOne: number, amounts: Float64Array): void => {
		for (let k = 0; k < active.length; k++) {
			const path = active[k] as number;
			change[path] = (change[path] as number) + perOne * (amounts[path] as number);
		}
	};
	for (let k = 0; k < active.length; k++) change[active[k] as number] = 0;
	for (const { habit, perLitre, fixed, adds } of habits[lane] ?? []) {
		const [times, litres] = [uses.times[habit] as Float64Array, uses.litres[habit] as Float64Array];
		for (let k = 0; k < active.length; k++) {
			const path = active[k] as number;
			change[path] =
				(change[path] as number) + perLitre * (litres[path] as number) + fixed * (times[path] as number);
		}
		if (adds !== 0) add(adds, uses.spared[habit] as Float64Array);
	}
	for (const { stream, perLitre } of unlogged[lane] ?? [])
		add(perLitre, uses.unlogged[stream] as Float64Array);
	for (const { source, perLitre } of inflow[lane] ?? []) add(perLitre, uses.inflow[source] as Float64Array);
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

/** What stands behind lanes, as it is used up along the paths: each lane that it concerns has a level of its own beside the one by itself. */
class Backing {
	/** by lane: litres by path, with what has come in from behind; nothing for a lane that nothing of this concerns */
	readonly #levels: readonly (Float64Array | undefined)[];
	readonly #usable: readonly Float64Array[];
	readonly #lanes: readonly Lane[];
	/** the lanes concerned, those that stand behind others before them */
	readonly order: readonly number[];

	constructor({ levels, usable }: Draws, lanes: readonly Lane[]) {
		const helps = new Set(lanes.flatMap(({ behind }) => behind));
		const concerned = lanes.flatMap((lane, i) => (lane.behind.length > 0 || helps.has(i) ? [i] : []));
		this.#levels = lanes.map((_, i) => (concerned.includes(i) ? levels[i]?.slice() : undefined));
		[this.#usable, this.#lanes] = [usable, lanes];
		const depth = (i: number): number => lanes[i]?.behind.length ?? 0;
		this.order = [...concerned].sort((a, b) => depth(a) - depth(b));
	}

	/** What a lane has to spare for one before it, litres. */
	#spare(i: number, path: number, step: DayPart): number {
		const level = this.#levels[i]?.[path] as number;
		return Math.max(0, spareOf(this.#lanes[i] as Lane, level, this.#usable[i]?.[path] as number, step));
	}

	/** Takes so much from what stands behind a lane, as far as that goes. */
	#take(lane: Lane, path: number, litres: number, step: DayPart): void {
		let left = litres;
		for (const i of lane.behind) {
			if (!(left > 0)) return;
			const taken = Math.min(left, this.#spare(i, path, step));
			const levels = this.#levels[i] as Float64Array;
			levels[path] = (levels[path] as number) + (lane.falls ? -taken : taken);
			left -= taken;
		}
	}

	/**
	 * One step of one lane on one path.
	 *
	 * @returns the part of the step after which it comes to its end with all that stands behind it; Infinity when it does not
	 */
	live(i: number, path: number, changeL: number, step: DayPart): number {
		const lane = this.#lanes[i] as Lane;
		const levels = this.#levels[i] as Float64Array;
		const usable = this.#usable[i]?.[path] as number;
		const opened = step.opens.length > 0 && step.opens.includes(lane.id);
		const before = opened ? Math.min(levels[path] as number, lane.drainsToL) : (levels[path] as number);
		const after = before + changeL;
		const over = -spareOf(lane, after, usable, step);
		let next = after;
		let when = Infinity;
		if (lane.binds && over >= 0) {
			const behind = lane.behind.reduce((sum, one) => sum + this.#spare(one, path, step), 0);
			this.#take(lane, path, over, step);
			next = limitOf(lane, usable, step);
			if (behind <= over) {
				const room = spareOf(lane, before, usable, step) + behind;
				when = room <= 0 ? 0 : room / Math.abs(changeL);
			}
		}
		levels[path] = Math.min(Math.max(next, 0), usable);
		return when;
	}
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
	const alone = lanes.map(() => new Float64Array(paths).fill(days));
	const backing = new Backing(draws, lanes);
	/** where nothing stands behind a lane, it ends as it does by itself */
	const binds = alone.map((by, i) => (backing.order.includes(i) ? new Float64Array(paths).fill(days) : by));
	const first = new Float64Array(paths).fill(days);
	const winner = new Int32Array(paths).fill(-1);
	const levels = draws.levels.map((litres) => litres.slice());
	const changes = lanes.map(() => new Float64Array(paths));
	const moving = new Uint8Array(paths);
	const byDay: Spread[][] = lanes.map(() => []);
	/** nothing ever comes to it or leaves it */
	const idle = lanes.map((_, i) =>
		steps.every((step) => {
			const { habits, unlogged, inflow } = gainsIn(step);
			return habits[i]?.length === 0 && unlogged[i]?.length === 0 && inflow[i]?.length === 0;
		})
	);
	/** a tank that drains into a sewer later on comes to no end */
	const lastOpens = steps.findLast(({ opens }) => opens.length > 0)?.start ?? -1;

	/** A path has come to the end of a lane in a step. */
	function end(i: number, path: number, when: number): void {
		(binds[i] as Float64Array)[path] = Math.min(when, days);
		if (when < (first[path] as number)) {
			first[path] = when;
			winner[path] = i;
		}
	}

	function liveLane(i: number, step: DayPart, active: ArrayLike<number>): void {
		const lane = lanes[i] as Lane;
		const [now, bound, usable, change] = [levels[i], alone[i], draws.usable[i], changes[i]] as [
			Float64Array,
			Float64Array,
			Float64Array,
			Float64Array
		];
		const byItself = binds[i] === bound;
		const opened = step.opens.includes(lane.id);
		for (let k = 0; k < active.length; k++) {
			const path = active[k] as number;
			const full = usable[path] as number;
			let before = now[path] as number;
			if (opened && before > lane.drainsToL) before = lane.drainsToL;
			const after = before + (change[path] as number);
			if (lane.binds && (bound[path] as number) >= days) {
				const limit = limitOf(lane, full, step);
				const when = step.start + step.length * crossing(before, after, limit, lane.falls);
				if (when < days) {
					bound[path] = when;
					if (byItself) end(i, path, when);
				}
				if ((bound[path] as number) >= days && wanted === 'all bounds') moving[path] = 1;
			}
			const next = after < 0 ? 0 : after > full ? full : after;
			if (levelsByDay && !idle[i] && next !== (lane.falls ? 0 : full)) moving[path] = 1;
			now[path] = next;
		}
	}

	/** The same for a lane that something stands behind, or that stands behind another, together with that. */
	function liveBacked(i: number, step: DayPart, active: ArrayLike<number>): void {
		const bound = binds[i] as Float64Array;
		const change = changes[i] as Float64Array;
		for (let k = 0; k < active.length; k++) {
			const path = active[k] as number;
			const when = step.start + step.length * backing.live(i, path, change[path] as number, step);
			if ((bound[path] as number) < days) continue;
			if (when < days) end(i, path, when);
			else if (lanes[i]?.binds && wanted !== 'the first') moving[path] = 1;
		}
	}

	function lived(): Lived {
		const wins = new Map<string, number>();
		for (const i of winner) {
			const id = lanes[i]?.id;
			if (id !== undefined) wins.set(id, (wins.get(id) ?? 0) + 1);
		}
		return { alone, binds, first, wins, byDay };
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
				const change = changes[i] as Float64Array;
				bring(change, i, gains, uses, active);
				inflateSpread(change, active, draws.spread);
				liveLane(i, step, active);
			}
			for (const i of backing.order) liveBacked(i, step, active);
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
