import { describe, expect, it } from 'vitest';
import { exactTrip } from '../../../tests/helpers/logbooks.js';
import {
	certaintyOf,
	currentTrip,
	tripAtHand,
	tripInUse,
	tripSpan,
	tripUnderWay,
	type Stop,
	type Trip
} from './index.js';

const ms = (at: string): number => Date.parse(at);
const trip = (id: string, from: string, to: string, more: Partial<Trip> = {}): Trip => ({
	...exactTrip,
	id,
	from,
	to,
	...more
});
const may = trip('may', '2027-05-01', '2027-05-12');
const june = trip('june', '2027-06-01', '2027-06-10');

describe('the trip that one is on', () => {
	const at = (moment: string, trips: readonly Trip[] = [june, may]) =>
		currentTrip(trips, 'rig', ms(moment))?.id;
	it('is the one under way, to the end of its last day', () => {
		expect(at('2027-05-05T12:00:00Z')).toBe('may');
		expect(at('2027-05-12T23:59:59Z')).toBe('may');
	});
	it('else the next one to come, and none when all are over', () => {
		expect(at('2027-05-13T00:00:00Z')).toBe('june');
		expect(at('2027-04-01T12:00:00Z')).toBe('may');
		expect(at('2027-07-01T12:00:00Z')).toBeUndefined();
	});
	it('is at hand when it is under way or begins within three days; one months ahead, or over, is neither', () => {
		const hand = (moment: string) => tripAtHand([june, may], 'rig', ms(moment))?.id;
		const under = (moment: string) => tripUnderWay([june, may], 'rig', ms(moment))?.id;
		expect([hand('2027-05-05T12:00:00Z'), under('2027-05-05T12:00:00Z')]).toEqual(['may', 'may']);
		expect([hand('2027-04-29T12:00:00Z'), under('2027-04-29T12:00:00Z')]).toEqual(['may', undefined]);
		expect([hand('2027-02-01T12:00:00Z'), under('2027-02-01T12:00:00Z')]).toEqual([undefined, undefined]);
		expect([hand('2027-05-13T12:00:00Z'), under('2027-05-13T12:00:00Z')]).toEqual([undefined, undefined]);
	});
	it('of two under way the one that began last', () => {
		const within = trip('within', '2027-05-04', '2027-05-06');
		expect(at('2027-05-05T12:00:00Z', [within, may])).toBe('within');
		expect(at('2027-05-08T12:00:00Z', [within, may])).toBe('may');
	});
	it('of this rig', () => expect(at('2027-05-05T12:00:00Z', [{ ...may, rig: 'boat' }, june])).toBe('june'));
	it('by the days of its own zone', () => {
		const [from, to] = tripSpan({ ...may, timeZone: 'Asia/Tokyo' });
		expect(from).toBe(ms('2027-04-30T15:00:00Z'));
		expect(to).toBe(ms('2027-05-12T15:00:00Z'));
	});
});

it('how sure a plan must be: as the trip says, else nine in ten', () => {
	expect(certaintyOf({ policy: { certainty: 0.75 } })).toBe(0.75);
	expect(certaintyOf({ policy: {} })).toBe(0.9);
	expect(certaintyOf(undefined)).toBe(0.9);
});

it('stops kept for the sake of entries are not on the way', () => {
	const stop = (id: string, more: Partial<Stop> = {}): Stop => ({
		id,
		name: id,
		arrive: '2027-05-02T10:00:00Z',
		depart: '2027-05-02T11:00:00Z',
		legKm: 1,
		services: [],
		...more
	});
	const both = { ...may, stops: [stop('gone', { retired: true }), stop('ahead')] };
	expect(tripInUse(both).stops.map(({ id }) => id)).toEqual(['ahead']);
	expect(tripInUse(may)).toBe(may);
});
