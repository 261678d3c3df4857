import type { Estimate } from '../estimate/index.js';
import { DAY_MS } from '../time/index.js';

/**
 * How days of use stand to the clock. Paths are lived in days of use from now on, since water is used by day: a tank does not
 * run dry while all sleep. What is told of moments is by the clock; hours that something gives or costs are those of an
 * even day, the same whatever the hour at which the stay ends.
 */
export interface UseClock {
	/** the rig says exactly how often all is done: then use goes by the clock */
	readonly exact: boolean;
	/** days of use between two instants */
	between(fromMs: number, toMs: number): number;
	/** days of use by the end of some days by the clock from now */
	useDays(clockDays: number): number;
	/** days by the clock from now by the end of some days of use */
	clockDays(useDays: number): number;
	/** the instant at the end of some days of use from now, ms */
	atMs(useDays: number): number;
}

/** Sums that should come to a whole number of days come a hair beside it. */
const HAIR = 1e-9;
const whole = (days: number): number => (Math.abs(days - Math.round(days)) < HAIR ? Math.round(days) : days);

/** The clock of what lies ahead of an estimate's moment. */
export function useClockOf({ model, atMs }: Pick<Estimate, 'model' | 'atMs'>): UseClock {
	const { statedRate, rig, wakingDay } = model;
	const exact =
		statedRate !== undefined && rig.habits.every(({ retired, often }) => retired === true || often.sd === 0);
	const between: UseClock['between'] = exact
		? (fromMs, toMs) => Math.max(0, (toMs - fromMs) / DAY_MS)
		: wakingDay.days;
	const at: UseClock['atMs'] = exact
		? (useDays) => atMs + useDays * DAY_MS
		: (useDays) => wakingDay.after(atMs, useDays);
	return {
		exact,
		between,
		useDays: (clockDays) => whole(between(atMs, atMs + clockDays * DAY_MS)),
		clockDays: (useDays) => whole((at(useDays) - atMs) / DAY_MS),
		atMs: at
	};
}
