import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	DAY_MS,
	dayPlus,
	daysBetween,
	HOUR_MS,
	isCalendarDay,
	MINUTE_MS,
	splitAt,
	valueAt,
	wakingDayOf,
	writtenOffsetMs
} from './index.js';

describe('days of the calendar', () => {
	it('31 February is none, 29 only in a leap year, and a year has four digits', () => {
		const days = ['2027-02-28', '2027-02-29', '2028-02-29', '2027-02-31', '27-02-03', '2027-2-3', '', 'x'];
		expect(days.filter(isCalendarDay)).toEqual(['2027-02-28', '2028-02-29']);
	});
	it('so many days on and back again', () =>
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 20_000 }), fc.integer({ min: -900, max: 900 }), (from, by) => {
				const day = new Date(from * DAY_MS).toISOString().slice(0, 10);
				expect(dayPlus(dayPlus(day, by), -by)).toBe(day);
				expect(daysBetween(day, dayPlus(day, by))).toBe(by);
			})
		));
	it('the offset in which an instant was written', () => {
		expect(writtenOffsetMs('2027-04-18T07:10:00+02:00')).toBe(2 * HOUR_MS);
		expect(writtenOffsetMs('2027-04-18T07:10:00-03:30')).toBe(-210 * MINUTE_MS);
		expect(writtenOffsetMs('2027-04-18T07:10:00Z')).toBe(0);
	});
});

describe('what holds from a moment on', () => {
	const timeline = [
		{ ms: 10, is: 'a' },
		{ ms: 20, is: 'b' }
	];
	it('nothing before the first, then each until the next', () =>
		expect([9, 10, 19, 20, 99].map((ms) => valueAt(timeline, ms))).toEqual([undefined, 'a', 'a', 'b', 'b']));
	it('a time cut at moments within it keeps its length and its ends', () => {
		expect(splitAt(0, 30, timeline)).toEqual([
			[0, 10],
			[10, 20],
			[20, 30]
		]);
		expect(splitAt(10, 20, timeline)).toEqual([[10, 20]]);
	});
});

describe('the waking day', () => {
	// 16 waking hours bear 96 in a hundred, 8 hours of night 4; an hour ahead of UTC
	const day = wakingDayOf(7, 23, 0.04, () => HOUR_MS);
	it('by hand: four hours of a morning, four of a night, a whole day', () => {
		expect(day.days(7 * HOUR_MS, 11 * HOUR_MS)).toBeCloseTo(0.24, 12);
		expect(day.days(0, 4 * HOUR_MS)).toBeCloseTo(0.02, 12);
		expect(day.days(3 * HOUR_MS, 3 * HOUR_MS + DAY_MS)).toBeCloseTo(1, 12);
		expect(day.days(5, 4)).toBe(0);
	});
	it('finds the moment by which so much is used: the inverse of the days between, at any hour', () =>
		fc.assert(
			fc.property(
				fc.integer({ min: 0, max: 40 * DAY_MS }),
				fc.double({ min: 0, max: 30, noNaN: true }),
				(from, days) => {
					expect(day.days(from, day.after(from, days))).toBeCloseTo(days, 6);
				}
			)
		));
	it('parts of a day end by the local clock', () => {
		expect(day.lastEndMs(DAY_MS, 1)).toBe(DAY_MS - HOUR_MS);
		expect(day.lastEndMs(13 * HOUR_MS, 4)).toBe(11 * HOUR_MS);
	});
});
