import { HOUR_MS, zonedMs, zonedTime } from '$core/time';

export const NOON = 12;

/** Before this hour it is still the night of the day before. */
const DAWN = 5;

/** The noon of the day that a flag bears; the moment itself where that noon is past. */
export function noonOfFlag(ms: number, nowMs: number, timeZone: string): number {
	const noon = zonedMs(zonedTime(ms - DAWN * HOUR_MS, timeZone).day, timeZone, NOON);
	return noon > nowMs ? noon : ms;
}
