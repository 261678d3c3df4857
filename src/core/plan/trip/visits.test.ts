import { describe, expect, it } from 'vitest';
import { exactTrip } from '../../../../tests/helpers/logbooks.js';
import type { Service, Stop, Trip } from '../../logbook/index.js';
import { hoursReader } from '../../hours/index.js';
import { opensAt, pricesOf, visitsOf, type Reading, type ServiceVisit } from './visits.js';

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
	visitsOf(
		{ ...exactTrip, stops: [one] } as Trip,
		Date.parse(from),
		{ prices: { ...prices, ...more }, reading },
		{ wanted: 7, onSewer: 6 },
		opensAt(exactTrip, hoursReader(), Date.parse('2027-05-01T06:00:00Z'))
	);

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
			{ prices, reading: 'on-arrival' },
			{ wanted: 7, onSewer: 2 },
			opensAt(exactTrip, hoursReader(), Date.parse('2027-05-01T06:00:00Z'))
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

describe('hours', () => {
	// from Saturday evening to Monday noon
	const weekend = (services: readonly Service[]): Stop =>
		stop(services, '2027-05-01T18:00:00Z', '2027-05-03T12:00:00Z');
	const opening = (services: readonly Service[], reading: Reading = 'on-arrival', from?: string) =>
		visits(weekend(services), reading, from).map(({ offers, openMs }) => [
			offers,
			...openMs.map((ms) => new Date(ms).toISOString().slice(8, 13))
		]);
	it('a service is used at its first open moment of the stay, each kind at its own', () => {
		const tap: Service = { kind: 'water', open: 'Mo-Fr 08:00-18:00' };
		expect(opening([tap, { kind: 'grey' }])).toEqual([[3, '03T08', '01T18', '01T18']]);
	});
	it('one that is not open while one is there does not exist', () => {
		expect(opening([{ kind: 'water', open: 'Apr 08:00-18:00' }])).toEqual([]);
		expect(opening([{ kind: 'water', open: 'Mo 12:00-18:00' }])).toEqual([]);
		expect(opening([{ kind: 'water', open: '"by arrangement"' }])).toEqual([]);
	});
	it('of two taps with hours of their own each is a chance, and what opens later is still to come for one who is there', () => {
		const two: readonly Service[] = [
			{ kind: 'water', fee: 5, open: '24/7' },
			{ kind: 'water', open: 'Mo 08:00-18:00' }
		];
		expect(opening(two).map(([, water]) => water)).toEqual(['01T18', '03T08']);
		expect(opening(two, 'on-arrival', '2027-05-02T10:00:00Z').map(([, water]) => water)).toEqual(['03T08']);
		expect(opening([two[1]!], 'while-there').map(([, water]) => water)).toEqual(['03T08']);
	});
});
