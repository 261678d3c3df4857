import { describe, expect, it } from 'vitest';
import { exactTrip } from '../../../../../tests/helpers/logbooks';
import {
	addressOf,
	begunTrips,
	choiceFrom,
	lookingAt,
	months,
	usualChoice,
	type ChosenStretch
} from './stretches';

const nowMs = Date.parse('2027-05-05T10:00:00Z');
const asked = (query: string): ChosenStretch | undefined => choiceFrom(new URLSearchParams(query));

describe('what is looked back on', () => {
	it.each<ChosenStretch>([
		{ kind: 'trip', trip: 'a & b' },
		{ kind: 'month', month: '2027-04' },
		{ kind: 'days', from: '2027-04-03', to: '2027-04-09' }
	])('stands in the address and is read from it: %j', (choice) => {
		expect(asked(addressOf(choice).split('?')[1] ?? '')).toEqual(choice);
	});

	it.each(['', 'month=2027-13', 'from=2027-02-30&to=2027-03-01', 'from=x&to=y', 'from=2027-04-01'])(
		'of nonsense nothing is made: %s',
		(query) => expect(asked(query)).toBeUndefined()
	);

	it('never goes further than now', () => {
		expect(lookingAt({ kind: 'trip', trip: 'trip' }, [exactTrip], nowMs, 'Etc/UTC')).toEqual({
			fromMs: Date.parse('2027-05-01T00:00:00Z'),
			toMs: nowMs,
			timeZone: 'Etc/UTC',
			trip: 'trip'
		});
		expect(lookingAt({ kind: 'trip', trip: 'gone' }, [exactTrip], nowMs, 'Etc/UTC')).toBeUndefined();
		expect(lookingAt({ kind: 'month', month: '2027-02' }, [], nowMs, 'Etc/GMT-2')).toMatchObject({
			fromMs: Date.parse('2027-01-31T22:00:00Z'),
			toMs: Date.parse('2027-02-28T22:00:00Z')
		});
		expect(
			lookingAt({ kind: 'days', from: '2027-05-01', to: '2027-05-02' }, [], nowMs, 'Etc/UTC')
		).toMatchObject({
			toMs: Date.parse('2027-05-03T00:00:00Z')
		});
	});

	it('is the last trip that has begun, or else this month', () => {
		const later = { ...exactTrip, id: 'later', from: '2027-06-01', to: '2027-06-09' };
		expect(begunTrips([later, exactTrip], 'rig', nowMs).map(({ id }) => id)).toEqual(['trip']);
		expect(usualChoice([later, exactTrip], 'rig', nowMs, 'Etc/UTC')).toEqual({ kind: 'trip', trip: 'trip' });
		expect(usualChoice([later], 'rig', nowMs, 'Etc/UTC')).toEqual({ kind: 'month', month: '2027-05' });
		expect(months(Date.parse('2027-02-10T00:00:00Z'), 'Etc/UTC', 3)).toEqual([
			'2027-02',
			'2027-01',
			'2026-12'
		]);
	});
});
