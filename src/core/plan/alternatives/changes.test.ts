import { HOUR_MS } from '../../time/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactTrip, exactRig, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { parseLogbook, type Point, type Stop, type Trip } from '../../logbook/index.js';
import { changedTrip, livedTrip, reordered, type TripChange } from '../index.js';

const timeZone = 'Europe/London';
/** Stays and ways between them, in hours. */
const trips = fc
	.array(fc.tuple(fc.integer({ min: 1, max: 90 }), fc.integer({ min: 0, max: 30 })), {
		minLength: 1,
		maxLength: 7
	})
	.map((list): Trip => {
		let ms = Date.UTC(2027, 9, 25, 9);
		const stops = list.map(([stay, way], i): Stop => {
			const arriveMs = ms + way * HOUR_MS;
			ms = arriveMs + stay * HOUR_MS;
			return {
				id: `s${i}`,
				name: `S${i}`,
				arrive: new Date(arriveMs).toISOString(),
				depart: new Date(ms).toISOString(),
				legKm: 10 * i,
				services: [{ kind: 'water' }]
			};
		});
		return { ...exactTrip, timeZone, from: '2027-10-25', to: '2027-11-30', stops };
	});
const at = (iso: string | undefined): number => Date.parse(iso ?? '');
const stayOf = ({ arrive, depart }: Stop): number => at(depart) - at(arrive);
const valid = (trip: Trip): boolean => parseLogbook(logbookOf([], exactRig, [trip])).ok;

describe('a trip changed', () => {
	it('a stop moved and moved back is the trip as it was; stays, legs and the whole way are as long', () => {
		fc.assert(
			fc.property(trips, fc.nat(), fc.nat(), (trip, a, b) => {
				const [from, to] = [a % trip.stops.length, b % trip.stops.length];
				const id = trip.stops[from]!.id;
				const moved = reordered(trip, id, to);
				expect(moved.stops[to]?.id).toBe(id);
				expect(valid(moved)).toBe(true);
				for (const stop of trip.stops) {
					const then = moved.stops.find((one) => one.id === stop.id)!;
					expect(stayOf(then)).toBe(stayOf(stop));
					expect(then.legKm).toBe(stop.legKm);
				}
				// the way to the first stop is not known, so one that was first and is so no more has none
				const back = reordered(moved, id, from);
				expect(back.stops.map((stop) => stop.id)).toEqual(trip.stops.map((stop) => stop.id));
				if (from > 0 && to > 0)
					expect(back.stops.map(({ arrive }) => at(arrive))).toEqual(
						trip.stops.map(({ arrive }) => at(arrive))
					);
			})
		);
	});
	it('a night more and a night less again: the same trip, at the same time of day, also where the clocks change', () => {
		fc.assert(
			fc.property(trips, fc.nat(), (trip, a) => {
				const stop = trip.stops[a % trip.stops.length]!.id;
				const longer = changedTrip(trip, { kind: 'nights', stop, by: 1 });
				expect(valid(longer)).toBe(true);
				const clock = ({ depart }: Stop): string =>
					new Intl.DateTimeFormat('en-GB', { timeZone, timeStyle: 'short' }).format(at(depart));
				// an hour that a change of the clocks skips, or gives twice, cannot stay what it was
				const ordinary = trip.stops.filter((one) => !/^0[01]:/.test(clock(one)));
				for (const one of ordinary)
					expect(clock(longer.stops.find(({ id }) => id === one.id)!)).toBe(clock(one));
				const back = changedTrip(longer, { kind: 'nights', stop, by: -1 });
				const kept = (of: Trip) =>
					of.stops.filter(({ id }) => ordinary.some((one) => one.id === id)).map(({ depart }) => at(depart));
				expect(kept(back)).toEqual(kept(trip));
			})
		);
	});
	it('a stop passed by: the way to the next one is both legs', () => {
		const trip = fc.sample(trips, { seed: 5, numRuns: 20 }).find(({ stops }) => stops.length > 3)!;
		const next = changedTrip(trip, { kind: 'skip', stop: 's1' });
		expect(next.stops.map(({ id, legKm }) => [id, legKm]).slice(0, 2)).toEqual([
			['s0', 0],
			['s2', 30]
		]);
		expect(changedTrip(trip, { kind: 'skip', stop: 'nowhere' })).toBe(trip);
	});
	it('a point’s services, each by the way round; a certainty; a school and none; people and measures are no part of it', () => {
		const trip = fc.sample(trips, { seed: 6, numRuns: 1 })[0]!;
		const point: Point = {
			id: 'p',
			name: 'P',
			position: [0, 50],
			services: [{ kind: 'grey', detourKm: 1 }, { kind: 'water' }]
		};
		const after = (change: TripChange): Trip => changedTrip(trip, change, [point]);
		expect(after({ kind: 'point', stop: 's0', point: 'p', detourKm: 6 }).stops[0]?.services).toEqual([
			{ kind: 'water' },
			{ kind: 'grey', detourKm: 7 },
			{ kind: 'water', detourKm: 6 }
		]);
		expect(after({ kind: 'certainty', certainty: 0.97 }).policy).toMatchObject({ certainty: 0.97 });
		const light = after({ kind: 'school', school: 'light' });
		expect(light.policy).toMatchObject({ certainty: 0.9, school: 'light' });
		expect(valid(light)).toBe(true);
		expect(changedTrip(light, { kind: 'school', school: undefined }).policy).toEqual(trip.policy);
		expect(after({ kind: 'persons', by: 2 })).toBe(trip);
		expect(after({ kind: 'measures', on: ['short'] })).toBe(trip);
	});
});

describe('a trip as it is lived', () => {
	const stop = (n: number): Stop => ({
		id: `s${n}`,
		name: `S${n}`,
		arrive: `2027-05-0${n}T12:00:00Z`,
		depart: `2027-05-0${n}T18:00:00Z`,
		legKm: 0,
		services: []
	});
	const trip: Trip = { ...exactTrip, stops: [stop(2), stop(3), stop(4)] };
	const times = (of: Trip) =>
		of.stops.map(({ arrive, depart }) => [arrive.slice(8, 13), depart.slice(8, 13)]);
	const event = (n: number, kind: 'arrive' | 'depart', when: string) =>
		entry({ kind: 'stop', stop: `s${n}`, event: kind, at: when });
	it('one who came early has left where he was before; one who came late stays no shorter than that', () => {
		expect(times(livedTrip(trip, [event(3, 'arrive', '2027-05-02T15:00:00Z')]))).toEqual([
			['02T12', '02T15'],
			['02T15', '03T18'],
			['04T12', '04T18']
		]);
		expect(times(livedTrip(trip, [event(3, 'arrive', '2027-05-03T20:00:00Z')]))[1]).toEqual([
			'03T20',
			'03T20'
		]);
	});
	it('one who has left is gone; what was taken back was never said', () => {
		const left = event(2, 'depart', '2027-05-02T13:00:00Z');
		expect(times(livedTrip(trip, [left]))[0]).toEqual(['02T12', '02T13']);
		expect(livedTrip(trip, [{ ...left, void: true }])).toEqual(trip);
	});
});
