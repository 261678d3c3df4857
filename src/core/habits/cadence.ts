import { instantMs, type Habit } from '../logbook/index.js';
import { DAY_MS, personDays, personsAt, type Estimate } from '../estimate/index.js';
import { usualTimesPerDay } from '../rig/index.js';

/** How many times a day something is done, and how sure that is. */
export interface Cadence {
	readonly timesPerDay: number;
	/** doubt about the mean, not the scatter of single days; 0 when the rig says it is exact */
	readonly sd: number;
}

/** Who is aboard and which measures are in force, for looking ahead. */
export interface Ahead {
	readonly persons: number;
	readonly measures: readonly string[];
}

/** The log counts as far back as this, days. */
const MEMORY_DAYS = 21;
/** What the rig says of a cadence weighs as much as this many days of log. */
const PRIOR_DAYS = 1.5;
/** Doubt of a stated cadence where the rig gives none, as a share of it. */
const UNSTATED_DOUBT = 0.35;

interface Lived {
	readonly days: number;
	readonly personDays: number;
	readonly times: ReadonlyMap<string, number>;
}

/** What was lived and logged within memory of an estimate's moment. */
export function lived(estimate: Estimate): Lived {
	const first = estimate.entries[0];
	const fromMs = Math.max(first ? instantMs(first.at) : estimate.atMs, estimate.atMs - MEMORY_DAYS * DAY_MS);
	const times = new Map<string, number>();
	for (let i = estimate.entries.length - 1; i >= 0; i--) {
		const entry = estimate.entries[i];
		if (!entry || instantMs(entry.at) < fromMs) break;
		if (entry.kind === 'use') times.set(entry.habit, (times.get(entry.habit) ?? 0) + entry.times);
	}
	return {
		days: (estimate.atMs - fromMs) / DAY_MS,
		personDays: personDays(estimate.model.crew, fromMs, estimate.atMs),
		times
	};
}

/** Variance over mean of daily counts before a log shows it: between by the clock (0) and at random (1). */
const USUAL_DISPERSION = 0.7;
/** That weighs as much as so many degrees of freedom of the log. */
const PRIOR_DEGREES = 6;
const MOST_DISPERSION = 1.5;

/**
 * How unevenly habits fall on days, from the log: variance over mean of the daily counts (χ² over its degrees of
 * freedom, all habits together), leaning on the usual while the log is young.
 */
export function dispersionOf(estimate: Estimate): number {
	const { entries, atMs } = estimate;
	const first = entries[0];
	const days = first ? Math.min(MEMORY_DAYS, Math.floor((atMs - instantMs(first.at)) / DAY_MS)) : 0;
	const counts = new Map<string, number[]>();
	for (let i = entries.length - 1; i >= 0; i--) {
		const entry = entries[i];
		if (!entry) break;
		const ago = Math.floor((atMs - instantMs(entry.at)) / DAY_MS);
		if (ago >= days) break;
		if (entry.kind !== 'use') continue;
		const own = counts.get(entry.habit) ?? Array.from({ length: days }, () => 0);
		own[ago] = (own[ago] ?? 0) + entry.times;
		counts.set(entry.habit, own);
	}
	let [squares, degrees] = [USUAL_DISPERSION * PRIOR_DEGREES, PRIOR_DEGREES];
	for (const own of counts.values()) {
		const mean = own.reduce((sum, count) => sum + count, 0) / days;
		if (days < 2 || !(mean > 0)) continue;
		squares += own.reduce((sum, count) => sum + (count - mean) ** 2, 0) / mean;
		degrees += days - 1;
	}
	return Math.min(MOST_DISPERSION, squares / degrees);
}

/** How much the log, rather than what the rig states, is believed of the unlogged rest: 0 without a log, towards 1. */
export const trustInLog = ({ days }: Lived): number => days / (days + PRIOR_DAYS);

/**
 * The cadence of a habit ahead: what the log shows, leaning on what the rig states while the log is young; times
 * that nobody wrote down are not in it, they are the unlogged rate's.
 */
export function cadenceAhead(
	estimate: Estimate,
	habit: Habit,
	log: Lived,
	{ persons, measures }: Ahead
): Cadence {
	const { rig } = estimate.model;
	const perPerson = habit.often.per === 'person-day';
	const stated = usualTimesPerDay(rig, habit, persons, measures);
	if (habit.retired) return { timesPerDay: 0, sd: 0 };
	if (habit.often.sd === 0) return { timesPerDay: stated, sd: 0 };
	const scale = perPerson ? persons : 1;
	const exposure = perPerson ? log.personDays : log.days;
	const prior = PRIOR_DAYS * (perPerson ? Math.max(1, estimate.model.crew.usual) : 1);
	const logged = log.times.get(habit.id) ?? 0;
	// Measures of rarity that came into force since are not yet in the log.
	const since =
		usualTimesPerDay(rig, habit, 1, measures) /
		(usualTimesPerDay(rig, habit, 1, estimate.state.measures) || 1);
	const weight = exposure / (exposure + prior);
	const timesPerDay =
		weight * (exposure > 0 ? (logged / exposure) * scale * since : 0) + (1 - weight) * stated;
	const statedSd = habit.often.sd === undefined ? UNSTATED_DOUBT * stated : habit.often.sd * scale;
	const loggedSd = exposure > 0 ? (0.7 * Math.sqrt(logged + 0.5) * scale) / exposure : 0;
	return { timesPerDay, sd: Math.hypot((1 - weight) * statedSd, weight * loggedSd) };
}

/** The persons aboard at an estimate's moment. */
export const personsNow = (estimate: Estimate): number => personsAt(estimate.model.crew, estimate.atMs);
