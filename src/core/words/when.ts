import { clockTime, DAY_MS, daysBetween, dayWriter, HOUR_MS, zonedTime } from '../time/index.js';

const EPOCH = '1970-01-01';

/** Calendar day in the zone as a number of days, and the hour. */
const localTime = (ms: number, timeZone: string): { day: number; hour: number } => {
	const { day, hour } = zonedTime(ms, timeZone);
	return { day: daysBetween(EPOCH, day), hour };
};

const WEEKDAY = dayWriter({ weekday: 'long' });
const SHORT_WEEKDAY = dayWriter({ weekday: 'short' });
const YEAR = dayWriter({ year: 'numeric' });
const DAY_OF_YEAR = dayWriter({ day: 'numeric', month: 'long' });
const LONG_DATE = dayWriter({ day: 'numeric', month: 'long', year: 'numeric' });
const DATE = dayWriter({ weekday: 'short', day: 'numeric', month: 'short' });
const dayWord = (day: number, write: (ms: number) => string): string => write(day * DAY_MS);

/** Beyond this many days a weekday alone would be mistaken for a nearer one. */
const WEEK = 6;

const named = (day: number, today: number): string =>
	Math.abs(day - today) > WEEK ? dayWord(day, DATE).replace(',', '') : dayWord(day, WEEKDAY);

/** A day as people say it: `yesterday`, `today`, `tomorrow`, `Thursday`, `Thu 12 Jun`. */
export function sayDay(ms: number, nowMs: number, timeZone: string): string {
	const [then, now] = [localTime(ms, timeZone).day, localTime(nowMs, timeZone).day];
	if (then === now) return 'today';
	if (then === now - 1) return 'yesterday';
	return then === now + 1 ? 'tomorrow' : named(then, now);
}

/** The same as it stands in a sentence: `today`, `on Thursday`. */
export function onDay(ms: number, nowMs: number, timeZone: string): string {
	const day = sayDay(ms, nowMs, timeZone);
	return day === 'today' || day === 'tomorrow' || day === 'yesterday' ? day : `on ${day}`;
}

/** Before this hour it is still the night of the day before. */
const DAWN = 5;

/** The short weekday that a flag bears: `Thu`. The small hours belong to the day before. */
export function flagDay(ms: number, timeZone: string): string {
	const { day, hour } = localTime(ms, timeZone);
	return dayWord(hour < DAWN ? day - 1 : day, SHORT_WEEKDAY);
}

const partOf = (hour: number): string =>
	hour < 11
		? 'morning'
		: hour < 14
			? 'around noon'
			: hour < 18
				? 'afternoon'
				: hour < 22
					? 'evening'
					: 'night';

/** A moment as people say it, to the part of the day: `Friday around noon`, `tomorrow morning`, `tonight`. */
export function sayWhen(ms: number, nowMs: number, timeZone: string): string {
	const { day, hour } = localTime(ms, timeZone);
	const today = localTime(nowMs, timeZone).day;
	// The small hours belong to the night before.
	const [evening, part] = hour < DAWN ? [day - 1, 'night'] : [day, partOf(hour)];
	if (evening <= today) {
		if (part === 'night') return 'tonight';
		return part === 'around noon' ? 'today around noon' : `this ${part}`;
	}
	if (evening - today > WEEK) return named(evening, today);
	return `${evening === today + 1 ? 'tomorrow' : named(evening, today)} ${part}`;
}

/** The day until which something lasts: as `sayDay`, but the small hours belong to the day before. */
export const sayLastDay = (ms: number, nowMs: number, timeZone: string): string => {
	const shifted = ms - DAWN * HOUR_MS;
	return sayDay(Math.max(shifted, nowMs), nowMs, timeZone);
};

/** A past moment as people say it, to the part of the day: `this morning`, `yesterday evening`, `Sunday night`. */
export function sayPast(ms: number, nowMs: number, timeZone: string): string {
	const { day, hour } = localTime(ms, timeZone);
	const today = localTime(nowMs, timeZone).day;
	const [evening, part] = hour < DAWN ? [day - 1, 'night'] : [day, partOf(hour)];
	if (evening === today) return part === 'around noon' ? 'today around noon' : `this ${part}`;
	if (evening === today - 1) return part === 'night' ? 'last night' : `yesterday ${part}`;
	return `${named(evening, today)} ${part}`;
}

/** `3 March`, with the year when it is another one. */
function longDay(then: number, now: number): string {
	return dayWord(then, dayWord(then, YEAR) === dayWord(now, YEAR) ? DAY_OF_YEAR : LONG_DATE);
}

/** A day in the past, for how old something is: `today`, `Monday`, `3 March`, `3 March 2026`. */
export function sayAgo(ms: number, nowMs: number, timeZone: string): string {
	const [then, now] = [localTime(ms, timeZone).day, localTime(nowMs, timeZone).day];
	if (now - then <= WEEK) return sayDay(ms, nowMs, timeZone);
	return longDay(then, now);
}

/** A day to come, for when something is due: `today`, `Friday`, `9 March`, `9 March 2028`. */
export function sayAhead(ms: number, nowMs: number, timeZone: string): string {
	const [then, now] = [localTime(ms, timeZone).day, localTime(nowMs, timeZone).day];
	return then - now <= WEEK ? sayDay(ms, nowMs, timeZone) : longDay(then, now);
}

/** A moment to the minute, as it stands behind what happened: `today at 08:15`, `yesterday at 21:30`, `on Sat 1 May at 07:10`. */
export function sayMomentOf(ms: number, nowMs: number, timeZone: string): string {
	const local = zonedTime(ms, timeZone);
	const { day } = local;
	const years = day.slice(0, 4) === zonedTime(nowMs, timeZone).day.slice(0, 4) ? '' : ` ${day.slice(0, 4)}`;
	return `${onDay(ms, nowMs, timeZone)}${years} at ${clockTime(local)}`;
}
