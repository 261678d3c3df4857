import { DAY_MS, HOUR_MS } from './constants.js';

/** When people wake and sleep, hours of the day, and the share of a day's use that falls into the night. */
export interface WakingHours {
	readonly wakesAtHour: number;
	readonly sleepsAtHour: number;
	readonly nightShare: number;
}

/** How use follows the day where the crew is. */
export interface WakingDay {
	/** days of use between two instants: use follows the waking day */
	days(fromMs: number, toMs: number): number;
	/** the end of the last whole part of a local day at or before an instant: of days, or of quarters of a day */
	lastEndMs(ms: number, parts: 1 | 4): number;
}

/** Days of use from local midnight to an hour of the day, 0 … 1. */
function shareOfDay(hour: number, { wakesAtHour, sleepsAtHour, nightShare }: WakingHours): number {
	const awake = Math.min(Math.max(hour, wakesAtHour), sleepsAtHour) - wakesAtHour;
	const asleep = hour - awake;
	const nightHours = 24 - (sleepsAtHour - wakesAtHour);
	return ((1 - nightShare) * awake) / (sleepsAtHour - wakesAtHour) + (nightShare * asleep) / nightHours;
}

/**
 * The waking days by a clock.
 *
 * @param offsetAt how far that clock is ahead of UTC at an instant, ms
 */
export function wakingDayOf(hours: WakingHours, offsetAt: (ms: number) => number): WakingDay {
	const since = (ms: number): number => {
		const local = ms + offsetAt(ms);
		const day = Math.floor(local / DAY_MS);
		return day + shareOfDay((local - day * DAY_MS) / HOUR_MS, hours);
	};
	return {
		days: (fromMs, toMs) => Math.max(0, since(toMs) - since(fromMs)),
		lastEndMs: (ms, parts) => {
			const offset = offsetAt(ms);
			const part = DAY_MS / parts;
			return Math.floor((ms + offset) / part) * part - offset;
		}
	};
}
