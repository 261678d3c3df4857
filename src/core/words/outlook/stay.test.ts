import { describe, expect, it } from 'vitest';
import { sayGain, sayStay, type StayChange } from '../index.js';

/** A Monday morning. */
const nowMs = Date.parse('2027-05-03T08:00:00Z');
const say = (change: StayChange) => sayStay(change, nowMs, 30, 'Etc/UTC');
const moves = (fromDays: number, toDays: number, first?: string): StayChange => ({
	kind: 'moves',
	fromDays,
	toDays,
	movedDays: toDays - fromDays,
	first
});

describe('what one more entry does to the stay', () => {
	it('nothing, or nothing yet', () => {
		expect(say({ kind: 'same' })).toBe('You can stay just as long.');
		expect(say({ kind: 'later' })).toMatch(/still to come/);
	});
	it('another part of the day', () => {
		expect(say(moves(2.2, 1.5))).toBe('Lasts until tomorrow evening, not Wednesday around noon.');
		expect(say(moves(2.2, 1.5, 'Grey'))).toBe(
			'Lasts until tomorrow evening, not Wednesday around noon; Grey becomes the limit.'
		);
	});
	it('within one part of the day, the hours and the clock', () => {
		expect(say(moves(1.2, 1.2 - 1 / 24))).toBe('An hour less: until 11:30.');
		expect(say(moves(1.15, 1.15 + 1.6 / 24))).toMatch(/^2 hours more: until 1\d:\d0\.$/);
	});
	it('from beyond what was looked ahead', () => {
		expect(say(moves(30, 2.2))).toBe('Lasts until Wednesday around noon, not more than 30 days.');
		expect(say(moves(2.2, 30))).toBe('Lasts more than 30 days, not until Wednesday around noon.');
	});
});

it('what a change of the rig gains, and when it gains nothing', () => {
	expect(sayGain(1.5, 'Grey', 'Main')).toEqual({ figure: '36 h more', says: '; then Main is the limit' });
	expect(sayGain(-2.5, 'Grey', 'Grey').figure).toBe('2½ days less');
	expect(sayGain(0.02, 'Grey', 'Grey')).toEqual({
		figure: 'It would change nothing',
		says: ': Grey is still the limit'
	});
});
