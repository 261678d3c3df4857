import { describe, expect, it } from 'vitest';
import { hoursReader } from './index.js';

const iso = (ms: number | undefined): string | undefined =>
	ms === undefined ? undefined : new Date(ms).toISOString().slice(0, 16);
const first = (open: string, from: string, until: string, timeZone = 'Etc/UTC', country?: string) =>
	iso(hoursReader().firstOpenMs(open, { timeZone, country }, Date.parse(from), Date.parse(until)));

describe('opening hours', () => {
	it('are read on the clock of the trip, wherever the reader is', () => {
		const open = 'Apr-Oct Mo-Sa 08:00-18:00';
		// 8:00 in Auckland on Monday the 5th is 20:00 of Sunday in UTC; winter time began there that Sunday
		expect(first(open, '2027-04-04T00:00:00Z', '2027-04-06T00:00:00Z', 'Pacific/Auckland')).toBe(
			'2027-04-04T20:00'
		);
		expect(first(open, '2027-04-04T00:00:00Z', '2027-04-06T00:00:00Z', 'America/Denver')).toBe(
			'2027-04-05T14:00'
		);
		expect(first(open, '2027-04-04T00:00:00Z', '2027-04-06T00:00:00Z', 'Europe/London')).toBe(
			'2027-04-05T07:00'
		);
	});
	it('begin at once where it is open, also for one who does not stay; and never out of season', () => {
		expect(first('08:00-18:00', '2027-05-04T09:10:00Z', '2027-05-04T09:10:00Z')).toBe('2027-05-04T09:10');
		expect(first('08:00-18:00', '2027-05-04T07:10:00Z', '2027-05-04T07:50:00Z')).toBeUndefined();
		expect(first('Apr-Oct', '2027-11-04T07:10:00Z', '2027-11-24T07:50:00Z')).toBeUndefined();
	});
	it('mind public holidays where it is known whose', () => {
		const christmas = ['2026-12-25T09:00:00Z', '2026-12-25T17:00:00Z'] as const;
		expect(first('Mo-Fr 08:00-18:00; PH off', ...christmas)).toBe('2026-12-25T09:00');
		expect(first('Mo-Fr 08:00-18:00; PH off', ...christmas, 'Etc/UTC', 'de')).toBeUndefined();
		expect(first('Mo-Fr,PH 08:00-18:00', ...christmas)).toBe('2026-12-25T09:00');
	});
	it('that cannot be read are known by nobody: open', () => {
		expect(hoursReader().reads('ask at the farm')).toBe(false);
		expect(first('ask at the farm', '2027-05-04T09:10:00Z', '2027-05-05T09:10:00Z')).toBe('2027-05-04T09:10');
		expect(hoursReader().reads('Apr-Oct 08:00-18:00')).toBe(true);
	});
	it('tell when they change', () => {
		const changes = hoursReader().changesMs(
			'08:00-18:00',
			{ timeZone: 'Europe/London' },
			Date.parse('2027-05-04T09:00Z')
		);
		expect(iso(changes)).toBe('2027-05-04T17:00');
	});
});
