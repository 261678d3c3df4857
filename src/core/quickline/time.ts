import { dayPlus, zonedMs, zonedTime } from '../logbook/index.js';

/** A moment that a line may mean. */
export interface Moment {
	readonly ms: number;
	/** said when the line does not name it outright */
	readonly warns?: string;
}

/**
 * What is left of a line once its time is taken out, and the moments that may be meant, likeliest first; or why there
 * is no such time.
 */
export type Timed =
	{ readonly rest: string; readonly moments: readonly Moment[] } | { readonly problem: string };

/** Where in a line its time is looked for: a note keeps every word behind it. */
export type Where = 'start' | 'either end';

const WEEKDAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];
const DAY_WORD = String.raw`yesterday|today|(?:sun|mon|tue|wed|thu|fri|sat)[a-z]*|\d{4}-\d{2}-\d{2}`;
const CLOCK = String.raw`(?:at\s+)?([01]?\d|2[0-3])[:.h]([0-5]\d)`;
/** Two figures as on a clock, whether or not a clock shows them. */
const LIKE_CLOCK = String.raw`(?:at\s+)?(\d{1,2}:\d{2})`;
const AGO = String.raw`[-−]\s*(\d+(?:[.,]\d+)?)\s*(min|m|h|d)[a-z]*|(\d+(?:[.,]\d+)?)\s*(min|m|h|d)[a-z]*\s+ago`;

const AGO_MS: ReadonlyMap<string, number> = new Map([
	['m', 60_000],
	['min', 60_000],
	['h', 3_600_000],
	['d', 86_400_000]
]);
const BY_CALENDAR = /^\d{4}-/;

/** A phrase at the start (or at the end) of a line, whole words only. */
const take = (
	line: string,
	phrase: string,
	where: Where
): { match: RegExpExecArray; rest: string } | undefined => {
	const start = new RegExp(`^(?:${phrase})(?=\\s|$)`, 'i').exec(line);
	if (start) return { match: start, rest: line.slice(start[0].length).trim() };
	if (where === 'start') return undefined;
	const end = new RegExp(`(?:^|\\s)(?:${phrase})$`, 'i').exec(line);
	return end ? { match: end, rest: line.slice(0, end.index).trim() } : undefined;
};

/** Whether a day stands in the calendar: 31 February does not. */
const isDay = (day: string): boolean => {
	const ms = Date.parse(`${day}T00:00:00Z`);
	return !Number.isNaN(ms) && new Date(ms).toISOString().startsWith(day);
};

function dayNamed(word: string, nowMs: number, timeZone: string): string | undefined {
	const { day: today, weekday } = zonedTime(nowMs, timeZone);
	if (word === 'today') return today;
	if (word === 'yesterday') return dayPlus(today, -1);
	if (/^\d/.test(word)) return isDay(word) ? word : undefined;
	const meant = WEEKDAYS.findIndex((name) => word.length >= 3 && name.startsWith(word));
	// The last such day: "wed" on a Wednesday is today.
	return meant === -1 ? undefined : dayPlus(today, -((weekday - meant + 7) % 7));
}

function clockAlone(hour: number, minute: number, nowMs: number, timeZone: string): readonly Moment[] {
	const { day } = zonedTime(nowMs, timeZone);
	const today = zonedMs(day, timeZone, hour, minute);
	if (today <= nowMs) return [{ ms: today }];
	return [
		{
			ms: zonedMs(dayPlus(day, -1), timeZone, hour, minute),
			warns: 'Yesterday is meant: today that time is still to come.'
		},
		{ ms: today, warns: 'That is still to come.' }
	];
}

const DAY_MS = 86_400_000;
/** Nobody writes down what lies further back, or so far ahead. */
const EARLIEST_MS = 20 * 366 * DAY_MS;
const LATEST_MS = 2 * 366 * DAY_MS;

/** Moments that a logbook may hold; a slip of the keyboard is none. */
function within(timed: { rest: string; moments: readonly Moment[] }, nowMs: number): Timed {
	return timed.moments.every(({ ms }) => ms >= nowMs - EARLIEST_MS && ms <= nowMs + LATEST_MS)
		? timed
		: { problem: 'That is too far away to be meant. Say when, as in “yesterday 21:30” or “-2h”.' };
}

/**
 * Takes the time out of a line: `yesterday 21:30`, `08:15`, `-2h`, `30 min ago`, `wed 18:00`, `2027-04-18 07:10`,
 * at its start or its end. A line without one means now.
 */
export function takeTime(line: string, nowMs: number, timeZone: string, where: Where = 'either end'): Timed {
	const text = line.trim();
	const ago = take(text, AGO, where);
	if (ago) {
		const amount = Number((ago.match[1] ?? ago.match[3] ?? '0').replace(',', '.'));
		const unit = (ago.match[2] ?? ago.match[4] ?? 'h').toLowerCase();
		return within({ rest: ago.rest, moments: [{ ms: nowMs - amount * (AGO_MS.get(unit) ?? 0) }] }, nowMs);
	}
	const both = take(text, `(${DAY_WORD})[\\sT]+${CLOCK}`, where);
	const dated = both ?? take(text, `(${DAY_WORD})`, where);
	const word = (dated?.match[1] ?? '').toLowerCase();
	const day = dated && dayNamed(word, nowMs, timeZone);
	if (dated && day === undefined && BY_CALENDAR.test(word))
		return { problem: `There is no ${word} in the calendar. Say the day as in “2027-04-18”.` };
	const shown = both ?? take(dated?.rest ?? text, CLOCK.replace('[:.h]', '[:h]'), where);
	const like = shown ? undefined : take(dated?.rest ?? text, LIKE_CLOCK, where);
	if (like) return { problem: `No clock shows ${like.match[1]}. Say the time as in “21:30”.` };
	if (dated && day) {
		const { hour, minute } = both
			? { hour: Number(both.match[2]), minute: Number(both.match[3]) }
			: zonedTime(nowMs, timeZone);
		const ms = zonedMs(day, timeZone, hour, minute);
		return within(
			{ rest: dated.rest, moments: [ms > nowMs ? { ms, warns: 'That is still to come.' } : { ms }] },
			nowMs
		);
	}
	const clock = take(text, CLOCK.replace('[:.h]', '[:h]'), where);
	if (clock)
		return {
			rest: clock.rest,
			moments: clockAlone(Number(clock.match[1]), Number(clock.match[2]), nowMs, timeZone)
		};
	return { rest: text, moments: [{ ms: nowMs }] };
}
