import { clockTime, zonedIso, zonedMs, zonedTime } from './index.js';
import fc from 'fast-check';
import { expect, it } from 'vitest';

const ZONES = [
	'Europe/London',
	'America/St_Johns',
	'Australia/Lord_Howe',
	'Asia/Kathmandu',
	'Pacific/Apia',
	'Etc/UTC'
];

it('a clock time that is skipped moves on; of one that comes twice it is the first', () => {
	const at = (day: string, hour: number, minute = 0): string =>
		new Date(zonedMs(day, 'Europe/London', hour, minute)).toISOString();
	expect(at('2027-03-28', 1, 30)).toBe('2027-03-28T01:30:00.000Z');
	expect(at('2027-10-31', 1, 30)).toBe('2027-10-31T00:30:00.000Z');
	expect(at('2027-10-31', 2)).toBe('2027-10-31T02:00:00.000Z');
});

it('what a clock shows and the instant are each other’s inverse, but for the hour that comes twice', () =>
	fc.assert(
		fc.property(
			fc.constantFrom(...ZONES),
			fc.integer({ min: Date.UTC(2015, 0, 1) / 60_000, max: Date.UTC(2045, 0, 1) / 60_000 }),
			(zone, minutes) => {
				const ms = minutes * 60_000;
				const { day, hour, minute } = zonedTime(ms, zone);
				const back = zonedMs(day, zone, hour, minute);
				expect(zonedTime(back, zone)).toEqual(zonedTime(ms, zone));
				expect([0, 30 * 60_000, 3_600_000]).toContain(ms - back);
				expect(Date.parse(zonedIso(ms, zone))).toBe(ms);
			}
		),
		{ numRuns: 300 }
	));

/** Clocks change in it in one of the zones, or another has an odd offset. */
const CHANGES = [
	'2027-03-28',
	'2027-10-31',
	'2027-04-03',
	'2027-10-02',
	'2027-03-14',
	'2011-12-29',
	'2027-06-01'
];

it.each(ZONES)('%s shows what the platform’s own calendar shows, on days when clocks change too', (zone) => {
	const format = new Intl.DateTimeFormat('en-CA', {
		timeZone: zone,
		dateStyle: 'short',
		timeStyle: 'short',
		hourCycle: 'h23'
	});
	for (const day of CHANGES)
		for (let minutes = -14 * 60; minutes < 38 * 60; minutes += 10) {
			const ms = Date.parse(`${day}T00:00Z`) + minutes * 60_000;
			const shown = zonedTime(ms, zone);
			expect(`${shown.day}, ${clockTime(shown)}`).toBe(format.format(ms));
		}
});
