import type { UseClock } from '../useClock.js';
import { DAY_MS, splitAt, valueAt, type Timeline, type WakingDay } from '../../time/index.js';
import { instantMs, type Entry, type Rig } from '../../logbook/index.js';
import {
	isAnyOpen,
	isDrainedBy,
	thawedValves,
	valvesKey,
	type Lean,
	type OpenValves,
	type SeaState
} from '../../rig/index.js';
import {
	aheadCuts,
	personsAt,
	saidAt,
	USUAL_CLIMATE,
	type Climate,
	type Estimate,
	type HookUp,
	type SaidOften,
	type WeekParts
} from '../../estimate/index.js';

/** A part of a day ahead in which nothing changes of who is aboard, where, and what is hooked up. */
export interface DayPart {
	/** the whole day from now on that it is of, from 0 */
	readonly day: number;
	/** days of use from now, and how many of them it is long */
	readonly start: number;
	readonly length: number;
	readonly persons: number;
	readonly climate: Climate;
	/** the days of the week it is of */
	readonly week: WeekParts;
	/** what is said of habits for it, by habit */
	readonly said: ReadonlyMap<string, SaidOften>;
	readonly mains: boolean;
	readonly sewer: OpenValves;
	/** there are showers ashore */
	readonly ashore: boolean;
	/** how it leans */
	readonly heel: Lean | undefined;
	/** what the sea flushes and takes; what goes overboard now stays aboard where nothing may */
	readonly sea: SeaState | undefined;
	/** the waste tanks whose valves are opened into a sewer as it begins, by id */
	readonly opens: readonly string[];
}

/** The days of the week that a time is of, each by how much of the time's use falls into it. */
function weekOf({ byDay, days, weekday }: WakingDay, fromMs: number, toMs: number): WeekParts {
	const whole = days(fromMs, toMs);
	return byDay(fromMs, toMs).map(([from, to]) => [
		weekday(from),
		whole > 0 ? days(from, to) / whole : (to - from) / (toMs - fromMs)
	]);
}

const NONE: readonly string[] = [];
/** The waste tanks whose valves are open, and were not before. */
const openedBetween = ({ tanks }: Rig, before: OpenValves, now: OpenValves): readonly string[] =>
	tanks.filter((tank) => isDrainedBy(now, tank) && !isDrainedBy(before, tank)).map(({ id }) => id);

/** The hook-ups that hold: those written down, or those chosen for the stop one is at, where nothing is written since. */
function hookedNow(
	chosen: Timeline<HookUp>,
	written: HookUp,
	entries: readonly Entry[],
	atMs: number
): HookUp {
	const since = chosen.findLast(({ ms }) => ms <= atMs);
	if (!since || !(since.is.mains || isAnyOpen(since.is.sewer))) return written;
	const said = entries.findLast(({ kind }) => kind === 'hookup');
	return said && instantMs(said.at) >= since.ms ? written : since.is;
}

/**
 * The days ahead of an estimate's moment, cut where people come and go, heat and exertion change, or a hook-up begins or
 * ends, as the trips say. A hook-up that holds now holds until the trip has another word: the next arrival or departure.
 *
 * @param days of use: how far; the last day is whole even where this is not
 * @param persons who is aboard all along; as planned and written when absent
 */
export function dayPartsAhead(
	estimate: Estimate,
	clock: UseClock,
	days: number,
	persons?: number
): readonly DayPart[] {
	const { model, state, atMs, entries } = estimate;
	const toMs = clock.atMs(Math.ceil(days));
	const { crew, climate, hookUps } = model;
	const now = hookedNow(model.hookUps, state, entries, atMs);
	/** only where a hook-up really begins or ends: a day that is cut for nothing differs less from others */
	const later = hookUps
		.filter(({ ms }) => ms > atMs)
		.filter(({ is }, i, all) => {
			const before = all[i - 1]?.is ?? now;
			return is.mains !== before.mains || valvesKey(is.sewer) !== valvesKey(before.sewer);
		});
	const thaws = model.rig.tanks.flatMap(({ frozen }) =>
		frozen?.until ? [{ ms: instantMs(frozen.until) }] : []
	);
	const dawns = Array.from({ length: Math.ceil(days) }, (_, day) => ({ ms: clock.atMs(day) }));
	const cuts = [
		...dawns,
		...(persons === undefined ? crew.steps : []),
		...climate,
		...later,
		...model.ashore,
		...model.noDischarge,
		...model.heel,
		...aheadCuts(model.rig),
		...thaws
	];
	let sewer = thawedValves(model.rig, state.sewer, atMs);
	return splitAt(atMs, toMs, cuts).map(([fromMs, endMs]): DayPart => {
		const start = clock.useDays((fromMs - atMs) / DAY_MS);
		const { mains, sewer: open } = valueAt(later, fromMs) ?? now;
		const drains = thawedValves(model.rig, open, fromMs);
		const opens = isAnyOpen(drains) ? openedBetween(model.rig, sewer, drains) : NONE;
		sewer = drains;
		return {
			day: Math.floor(start),
			start,
			length: clock.useDays((endMs - atMs) / DAY_MS) - start,
			persons: persons ?? personsAt(crew, fromMs),
			climate: valueAt(climate, fromMs) ?? USUAL_CLIMATE,
			week: weekOf(model.wakingDay, fromMs, endMs),
			said: saidAt(model.rig, fromMs, entries),
			mains,
			sewer: drains,
			ashore: valueAt(model.ashore, fromMs) ?? false,
			heel: valueAt(model.heel, fromMs),
			sea: valueAt(model.noDischarge, fromMs) ? { flush: state.sea?.flush } : state.sea,
			opens
		};
	});
}
