import { TZDate } from '@date-fns/tz';

/** The instant at which clocks in a zone show a day and time, ms; a time that a clock change skips moves on with it. */
export function zonedMs(day: string, timeZone: string, hour = 0, minute = 0): number {
	const [year = 1970, month = 1, date = 1] = day.split('-').map(Number);
	return new TZDate(year, month - 1, date, hour, minute, timeZone).getTime();
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
	const local = new TZDate(ms, timeZone);
	return {
		day: `${String(local.getFullYear()).padStart(4, '0')}-${two(local.getMonth() + 1)}-${two(local.getDate())}`,
		hour: local.getHours(),
		minute: local.getMinutes(),
		weekday: local.getDay()
	};
}

/** A calendar day some days on, YYYY-MM-DD. */
export const dayPlus = (day: string, days: number): string =>
	new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/** Whole days from one calendar day to another. */
export const daysBetween = (from: string, to: string): number =>
	Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000);

/** An instant written with the offset of a zone: `2027-04-18T07:10:00+02:00`. */
export function zonedIso(ms: number, timeZone: string): string {
	const { day, hour, minute } = zonedTime(ms, timeZone);
	const offset = -new TZDate(ms, timeZone).getTimezoneOffset();
	const size = Math.abs(offset);
	const seconds = new Date(ms).getUTCSeconds();
	const sign = offset < 0 ? '-' : '+';
	return `${day}T${two(hour)}:${two(minute)}:${two(seconds)}${sign}${two(Math.floor(size / 60))}:${two(Math.round(size % 60))}`;
}
