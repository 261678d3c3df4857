import { describe, expect, it } from 'vitest';
import { flagDay, sayAgo, sayDay, sayOccasion, sayPast, sayWhen } from './index.js';
import { exactTrip } from '../../../tests/helpers/logbooks.js';

/** A Monday, ten in the morning. */
const now = Date.parse('2027-05-03T10:00:00Z');
const at = (text: string): number => Date.parse(`2027-${text}:00Z`);
const zone = 'Etc/UTC';

describe('moments as people say them', () => {
	it.each([
		['05-03T12:00', 'today around noon'],
		['05-03T16:00', 'this afternoon'],
		['05-04T02:00', 'tonight'],
		['05-04T09:00', 'tomorrow morning'],
		['05-05T03:00', 'tomorrow night'],
		['05-07T12:30', 'Friday around noon'],
		['05-14T12:30', 'Fri 14 May']
	])('%s is %s', (moment, words) => expect(sayWhen(at(moment), now, zone)).toBe(words));
	it.each([
		['05-03T07:00', 'this morning'],
		['05-03T02:00', 'last night'],
		['05-02T20:00', 'yesterday evening'],
		['04-29T20:00', 'Thursday evening']
	])('past: %s was %s', (moment, words) => expect(sayPast(at(moment), now, zone)).toBe(words));
	it('days', () => {
		expect(sayDay(at('05-02T23:59'), now, zone)).toBe('yesterday');
		expect(sayDay(at('05-04T00:00'), now, zone)).toBe('tomorrow');
		// Half an hour before midnight in one zone is the next day in another.
		expect(sayDay(at('05-03T23:30'), now, 'Asia/Tokyo')).toBe('tomorrow');
	});
	it('how old something is', () => {
		expect(sayAgo(at('05-03T08:00'), now, zone)).toBe('today');
		expect(sayAgo(at('04-28T08:00'), now, zone)).toBe('Wednesday');
		expect(sayAgo(at('03-03T08:00'), now, zone)).toBe('3 March');
		expect(sayAgo(Date.parse('2025-03-03T08:00:00Z'), now, zone)).toBe('3 March 2025');
	});
	it('the small hours belong to the day before', () => {
		expect(flagDay(at('05-04T03:00'), zone)).toBe('Mon');
		expect(flagDay(at('05-04T05:00'), zone)).toBe('Tue');
	});
});

describe('what one is on', () => {
	it('a trip, its day, who is aboard', () => {
		expect(sayOccasion(exactTrip, 2, now)).toBe('Paper moor, day 3 of 12, 2 aboard');
	});
	it('one that is still to begin', () => {
		expect(sayOccasion(exactTrip, undefined, at('04-30T08:00'))).toBe('Paper moor, begins in 1 day');
		expect(sayOccasion(exactTrip, undefined, at('04-28T08:00'))).toBe('Paper moor, begins in 3 days');
	});
	it('no trip', () => {
		expect(sayOccasion(undefined, 3, now)).toBe('3 aboard');
		expect(sayOccasion(undefined, undefined, now)).toBe('');
	});
});
