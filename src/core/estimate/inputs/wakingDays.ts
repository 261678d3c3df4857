import { tripSpan, type Logbook } from '../../logbook/index.js';
import { HOUR_MS, offsetMs, wakingDayOf, writtenOffsetMs, type WakingDay } from '../../time/index.js';
import * as PARAMETERS from '../parameters.js';

/** Offsets are looked up once for each quarter of a day; a clock change is then right to within six hours. */
const SLOT_MS = 6 * HOUR_MS;

/**
 * The waking days of a rig: in the zone of the trip under way; outside of any, in the zone of its person, and where
 * that is not known, by the offset in which the last entry was written down.
 *
 * @param home the zone of the rig's person
 * @param lastAt the instant of the last entry, as written
 */
export function wakingDaysOf(
	rigId: string,
	trips: Logbook['trips'],
	home: string | undefined,
	lastAt: string | undefined
): WakingDay {
	const spans = trips
		.filter(({ rig }) => rig === rigId)
		.map((trip) => ({ span: tripSpan(trip), timeZone: trip.timeZone }))
		.sort((a, b) => a.span[0] - b.span[0]);
	const known = new Map<number, number>();
	return wakingDayOf(PARAMETERS.wakesAtHour, PARAMETERS.sleepsAtHour, PARAMETERS.nightUseShare, (ms) => {
		const slot = Math.floor(ms / SLOT_MS);
		let offset = known.get(slot);
		if (offset === undefined) {
			const slotMs = slot * SLOT_MS;
			const trip = spans.findLast(({ span: [fromMs, toMs] }) => fromMs < slotMs + SLOT_MS && slotMs < toMs);
			const zone = trip?.timeZone ?? home;
			offset = zone === undefined ? writtenOffsetMs(lastAt ?? '') : offsetMs(slotMs, zone);
			known.set(slot, offset);
		}
		return offset;
	});
}
