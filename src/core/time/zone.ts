// The offset alone: the package's dates that carry a zone weigh as much again as all else here.
import { tzOffset } from '@date-fns/tz/tzOffset';
import { padded, utcMidnightMs } from './calendar.js';
import { DAY_MS, MINUTE_MS } from './constants.js';

const offsetAsked = (ms: number, timeZone: string): number => MINUTE_MS * tzOffset(timeZone, new Date(ms));

/** By day of UTC and zone: the offset that holds all day, nothing where clocks change in it. */
const offsets = new Map<string, number | undefined>();
/** So many days are kept, and then begun anew. */
const MOST_DAYS = 4000;

/**
 * How far the clocks of a zone are ahead of UTC at an instant, ms. No zone changes its clocks twice within two days: what
 * holds at both ends of a day holds in between.
 */
export function offsetMs(ms: number, timeZone: string): number {
	const day = Math.floor(ms / DAY_MS);
	const key = day + timeZone;
	if (!offsets.has(key)) {
		if (offsets.size >= MOST_DAYS) offsets.clear();
		const offset = offsetAsked(day * DAY_MS, timeZone);
		offsets.set(key, offset === offsetAsked((day + 1) * DAY_MS, timeZone) ? offset : undefined);
	}
	return offsets.get(key) ?? offsetAsked(ms, timeZone);
}

/**
 * The instant at which clocks in a zone show a day and time, ms; a time that a clock change skips moves on with it, of one
 * that comes twice it is the first.
 */
export function zonedMs(day: string, timeZone: string, hour = 0, minute = 0): number {
	const wall = utcMidnightMs(day) + (60 * hour + minute) * MINUTE_MS;
	// No zone changes its clocks twice within two days: the offsets before and after are all that there can be.
	const [before, after] = [offsetMs(wall - DAY_MS, timeZone), offsetMs(wall + DAY_MS, timeZone)];
	const shows = (offset: number): boolean => offsetMs(wall - offset, timeZone) === offset;
	return wall - (shows(before) || !shows(after) ? before : after);
}

/** What calendar and clock show in a zone at an instant. */
export interface ZonedTime {
	/** YYYY-MM-DD */
	readonly day: string;
	readonly hour: number;
	readonly minute: number;
	/** 0 = Sunday */
	readonly weekday: number;
}

/** What calendar and clock show in a zone at an instant, as if it were UTC: for an axis of its own days, ms. */
export const wallMs = (ms: number, timeZone: string): number => ms + offsetMs(ms, timeZone);

/** What calendar and clock show in a zone at an instant, ms. */
export function zonedTime(ms: number, timeZone: string): ZonedTime {
	const local = new Date(wallMs(ms, timeZone));
	return {
		day: local.toISOString().slice(0, 10),
		hour: local.getUTCHours(),
		minute: local.getUTCMinutes(),
		weekday: local.getUTCDay()
	};
}

/** The time of day on a clock: `07:05`. */
export const clockTime = ({ hour, minute }: Pick<ZonedTime, 'hour' | 'minute'>): string =>
	`${padded(hour)}:${padded(minute)}`;

/** An instant written with the offset of a zone: `2027-04-18T07:10:00+02:00`. */
export function zonedIso(ms: number, timeZone: string): string {
	const local = zonedTime(ms, timeZone);
	const offset = offsetMs(ms, timeZone) / MINUTE_MS;
	const size = Math.abs(offset);
	const seconds = new Date(ms).getUTCSeconds();
	const sign = offset < 0 ? '-' : '+';
	return `${local.day}T${clockTime(local)}:${padded(seconds)}${sign}${padded(Math.floor(size / 60))}:${padded(Math.round(size % 60))}`;
}

/** The offset from UTC in which an instant was written down: `+02:00` is two hours; ms, 0 where it says none. */
export function writtenOffsetMs(at: string): number {
	const [, sign, hours, minutes] = /([+-])(\d\d):?(\d\d)$/.exec(at) ?? [];
	return sign === undefined
		? 0
		: (sign === '-' ? -1 : 1) * (60 * Number(hours) + Number(minutes)) * MINUTE_MS;
}
