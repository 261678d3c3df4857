import { dayPlus, isCalendarDay, zonedMs } from '../time/index.js';
import { instantMs, zoneAt, type Logbook } from '../logbook/index.js';

/** A stretch of time, and the zone whose days it is told in. */
export interface Stretch {
	readonly fromMs: number;
	readonly toMs: number;
	readonly timeZone: string;
}

/**
 * A stretch from one moment or day to another; a day counts from its local midnight, the last one to its end.
 *
 * @param from an instant, or a day
 * @param to an instant, or a day
 */
export function stretchOf(logbook: Logbook, rigId: string, from: string, to: string): Stretch {
	const about = isCalendarDay(from) ? Date.parse(`${from}T12:00:00Z`) : instantMs(from);
	const timeZone = zoneAt(logbook, rigId, about);
	return {
		fromMs: isCalendarDay(from) ? zonedMs(from, timeZone) : instantMs(from),
		toMs: isCalendarDay(to) ? zonedMs(dayPlus(to, 1), timeZone) : instantMs(to),
		timeZone
	};
}
