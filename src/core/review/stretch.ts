import { dayPlus, isCalendarDay, zonedMs } from '../time/index.js';
import { instantMs, tripSpan, type Logbook } from '../logbook/index.js';

/** A stretch of time, and the zone whose days it is told in. */
export interface Stretch {
	readonly fromMs: number;
	readonly toMs: number;
	readonly timeZone: string;
}

const offsetOf = (at: string | undefined): string => /[+-]\d\d:\d\d$/.exec(at ?? '')?.[0] ?? 'Etc/UTC';

/** The zone in which a rig lived at some time: of its trip then, of its person, of its last trip, of how it was written down. */
function zoneAt({ rigs, trips, entries }: Logbook, rigId: string, ms: number): string {
	const own = trips.filter(({ rig }) => rig === rigId);
	const under = own.find((trip) => {
		const [fromMs, toMs] = tripSpan(trip);
		return fromMs <= ms && ms < toMs;
	});
	return (
		under?.timeZone ??
		rigs.find(({ id }) => id === rigId)?.timeZone ??
		own.at(-1)?.timeZone ??
		offsetOf(entries.findLast(({ rig }) => rig === rigId)?.at)
	);
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
