import { zonedTime, type Logbook } from '../../logbook/index.js';
import { PARAMETERS } from '../parameters.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Offsets are looked up once for each quarter of a day; a clock change is then right to within six hours. */
const SLOT_MS = 6 * HOUR_MS;

/** Days of use between two instants: use follows the waking day of the trip's zone. */
export type DiurnalUse = (fromMs: number, toMs: number) => number;

/** Days of use from local midnight to an hour of the day, 0 … 1. */
function soFar(hour: number): number {
	const { wakesAt, sleepsAt, nightShare } = PARAMETERS;
	const awake = Math.min(Math.max(hour, wakesAt), sleepsAt) - wakesAt;
	const asleep = hour - awake;
	const nightHours = 24 - (sleepsAt - wakesAt);
	return ((1 - nightShare) * awake) / (sleepsAt - wakesAt) + (nightShare * asleep) / nightHours;
}

function offsetMs(ms: number, zone: string): number {
	const { day, hour, minute } = zonedTime(ms, zone);
	const local = Date.parse(`${day}T00:00:00Z`) + hour * HOUR_MS + minute * 60_000;
	return Math.round((local - ms) / 60_000) * 60_000;
}

/** The waking days of a rig: in the zone of the trip under way, else of the last one before, else of any. */
export function diurnalUseOf(rigId: string, trips: Logbook['trips']): DiurnalUse {
	const own = trips
		.filter(({ rig }) => rig === rigId)
		.map(({ from, timeZone }) => ({ ms: Date.parse(`${from}T00:00:00Z`), timeZone }))
		.sort((a, b) => a.ms - b.ms);
	const known = new Map<number, number>();
	const localMs = (ms: number): number => {
		const slot = Math.floor(ms / SLOT_MS);
		let offset = known.get(slot);
		if (offset === undefined) {
			const zone = (own.findLast((trip) => trip.ms <= ms + DAY_MS) ?? own[0])?.timeZone ?? 'Etc/UTC';
			offset = offsetMs(slot * SLOT_MS, zone);
			known.set(slot, offset);
		}
		return ms + offset;
	};
	const since = (ms: number): number => {
		const local = localMs(ms);
		const day = Math.floor(local / DAY_MS);
		return day + soFar((local - day * DAY_MS) / HOUR_MS);
	};
	return (fromMs, toMs) => Math.max(0, since(toMs) - since(fromMs));
}
