import { describe, expect, it } from 'vitest';
import type { Plan } from '$core/plan';
import { exactTrip } from '../../../../../tests/helpers/logbooks';
import { goalChoices, usualGoal } from './goal';
import { noonOfFlag } from './noon';

const now = Date.parse('2027-05-01T06:00:00Z');
const at = (day: number, hour: number): number => Date.UTC(2027, 4, day, hour);
const stop = {
	id: 's',
	name: 'Paper Ford',
	arrive: '2027-05-03T10:00:00Z',
	depart: '2027-05-04T12:00:00Z',
	legKm: 0,
	services: []
};
const trip = { ...exactTrip, stops: [stop] };
const plan = { next: { stop: 's' } } as unknown as Plan;

describe('moments to reach', () => {
	it('are the next service, the trip’s end and the noons of a week, each once', () => {
		const choices = goalChoices(trip, plan, now, 'Etc/UTC');
		expect(choices[0]).toEqual({ ms: at(3, 10), label: 'the next stop, Paper Ford' });
		expect(choices[1]).toEqual({ ms: at(4, 12), label: 'the trip’s end' });
		expect(choices.map(({ ms }) => ms)).not.toContain(at(1, 12));
		expect(new Set(choices.map(({ ms }) => ms)).size).toBe(choices.length);
	});
	it('without a trip the noons alone', () =>
		expect(goalChoices(undefined, undefined, now, 'Etc/UTC')).toHaveLength(7));
	it('the usual one is the first noon after the stay’s end', () => {
		expect(usualGoal(now, 2, 'Etc/UTC')).toBe(at(3, 12));
		expect(usualGoal(now, 2.5, 'Etc/UTC')).toBe(at(4, 12));
		expect(usualGoal(now, 0, 'Etc/UTC')).toBe(at(1, 12));
	});
	it('a flag is its day’s noon; at night that of the day before, and a past one the moment itself', () => {
		expect(noonOfFlag(at(3, 6), now, 'Etc/UTC')).toBe(at(3, 12));
		expect(noonOfFlag(at(4, 3), now, 'Etc/UTC')).toBe(at(3, 12));
		expect(noonOfFlag(at(1, 20), at(1, 15), 'Etc/UTC')).toBe(at(1, 20));
	});
});
