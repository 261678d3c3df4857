import { DAY_MS } from './constants.js';

/** A number of at least so many digits: `07`. */
export const padded = (n: number | string, digits = 2): string => String(n).padStart(digits, '0');

/** A day of the calendar, YYYY-MM-DD, from its numbers; months count from 1. */
export const calendarDay = (year: number, month: number, date: number): string =>
	`${padded(year, 4)}-${padded(month)}-${padded(date)}`;

/** The instant at which a calendar day begins in UTC, ms. */
export const utcMidnightMs = (day: string): number => Date.parse(`${day}T00:00:00Z`);

/** Whether a text is a day that the calendar has, YYYY-MM-DD: 31 February is none. */
export const isCalendarDay = (text: string): boolean => {
	if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
	const ms = utcMidnightMs(text);
	return !Number.isNaN(ms) && new Date(ms).toISOString().slice(0, 10) === text;
};

/** A calendar day some days on, YYYY-MM-DD. */
export const dayPlus = (day: string, days: number): string =>
	new Date(utcMidnightMs(day) + days * DAY_MS).toISOString().slice(0, 10);

/** Whole days from one calendar day to another. */
export const daysBetween = (from: string, to: string): number =>
	Math.round((utcMidnightMs(to) - utcMidnightMs(from)) / DAY_MS);
