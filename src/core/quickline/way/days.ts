import { casual } from 'chrono-node/en';
import { CUT } from './cutting.js';
import { calendarDay, dayPlus, dayWriter, padded, utcMidnightMs } from '../../time/index.js';

/** A day, a time of day, or both, as somebody writes them. */
export interface WhenSaid {
	readonly day?: string;
	readonly hour?: number;
	readonly minute?: number;
	/** only a day of the week was said */
	readonly weekday?: boolean;
}

/** `12.6.`, `12.6.2027`, `12/6`, `12/6/27`: the day first. */
const FIGURES = /^(\d{1,2})[./](\d{1,2})(?:[./](\d{4}|\d{2})?)?(?![\d:])/;
const CLOCK =
	/^(?:at\s+|by\s+|around\s+)?(?:(\d{1,2})[:.h](\d{2})(?:\s*(am|pm))?|(\d{1,2})\s*(am|pm)|(noon|midday))\b/i;
const PART_OF_DAY = /^(morning|noon|afternoon|evening|night)\b/i;
/** The hours that parts of a day are taken for. */
const PARTS: Readonly<Record<string, number>> = {
	morning: 9,
	noon: 12,
	afternoon: 15,
	evening: 19,
	night: 21
};
/** What the parser takes along with a day. */
const CLOCK_BEHIND = /,?\s*(?:at\s+)?\d{1,2}(?::\d{2})?\s*(?:am|pm)?$/i;
const PART_BEHIND = /\s*(?:morning|evening|noon|night|afternoon)$/i;
const TODAY = /^(today|tonight|now)\b/i;

/** A date that has just gone by is a slip, not one of next year; days. */
const JUST_GONE_DAYS = 60;

/** The year that is meant by a date without one: this one, or the next where it is long gone by. */
function yearOf(month: number, day: number, after: string): number {
	const year = Number(after.slice(0, 4));
	return calendarDay(year, month, day) >= dayPlus(after, -JUST_GONE_DAYS) ? year : year + 1;
}

function clockAt(
	text: string
): { readonly length: number; readonly hour: number; readonly minute: number } | undefined {
	const found = CLOCK.exec(text);
	if (!found) return undefined;
	const [all, h, m = '0', half, plainHour, plainHalf, noon] = found;
	const pm = (half ?? plainHalf)?.toLowerCase();
	const typed = noon ? 12 : Number(h ?? plainHour);
	const hour = pm === 'pm' && typed < 12 ? typed + 12 : pm === 'am' && typed === 12 ? 0 : typed;
	const minute = Number(m);
	return hour > 23 || minute > 59 ? undefined : { length: all.length, hour, minute };
}

interface DayAt {
	readonly length: number;
	readonly day: string;
	readonly weekday?: boolean;
	/** the last day of a stretch of days: `12–15 June` */
	readonly end?: string;
}

/** The day that stands at the beginning of a text; of a weekday or a date without a year the first one from a day on. */
function dayAt(text: string, after: string): DayAt | undefined {
	const today = TODAY.exec(text);
	if (today) return { length: today[0].length, day: after };
	const figures = FIGURES.exec(text);
	if (figures) {
		const [all, d, m, y] = figures;
		const [day, month] = [Number(d), Number(m)];
		if (month < 1 || month > 12 || day < 1 || day > 31) return undefined;
		const year = y === undefined ? yearOf(month, day, after) : Number(y.length === 2 ? `20${y}` : y);
		return { length: all.length, day: calendarDay(year, month, day) };
	}
	// Wall time is put to the parser as if it were UTC: what comes back are figures of the calendar.
	const reference = { instant: new Date(utcMidnightMs(after)), timezone: 0 };
	const found = casual.parse(text, reference, { forwardDate: true })[0];
	if (found?.index !== 0) return undefined;
	const { start, end } = found;
	if (!start.isCertain('day') && !start.isCertain('weekday')) return undefined;
	const of = (part: 'year' | 'month' | 'day'): number => start.get(part) ?? 0;
	const year =
		start.isCertain('year') || start.isCertain('weekday')
			? of('year')
			: yearOf(of('month'), of('day'), after);
	// A clock, or a part of the day, that the parser takes along is read by itself.
	const length = (start.isCertain('hour') ? found.text.replace(CLOCK_BEHIND, '') : found.text).replace(
		PART_BEHIND,
		''
	).length;
	const day = calendarDay(year, of('month'), of('day'));
	const weekday = !start.isCertain('day');
	const ends = end
		? calendarDay(end.get('year') ?? year, end.get('month') ?? 1, end.get('day') ?? 1)
		: undefined;
	return {
		length,
		day,
		weekday,
		...(ends === undefined
			? {}
			: { end: ends < day && weekday ? dayPlus(ends, 7) : ends < day ? `${year + 1}${ends.slice(4)}` : ends })
	};
}

/**
 * A day, a clock or both at the beginning of a text: `Saturday`, `Sat 5 Dec 14:00`, `14:00`.
 *
 * @param after of days without a year or a date the first one from this day on is meant
 * @returns what was said, and how many characters of the text say it; nothing where it begins otherwise
 */
export function whenAt(
	text: string,
	after: string
): { readonly said: WhenSaid; readonly end?: string; readonly length: number } | undefined {
	const lead = /^(?:\s|the\b)*/i.exec(text)?.[0].length ?? 0;
	// What was cut out of a line ends what stands before it.
	const rest = (text.slice(lead).split(CUT)[0] ?? '').trimEnd();
	const clockFirst = /^\d{1,2}[.]\d{1,2}[.]/.test(rest) ? undefined : clockAt(rest);
	if (clockFirst) {
		const { hour, minute, length } = clockFirst;
		const between = /^[\s,]*(?:on\s+)?/i.exec(rest.slice(length))?.[0].length ?? 0;
		const day = dayAt(rest.slice(length + between), after);
		return {
			said: { hour, minute, ...(day ? { day: day.day } : {}) },
			length: lead + length + (day ? between + day.length : 0)
		};
	}
	const day = dayAt(rest, after);
	if (!day) return undefined;
	const between = /^[\s,]*/.exec(rest.slice(day.length))?.[0].length ?? 0;
	const behind = rest.slice(day.length + between);
	const part = PART_OF_DAY.exec(behind);
	const clock = part
		? { length: part[0].length, hour: PARTS[part[1]?.toLowerCase() ?? ''] ?? 12, minute: 0 }
		: clockAt(behind);
	return {
		said: {
			day: day.day,
			...(day.weekday ? { weekday: true } : {}),
			...(clock ? { hour: clock.hour, minute: clock.minute } : {})
		},
		...(day.end === undefined ? {} : { end: day.end }),
		length: lead + day.length + (clock ? between + clock.length : 0)
	};
}

const DATE = dayWriter({ weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' });
/** A day and a clock as `whenAt` reads them again: `Sat 5 Dec 2026 14:00`. */
export function sayExactly(day: string, hour: number, minute: number): string {
	return `${DATE(utcMidnightMs(day)).replace(',', '')} ${padded(hour)}:${padded(minute)}`;
}
