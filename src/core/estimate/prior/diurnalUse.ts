import { tripSpan, zonedTime, type Logbook } from '../../logbook/index.js';
import * as PARAMETERS from '../../parameters.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Offsets are looked up once for each quarter of a day; a clock change is then right to within six hours. */
const SLOT_MS = 6 * HOUR_MS;

/** How use follows the day where the crew is. */
export interface DiurnalUse {
	/** days of use between two instants: use follows the waking day */
	days(fromMs: number, toMs: number): number;
	/** the end of the last whole part of a local day at or before an instant: of days, or of quarters of a day */
	lastEndMs(ms: number, parts: 1 | 4): number;
}

/** Days of use from local midnight to an hour of the day, 0 … 1. */
function soFar(hour: number): number {
	const awake = Math.min(Math.max(hour, PARAMETERS.wakesAt), PARAMETERS.sleepsAt) - PARAMETERS.wakesAt;
	const asleep = hour - awake;
	const nightHours = 24 - (PARAMETERS.sleepsAt - PARAMETERS.wakesAt);
	return (
		((1 - PARAMETERS.nightShare) * awake) / (PARAMETERS.sleepsAt - PARAMETERS.wakesAt) +
		(PARAMETERS.nightShare * asleep) / nightHours
	);
}

function offsetMs(ms: number, zone: string): number {
	const { day, hour, minute } = zonedTime(ms, zone);
	const local = Date.parse(`${day}T00:00:00Z`) + hour * HOUR_MS + minute * 60_000;
	return Math.round((local - ms) / 60_000) * 60_000;
}

/** The offset from UTC in which an instant was written down: `+02:00` is two hours; ms. */
function writtenOffsetMs(at: string): number {
	const [, sign, hours, minutes] = /([+-])(\d\d):?(\d\d)$/.exec(at) ?? [];
	return sign === undefined ? 0 : (sign === '-' ? -1 : 1) * (60 * Number(hours) + Number(minutes)) * 60_000;
}

/**
 * The waking days of a rig: in the zone of the trip under way; outside of any, in the zone of its person, and where
 * that is not known, by the offset in which the last entry was written down.
 *
 * @param home the zone of the rig's person
 * @param lastAt the instant of the last entry, as written
 */
export function diurnalUseOf(
	rigId: string,
	trips: Logbook['trips'],
	home: string | undefined,
	lastAt: string | undefined
): DiurnalUse {
	const spans = trips
		.filter(({ rig }) => rig === rigId)
		.map((trip) => ({ span: tripSpan(trip), timeZone: trip.timeZone }))
		.sort((a, b) => a.span[0] - b.span[0]);
	const known = new Map<number, number>();
	const offsetAt = (ms: number): number => {
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
	};
	const since = (ms: number): number => {
		const local = ms + offsetAt(ms);
		const day = Math.floor(local / DAY_MS);
		return day + soFar((local - day * DAY_MS) / HOUR_MS);
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
