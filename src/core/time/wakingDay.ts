import { DAY_MS, HOUR_MS } from './constants.js';

/** The first of January 1970 was one; Monday is 0. */
const THURSDAY = 3;

/** How use follows the day where the crew is. */
export interface WakingDay {
	/** days of use between two instants: use follows the waking day */
	days(fromMs: number, toMs: number): number;
	/** the instant at which so many days of use have passed since another: the inverse of `days` */
	after(fromMs: number, days: number): number;
	/** the end of the last whole part of a local day at or before an instant: of days, or of quarters of a day */
	lastEndMs(ms: number, parts: 1 | 4): number;
	/** the hour of the local day at an instant, 0 … 24 */
	hour(ms: number): number;
	/** the day of the week at an instant: 0 is Monday */
	weekday(ms: number): number;
	/** a time cut at its midnights */
	byDay(fromMs: number, toMs: number): readonly (readonly [fromMs: number, toMs: number])[];
}

/**
 * The waking days by a clock.
 *
 * @param wakesAt hour of the day at which people wake
 * @param sleepsAt hour of the day at which they sleep
 * @param nightShare share of a day's use that falls into the night
 * @param offsetAt how far that clock is ahead of UTC at an instant, ms
 */
export function wakingDayOf(
	wakesAt: number,
	sleepsAt: number,
	nightShare: number,
	offsetAt: (ms: number) => number
): WakingDay {
	/** days of use from local midnight to an hour of the day, 0 … 1 */
	const shareOfDay = (hour: number): number => {
		const awake = Math.min(Math.max(hour, wakesAt), sleepsAt) - wakesAt;
		const asleep = hour - awake;
		const nightHours = 24 - (sleepsAt - wakesAt);
		return ((1 - nightShare) * awake) / (sleepsAt - wakesAt) + (nightShare * asleep) / nightHours;
	};
	/** the hour of the day by which so much of a day's use is done: the inverse of `shareOfDay` */
	const hourOf = (share: number): number => {
		const nightHours = 24 - (sleepsAt - wakesAt);
		const beforeDawn = (nightShare * wakesAt) / nightHours;
		const byEvening = beforeDawn + (1 - nightShare);
		if (share < beforeDawn) return (share / nightShare) * nightHours;
		if (share <= byEvening) return wakesAt + ((share - beforeDawn) / (1 - nightShare)) * (sleepsAt - wakesAt);
		return sleepsAt + ((share - byEvening) / nightShare) * nightHours;
	};
	const since = (ms: number): number => {
		const local = ms + offsetAt(ms);
		const day = Math.floor(local / DAY_MS);
		return day + shareOfDay((local - day * DAY_MS) / HOUR_MS);
	};
	const localDay = (ms: number): number => Math.floor((ms + offsetAt(ms)) / DAY_MS);
	const byDay: WakingDay['byDay'] = (fromMs, toMs) => {
		// Nearly always both are on one day.
		if (localDay(fromMs) === localDay(toMs)) return [[fromMs, toMs]];
		const parts: (readonly [number, number])[] = [];
		for (let at = fromMs; at < toMs;) {
			const midnight = (localDay(at) + 1) * DAY_MS - offsetAt(at);
			const end = Math.min(midnight, toMs);
			parts.push([at, end]);
			at = end;
		}
		return parts;
	};
	return {
		byDay,
		hour: (ms) => {
			const local = ms + offsetAt(ms);
			return (local - Math.floor(local / DAY_MS) * DAY_MS) / HOUR_MS;
		},
		weekday: (ms) => (((localDay(ms) + THURSDAY) % 7) + 7) % 7,
		days: (fromMs, toMs) => Math.max(0, since(toMs) - since(fromMs)),
		after: (fromMs, days) => {
			const used = since(fromMs) + days;
			const local = Math.floor(used) * DAY_MS + hourOf(used - Math.floor(used)) * HOUR_MS;
			return Math.max(fromMs, local - offsetAt(local - offsetAt(fromMs)));
		},
		lastEndMs: (ms, parts) => {
			const offset = offsetAt(ms);
			const part = DAY_MS / parts;
			return Math.floor((ms + offset) / part) * part - offset;
		}
	};
}
