import { MINUTE_MS, zonedMs, zonedTime } from '../../time/index.js';

/** What a reader of dates is to take for now: the instant, and the zone's offset in minutes. */
export const clockOf = (
	nowMs: number,
	timeZone: string
): { readonly instant: Date; readonly timezone: number } => {
	const local = zonedTime(nowMs, timeZone);
	const wall = zonedMs(local.day, 'Etc/UTC', local.hour, local.minute);
	return { instant: new Date(nowMs), timezone: Math.round((wall - nowMs) / MINUTE_MS) };
};
