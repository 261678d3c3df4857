// The offset alone: the package's dates that carry a zone weigh as much again as all else here.
import { tzOffset } from '@date-fns/tz/tzOffset';

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;
const offsetMs = (ms: number, timeZone: string): number => MINUTE_MS * tzOffset(timeZone, new Date(ms));

/**
 * The instant at which clocks in a zone show a day and time, ms; a time that a clock change skips moves on with it, of one
 * that comes twice it is the first.
 */
export function zonedMs(day: string, timeZone: string, hour = 0, minute = 0): number {
	const wall = Date.parse(`${day}T00:00:00Z`) + (60 * hour + minute) * MINUTE_MS;
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

const two = (n: number): string => String(n).padStart(2, '0');

export function zonedTime(ms: number, timeZone: string): ZonedTime {
	/** the clock of the zone, as if it were UTC */
	const local = new Date(ms + offsetMs(ms, timeZone));
	return {
		day: `${String(local.getUTCFullYear()).padStart(4, '0')}-${two(local.getUTCMonth() + 1)}-${two(local.getUTCDate())}`,
		hour: local.getUTCHours(),
		minute: local.getUTCMinutes(),
		weekday: local.getUTCDay()
	};
}

/** A calendar day some days on, YYYY-MM-DD. */
export const dayPlus = (day: string, days: number): string =>
	new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

/** Whole days from one calendar day to another. */
export const daysBetween = (from: string, to: string): number =>
	Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS);

/** An instant written with the offset of a zone: `2027-04-18T07:10:00+02:00`. */
export function zonedIso(ms: number, timeZone: string): string {
	const { day, hour, minute } = zonedTime(ms, timeZone);
	const offset = tzOffset(timeZone, new Date(ms));
	const size = Math.abs(offset);
	const seconds = new Date(ms).getUTCSeconds();
	const sign = offset < 0 ? '-' : '+';
	return `${day}T${two(hour)}:${two(minute)}:${two(seconds)}${sign}${two(Math.floor(size / 60))}:${two(Math.round(size % 60))}`;
}
