import { meanOf, positive } from '../../numerics/index.js';
import { DAY_MS, splitAt, type Timeline, valueAt } from '../../time/index.js';

import { instantMs, type Habit } from '../../logbook/index.js';
import {
	cadenceMemoryDays,
	cadenceSdShare,
	changesOften,
	type Climate,
	countedHabits,
	type Counts,
	dayFactorSd,
	dispersionMost,
	dispersionPrior,
	dispersionPriorDegrees,
	type Estimate,
	evidenceOf,
	exposureTo,
	habitDayFactorSd,
	type HookUp,
	type Logged,
	personDays,
	personsAt,
	riseOf,
	useInLog,
	USUAL_CLIMATE
} from '../../estimate/index.js';
import { rarityOf } from '../../rig/index.js';

/** How many times a day something is done and written down, and how sure that is. */
export interface Cadence {
	readonly timesPerDay: number;
	/** doubt about the mean, not the scatter of single days; 0 when the rig says it is exact */
	readonly sd: number;
	/** times a day more or less for each litre per exposure that goes unlogged above what is believed of it */
	readonly perUnloggedL: number;
	/** times a day more or less for each deviation of what all habits have in common beside that: the household's pace */
	readonly perPace: number;
	/** the doubt that is left when that is known */
	readonly ownSd: number;
	/** what measures of rarity make of it, a factor that is in the figures above */
	readonly rarer: number;
	/** times a day that these spare */
	readonly sparedPerDay: number;
}

/** Who is aboard, in what climate, and which measures are in force, for looking ahead. */
export interface Ahead {
	readonly persons: number;
	readonly measures: readonly string[];
	/** heat and exertion; the usual when absent */
	readonly climate?: Climate;
	/** the hook-ups that hold; those that do now when absent */
	readonly hookUp?: HookUp;
}

/** From when on a habit was made how much rarer, as the log has its measures. */
function rarities({ model, entries }: Estimate, habit: Habit): Timeline<number> {
	const inForce = new Set<string>();
	return entries.flatMap((entry) => {
		if (entry.kind !== 'measure') return [];
		if (entry.on) inForce.add(entry.measure);
		else inForce.delete(entry.measure);
		return [{ ms: instantMs(entry.at), is: rarityOf(model.rig, habit.id, [...inForce]) }];
	});
}

/** The days or person-days between two instants, each counted as often as a habit is done in it, of its usual. */
function risenExposure(estimate: Estimate, habit: Habit, fromMs: number, toMs: number): number {
	const { crew, climate, wakingDay } = estimate.model;
	const rarity = rarities(estimate, habit);
	const { weekdays } = habit.often;
	const parts = splitAt(fromMs, toMs, [...climate, ...rarity]);
	const cut = weekdays ? parts.flatMap(([from, to]) => wakingDay.byDay(from, to)) : parts;
	return cut.reduce(
		(sum, [from, to]) =>
			sum +
			riseOf(habit, valueAt(climate, from) ?? USUAL_CLIMATE) *
				(valueAt(rarity, from) ?? 1) *
				(weekdays?.[wakingDay.weekday(from)] ?? 1) *
				(habit.often.per === 'person-day' ? personDays(crew, from, to) : (to - from) / DAY_MS),
		0
	);
}

