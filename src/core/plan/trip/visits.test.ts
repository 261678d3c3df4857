import { describe, expect, it } from 'vitest';
import { exactTrip } from '../../../../tests/helpers/logbooks.js';
import type { Service, Stop, Trip } from '../../logbook/index.js';
import { pricesOf, visitsOf, type Reading, type ServiceVisit } from './visits.js';

const stop = (
	services: readonly Service[],
	arrive = '2027-05-02T10:00:00Z',
	depart = '2027-05-02T12:00:00Z'
): Stop => ({
	id: 's',
	name: 'S',
	arrive,
	depart,
	legKm: 10,
	services
});
const prices = { ...pricesOf({ policy: {} }), perMinute: 0.1, perKm: 1 };
const visits = (
	one: Stop,
	reading: Reading = 'on-arrival',
	from = '2027-05-01T06:00:00Z',
	more = {}
): readonly ServiceVisit[] =>
	visitsOf({ ...exactTrip, stops: [one] } as Trip, Date.parse(from), { ...prices, ...more }, reading, {
		wanted: 7,
		onSewer: 6
	});

describe('what a stop offers', () => {
	it('by the kinds used: fees and minutes of each, the longest way round once', () => {
		const [visit] = visits(
			stop([
				{ kind: 'water', fee: 2, minutes: 10, detourKm: 3 },
				{ kind: 'grey', fee: 1, detourKm: 5 },
				{ kind: 'black', minutes: 20 }
			])
		);
		// none, water, grey, both, black …
		expect(visit?.cost.map((cost) => Number(cost.toFixed(6)))).toEqual([0, 6, 6, 9, 2, 8, 8, 11]);
		expect(visit?.offers).toBe(7);
	});
	it('of two taps the cheaper one, and the nearer one where one goes nowhere else', () => {
		const [visit] = visits(
			stop([
				{ kind: 'water', fee: 4 },
				{ kind: 'water', fee: 1, detourKm: 4 },
				{ kind: 'grey', detourKm: 6 }
			])
		);
		expect(visit?.cost.slice(0, 4)).toEqual([0, 4, 6, 7]);
		expect(visit?.services[1]).toEqual([{ kind: 'water', fee: 4 }]);
		expect(visit?.services[3]?.[0]).toMatchObject({ fee: 1 });
	});
	it('no drink from what is not potable, and no fee where only free water is taken', () => {
		expect(visits(stop([{ kind: 'water', potable: false }]))).toEqual([]);
		const paid = stop([
			{ kind: 'water', fee: 3 },
			{ kind: 'grey', fee: 3 }
		]);
		expect(visits(paid, 'on-arrival', undefined, { freeWater: true })[0]?.offers).toBe(2);
	});
	const site = stop([
		{ kind: 'sewer', fee: 8 },
		{ kind: 'mains', fee: 2 }
	]);
	it('a hook-up that is only listed is none, however one lives', () => {
		expect(visits(site)).toEqual([]);
		expect(visits(site, 'while-there')).toEqual([]);
	});
	it('a sewer that is chosen is paid for once, and drains what is built in for nothing more', () => {
		const [visit] = visits({ ...site, hookup: { sewer: true } });
		expect(visit?.offers).toBe(6);
		expect(visit?.cost.filter(Number.isFinite).every((cost) => Math.abs(cost) < 1e-5)).toBe(true);
		expect(visit?.services[6]).toEqual([{ kind: 'sewer', fee: 8 }]);
		const cassette = visitsOf(
			{ ...exactTrip, stops: [{ ...site, hookup: { sewer: true } }] } as Trip,
			Date.parse('2027-05-01T06:00:00Z'),
			prices,
			'on-arrival',
			{ wanted: 7, onSewer: 2 }
		);
		expect(cassette[0]?.offers).toBe(2);
	});
	it('mains that are chosen fill a tank where one stays, and are no tap by the file format', () => {
		const hooked = { ...site, hookup: { mains: true } };
		expect(visits(hooked)).toEqual([]);
		expect(visits(hooked, 'while-there')[0]).toMatchObject({ offers: 1, cost: expect.arrayContaining([0]) });
	});
});

describe('when a stop can be used', () => {
	const long = stop([{ kind: 'water' }], '2027-05-02T10:00:00Z', '2027-05-06T09:00:00Z');
	const times = (reading: Reading, from?: string): readonly string[] =>
		visits(long, reading, from).map(({ atMs }) => new Date(atMs).toISOString().slice(8, 13));
	it('on arrival; and while one stays for days, each day again', () => {
		expect(times('on-arrival')).toEqual(['02T10']);
		expect(times('while-there')).toEqual(['02T10', '03T10', '04T10', '05T10']);
	});
	it('once one is there, at once', () => {
		expect(times('on-arrival', '2027-05-02T11:00:00Z')).toEqual([]);
		expect(times('while-there', '2027-05-02T11:00:00Z')).toEqual(['02T11', '03T10', '04T10', '05T10']);
		expect(times('while-there', '2027-05-06T09:00:00Z')).toEqual([]);
	});
});
