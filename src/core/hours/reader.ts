import OpeningHours from 'opening_hours';
import type { HoursPlace, HoursReader } from '../logbook/index.js';
import { calendarDay, DAY_MS, wallMs, zonedMs } from '../time/index.js';

/** Public and school holidays count only where it is known whose: without a country the parts that speak of them are left out. */
const withoutHolidays = (open: string): string =>
	open
		.replace(/[;,]?\s*(?:PH|SH)(?:\s*,\s*(?:PH|SH))*\s+(?:off|closed)\b/gi, '')
		.replace(/\b(?:PH|SH)\s*,\s*|,\s*(?:PH|SH)\b/gi, '')
		.replace(/^\s*;\s*/, '');

/**
 * The same wall clock in the zone of the process, which is the one that the package reads: an hour that a clock change there leaves out is
 * taken for the next one.
 */
function processDate(ms: number, timeZone: string): Date {
	const wall = new Date(wallMs(ms, timeZone));
	return new Date(
		wall.getUTCFullYear(),
		wall.getUTCMonth(),
		wall.getUTCDate(),
		wall.getUTCHours(),
		wall.getUTCMinutes(),
		wall.getUTCSeconds()
	);
}

const zonedFrom = (date: Date, timeZone: string): number =>
	zonedMs(
		calendarDay(date.getFullYear(), date.getMonth() + 1, date.getDate()),
		timeZone,
		date.getHours(),
		date.getMinutes()
	);

/** Hours as the package reads them; nothing where it cannot. */
function hoursOf(
	open: string,
	{ country, position }: Omit<HoursPlace, 'timeZone'>
): OpeningHours | undefined {
	const [lon, lat] = position ?? [0, 48];
	const address = { country_code: country ?? '', state: '' };
	for (const text of country ? [open, withoutHolidays(open)] : [withoutHolidays(open)])
		try {
			const hours = new OpeningHours(text, { lat, lon, address });
			// holidays that are not known are noticed when they are asked for
			hours.getState(new Date(2027, 0, 1));
			return hours;
		} catch (error) {
			// The package throws texts where it does not understand; all else is ours.
			if (error instanceof TypeError || error instanceof ReferenceError) throw error;
		}
	return undefined;
}

/** A server that reads everybody's texts remembers no more of them than this. */
const MOST_KNOWN = 1000;
/** What does not open within so long is not open: nobody waits longer, and a text may change every minute. */
const LOOKED_MS = 370 * DAY_MS;

/** A reader of opening hours by the package `opening_hours`, which remembers what it has read. */
export function hoursReader(): HoursReader {
	const known = new Map<string, OpeningHours | undefined>();
	function read(open: string, place: Omit<HoursPlace, 'timeZone'>): OpeningHours | undefined {
		const key = JSON.stringify([open, place.country, place.position]);
		if (!known.has(key)) {
			if (known.size >= MOST_KNOWN) known.clear();
			known.set(key, hoursOf(open, place));
		}
		return known.get(key);
	}
	return {
		reads: (open) => read(open, {}) !== undefined,
		firstOpenMs(open, { timeZone, country, position }, fromMs, untilMs) {
			const hours = read(open, { country, position });
			if (!hours) return fromMs;
			const until = processDate(Math.min(untilMs, fromMs + LOOKED_MS), timeZone);
			let date: Date | undefined = processDate(fromMs, timeZone);
			if (hours.getState(date)) return fromMs;
			while (date && date < until) {
				date = hours.getNextChange(date, until);
				if (date && date < until && hours.getState(date)) return Math.max(fromMs, zonedFrom(date, timeZone));
			}
			return undefined;
		},
		changesMs(open, { timeZone, country, position }, atMs) {
			const next = read(open, { country, position })?.getNextChange(processDate(atMs, timeZone));
			return next && zonedFrom(next, timeZone);
		}
	};
}
