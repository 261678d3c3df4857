import * as PARAMETERS from '../parameters.js';
import { instantMs, type Habit } from '../logbook/index.js';
import {
	countedHabits,
	DAY_MS,
	personDays,
	personsAt,
	truncate,
	useInLog,
	type Estimate,
	type Logged
} from '../estimate/index.js';
import { usualTimesPerDay } from '../rig/index.js';

/** How many times a day something is done and written down, and how sure that is. */
export interface Cadence {
	readonly timesPerDay: number;
	/** doubt about the mean, not the scatter of single days; 0 when the rig says it is exact */
	readonly sd: number;
	/** times a day more or less for each litre per exposure that goes unlogged above what is believed of it */
	readonly perUnloggedL: number;
	/** the doubt that is left when that is known */
	readonly ownSd: number;
}

/** Who is aboard and which measures are in force, for looking ahead. */
export interface Ahead {
	readonly persons: number;
	readonly measures: readonly string[];
}

/** What was lived and written down within memory, up to the last whole part of a day. */
interface Exposure {
	readonly atMs: number;
	readonly days: number;
	readonly personDays: number;
	readonly times: ReadonlyMap<string, number>;
}

/** What the log teaches of cadences at an estimate's moment: what goes on now teaches nothing yet. */
export function exposureOf({ entries, state, model }: Estimate): Exposure {
	const first = entries[0];
	const untilMs = state.learned.atMs;
	const beganMs = first ? instantMs(first.at) : untilMs;
	if (!(untilMs > beganMs)) return { atMs: untilMs, days: 0, personDays: 0, times: new Map() };
	const fromMs = Math.max(beganMs, untilMs - PARAMETERS.memoryDays * DAY_MS);
	// The whole log is in memory: its days of use are known as they were lived.
	if (fromMs === beganMs) return state.learned;
	const times = new Map<string, number>();
	for (let i = entries.length - 1; i >= 0; i--) {
		const entry = entries[i];
		if (!entry || instantMs(entry.at) < fromMs) break;
		if (entry.kind === 'use' && instantMs(entry.at) <= untilMs)
			times.set(entry.habit, (times.get(entry.habit) ?? 0) + entry.times);
	}
	return {
		atMs: untilMs,
		days: (untilMs - fromMs) / DAY_MS,
		personDays: personDays(model.crew, fromMs, untilMs),
		times
	};
}

/**
 * How unevenly habits fall on days, from the log: variance over mean of the daily counts (χ² over its degrees of
 * freedom, all habits together), less what busy and quiet days make of it, which is reckoned apart; leaning on the usual
 * while the log is young.
 */
export function dispersionOf({ entries, state }: Estimate): number {
	const first = entries[0];
	const { atMs } = state.learned;
	const days = first ? Math.min(PARAMETERS.memoryDays, Math.floor((atMs - instantMs(first.at)) / DAY_MS)) : 0;
	const counts = new Map<string, number[]>();
	for (let i = entries.length - 1; i >= 0 && days > 0; i--) {
		const entry = entries[i];
		if (!entry) break;
		const ago = Math.floor((atMs - instantMs(entry.at)) / DAY_MS);
		if (ago >= days) break;
		if (entry.kind !== 'use' || ago < 0) continue;
		const own = counts.get(entry.habit) ?? Array.from({ length: days }, () => 0);
		own[ago] = (own[ago] ?? 0) + entry.times;
		counts.set(entry.habit, own);
	}
	let [squares, degrees] = [
		PARAMETERS.dispersion * PARAMETERS.dispersionDegrees,
		PARAMETERS.dispersionDegrees
	];
	for (const own of counts.values()) {
		const mean = own.reduce((sum, count) => sum + count, 0) / days;
		if (days < 2 || !(mean > 0)) continue;
		const scatter = own.reduce((sum, count) => sum + (count - mean) ** 2, 0) / mean;
		const ofDays = (days - 1) * mean * (PARAMETERS.dayDiffers ** 2 + PARAMETERS.habitDayDiffers ** 2);
		squares += Math.max(0, scatter - ofDays);
		degrees += days - 1;
	}
	return Math.min(PARAMETERS.dispersionMost, squares / degrees);
}

/** A habit of a rig that states how much goes unlogged: everything else is written down. */
function written({ often }: Habit, exposure: number, times: number): Logged {
	const share = often.sd === undefined || often.times === 0 ? PARAMETERS.cadence : often.sd / often.times;
	const k = 1 / Math.max(share, 1e-3) ** 2;
	const mean = (often.times * (k + times)) / (k + often.times * exposure);
	return { mean, perUnloggedL: 0, sd: mean / Math.sqrt(k + times) };
}

/** Litres of one time as believed, never quite nothing. */
const litresEachOf = ({ model, belief }: Estimate, { id }: Habit): number =>
	Math.max(1e-3, belief.mean[model.habit.get(id) ?? -1] ?? 0);

/**
 * The cadences of all habits ahead: how often they will be written down, from the log, leaning on what the rig states
 * while the log is young. Times that nobody writes down are not in it, they are the unlogged rate's; who leaves more
 * unwritten writes less.
 */
export function cadencesAhead(estimate: Estimate, { persons, measures }: Ahead): readonly Cadence[] {
	const { model, state, belief } = estimate;
	const { rig, streams, statedRate } = model;
	const log = exposureOf(estimate);
	const { unlogged, logged } = useInLog(countedHabits(model, belief, log));
	const counted = statedRate ? [] : streams.filter(({ habit }) => habit);
	return rig.habits.map((habit): Cadence => {
		if (habit.retired) return { timesPerDay: 0, sd: 0, perUnloggedL: 0, ownSd: 0 };
		const perPerson = habit.often.per === 'person-day';
		const at = counted.findIndex((stream) => stream.habit === habit);
		if (habit.often.sd === 0 && at < 0) {
			const timesPerDay = usualTimesPerDay(rig, habit, persons, measures);
			return { timesPerDay, sd: 0, perUnloggedL: 0, ownSd: 0 };
		}
		// An exact cadence is known in all: what goes unwritten is not written.
		const each = litresEachOf(estimate, habit);
		const exact =
			habit.often.sd === 0
				? { mean: habit.often.times - (unlogged.mean[at] ?? 0) / each, perUnloggedL: -1 / each, sd: 0 }
				: undefined;
		const own =
			exact ??
			logged[at] ??
			written(habit, perPerson ? log.personDays : log.days, log.times.get(habit.id) ?? 0);
		const stream = at < 0 ? undefined : counted[at];
		// Measures of rarity that came into force since are not yet in the log.
		const since =
			usualTimesPerDay(rig, habit, 1, measures) / (usualTimesPerDay(rig, habit, 1, state.measures) || 1);
		const scale = since * (perPerson ? persons : persons > 0 ? 1 : 0);
		const unwritten = stream
			? truncate({ mean: belief.mean[stream.index] ?? 0, sd: belief.sdOf(stream.index) }, 0, Infinity)
			: { mean: 0, sd: 0 };
		const mean = own.mean + own.perUnloggedL * (unwritten.mean - (unlogged.mean[at] ?? 0));
		return {
			timesPerDay: Math.max(0, scale * mean),
			sd: scale * Math.hypot(own.sd, own.perUnloggedL * unwritten.sd),
			perUnloggedL: scale * own.perUnloggedL,
			ownSd: scale * own.sd
		};
	});
}

/** The persons aboard at an estimate's moment. */
export const personsNow = (estimate: Estimate): number => personsAt(estimate.model.crew, estimate.atMs);
