import { expect, it } from 'vitest';
import type { Stop } from '$core/logbook';
import { exactTrip } from '../../../../../tests/helpers/logbooks';
import { nearOf } from './nearness';

const stop = (id: string, day: number, lon: number): Stop => ({
	id,
	name: id,
	arrive: `2027-05-0${day}T10:00:00Z`,
	depart: `2027-05-0${day}T12:00:00Z`,
	legKm: 1,
	services: [],
	position: [lon, 0]
});
const trip = { ...exactTrip, stops: [stop('a', 1, 0), stop('b', 3, 1)] };
const nowMs = Date.parse('2027-05-02T11:00:00Z');

it('is a pin, the device, the way ahead, or where one will be', () => {
	expect(nearOf({ kind: 'pin', place: [3, 4] }, undefined, nowMs)).toEqual({ place: [3, 4] });
	expect(nearOf({ kind: 'here', place: [3, 4] }, trip, nowMs)).toEqual({ place: [3, 4] });
	expect(nearOf({ kind: 'anywhere' }, trip, nowMs)).toBeUndefined();
	const ahead = nearOf({ kind: 'route' }, trip, nowMs);
	// Half of the 46 hours between the two stops are over.
	expect(ahead && 'way' in ahead && ahead.way.places[0]?.[0]).toBeCloseTo(0.5, 6);
	expect(nearOf({ kind: 'then', stop: 'b' }, trip, nowMs)).toEqual({ place: [1, 0] });
	expect(nearOf({ kind: 'then', stop: 'gone' }, trip, nowMs)).toBeUndefined();
	expect(nearOf({ kind: 'route' }, exactTrip, nowMs)).toBeUndefined();
});