/** What the log teaches of cadences at an estimate's moment: what goes on now teaches nothing yet. */
export function exposureOf(estimate: Estimate): Counts {
	const { entries, state, model } = estimate;
	const first = entries[0];
	const untilMs = state.learned.atMs;
	const beganMs = first ? instantMs(first.at) : untilMs;
	if (!(untilMs > beganMs))
		return { atMs: untilMs, days: 0, personDays: 0, risen: new Map(), times: new Map() };
	const fromMs = Math.max(beganMs, untilMs - cadenceMemoryDays * DAY_MS);
	// The whole log is in memory: its days of use are known as they were lived.
	if (fromMs === beganMs) return state.learned;
	const { crew } = state;
	// What was lived before others came aboard says less of them.
	const weigh = (atMs: number): number => (crew && atMs < crew.sinceMs ? crew.kept : 1);
	const parts = splitAt(fromMs, untilMs, crew ? [{ ms: crew.sinceMs }] : []);
	const weighed = (of: (fromMs: number, toMs: number) => number): number =>
		parts.reduce((sum, [from, to]) => sum + weigh(from) * of(from, to), 0);
	const times = new Map<string, number>();
	for (let i = entries.length - 1; i >= 0; i--) {
		const entry = entries[i];
		if (!entry || instantMs(entry.at) < fromMs) break;
		if (entry.kind === 'use' && instantMs(entry.at) <= untilMs)
			times.set(entry.habit, (times.get(entry.habit) ?? 0) + weigh(instantMs(entry.at)) * entry.times);
	}
	return {
		atMs: untilMs,
		days: weighed((from, to) => (to - from) / DAY_MS),
		personDays: weighed((from, to) => personDays(model.crew, from, to)),
		risen: new Map(
			model.rig.habits.flatMap((habit) =>
				changesOften(model.rig, habit)
					? [[habit.id, weighed((from, to) => risenExposure(estimate, habit, from, to))] as const]
					: []
			)
		),
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
	const days = first ? Math.min(cadenceMemoryDays, Math.floor((atMs - instantMs(first.at)) / DAY_MS)) : 0;
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
	let [squares, degrees] = [dispersionPrior * dispersionPriorDegrees, dispersionPriorDegrees];
	for (const own of counts.values()) {
		const mean = meanOf(own);
		if (days < 2 || !(mean > 0)) continue;
		const scatter = own.reduce((sum, count) => sum + (count - mean) ** 2, 0) / mean;
		const ofDays = (days - 1) * mean * (dayFactorSd ** 2 + habitDayFactorSd ** 2);
		squares += Math.max(0, scatter - ofDays);
		degrees += days - 1;
	}
	return Math.min(dispersionMost, squares / degrees);
}

/** A habit of a rig that states how much goes unlogged: everything else is written down. */
function written({ often }: Habit, exposure: number, times: number): Logged {
	const share = often.sd === undefined || often.times === 0 ? cadenceSdShare : often.sd / often.times;
	const k = 1 / Math.max(share, 1e-3) ** 2;
	const mean = (often.times * (k + times)) / (k + often.times * exposure);
	return { mean, perUnloggedL: 0, perPace: 0, sd: mean / Math.sqrt(k + times) };
}

/** Litres of one time as believed, never quite nothing. */
const litresEachOf = ({ model, belief }: Estimate, { id }: Habit): number =>
	Math.max(1e-3, belief.mean[model.habitRow.get(id) ?? -1] ?? 0);

/**
 * The cadences of all habits ahead: how often they will be written down, from the log, leaning on what the rig states
 * while the log is young. Times that nobody writes down are not in it, they are the unlogged rate's; who leaves more
 * unwritten writes less.
 */
export function cadencesAhead(
	estimate: Estimate,
	{ persons, measures, climate = USUAL_CLIMATE }: Ahead
): readonly Cadence[] {
	const { model, belief } = estimate;
	const { rig, streams, statedRate } = model;
	const log = exposureOf(estimate);
	const { unlogged, logged } = useInLog(
		countedHabits(model, belief, log),
		evidenceOf(model, estimate.state.belief)
	);
	const counted = statedRate ? [] : streams.filter(({ habit }) => habit);
	return rig.habits.map((habit): Cadence => {
		if (habit.retired)
			return { timesPerDay: 0, sd: 0, perUnloggedL: 0, perPace: 0, ownSd: 0, rarer: 1, sparedPerDay: 0 };
		const perPerson = habit.often.per === 'person-day';
		const at = counted.findIndex((stream) => stream.habit === habit);
		const settled = habit.often.sd === 0 && at < 0;
		const rarer = rarityOf(rig, habit.id, measures);
		const usual = (perPerson ? persons : persons > 0 ? 1 : 0) * riseOf(habit, climate);
		const scale = rarer * usual;
		const sparedOf = (times: number): number => Math.max(0, 1 - rarer) * usual * Math.max(0, times);
		if (settled)
			return {
				timesPerDay: scale * habit.often.times,
				sd: 0,
				perUnloggedL: 0,
				perPace: 0,
				ownSd: 0,
				rarer,
				sparedPerDay: sparedOf(habit.often.times)
			};
		// An exact cadence is known in all: what goes unwritten is not written.
		const each = litresEachOf(estimate, habit);
		const exact =
			habit.often.sd === 0
				? {
						mean: habit.often.times - (unlogged.mean[at] ?? 0) / each,
						perUnloggedL: -1 / each,
						perPace: 0,
						sd: 0
					}
				: undefined;
		const own =
			exact ?? logged[at] ?? written(habit, exposureTo(log, habit, perPerson), log.times.get(habit.id) ?? 0);
		const stream = at < 0 ? undefined : counted[at];
		const unwritten = stream
			? positive({ mean: belief.mean[stream.index] ?? 0, sd: belief.sdOf(stream.index) })
			: { mean: 0, sd: 0 };
		const mean = own.mean + own.perUnloggedL * (unwritten.mean - (unlogged.mean[at] ?? 0));
		return {
			timesPerDay: Math.max(0, scale * mean),
			sd: scale * Math.hypot(own.sd, own.perPace, own.perUnloggedL * unwritten.sd),
			perUnloggedL: scale * own.perUnloggedL,
			perPace: scale * own.perPace,
			ownSd: scale * own.sd,
			rarer,
			sparedPerDay: sparedOf(mean)
		};
	});
}

/** The persons aboard at an estimate's moment. */
export const personsNow = (estimate: Estimate): number => personsAt(estimate.model.crew, estimate.atMs);

/** Heat and exertion at an estimate's moment. */
export const climateNow = ({ model, atMs }: Estimate): Climate =>
	valueAt(model.climate, atMs) ?? USUAL_CLIMATE;

/** As one lives at an estimate's moment. */
export const aheadNow = (estimate: Estimate): Ahead => ({
	persons: personsNow(estimate),
	measures: estimate.state.measures,
	climate: climateNow(estimate)
});
