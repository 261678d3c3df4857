import { expect, it } from 'vitest';
import { entry, exactTrip } from '../../../tests/helpers/logbooks.js';
import type { Entry, Trip } from '../logbook/index.js';
import { crewAsked } from './crewAsked.js';

const NOW = Date.parse('2027-05-05T12:00:00Z');
const crew = (day: number, persons: number, more = {}) =>
	entry({ kind: 'crew', at: `2027-05-0${day}T08:00:00Z`, persons, ...more });
const asked = (entries: readonly Entry[], trips: readonly Trip[] = []) =>
	crewAsked({ entries, trips, rig: { id: 'rig', crew: 2 } }, NOW);

it('asks once whether another number are the same people, and not where it is said or was so before', () => {
	expect(asked([crew(4, 4)])).toMatchObject({ before: 2, persons: 4, of: { kind: 'entry' } });
	expect(asked([crew(4, 4, { anew: true })])).toBeUndefined();
	expect(asked([crew(1, 4)])).toBeUndefined();
	expect(asked([crew(3, 4), crew(4, 2)])).toBeUndefined();
	expect(asked([crew(4, 0)])).toBeUndefined();
	expect(asked([])).toBeUndefined();
});

it('asks as a trip begins, also where the number is the same: once, and only where somebody was known before', () => {
	const trip = (more: Partial<Trip> = {}): Trip => ({
		...exactTrip,
		from: '2027-05-04',
		to: '2027-05-20',
		persons: 2,
		stops: [],
		...more
	});
	const log = entry({ kind: 'note', at: '2027-04-10T08:00:00Z', text: 'first' });
	expect(asked([log], [trip()])).toMatchObject({ persons: 2, before: 2, of: { kind: 'trip' } });
	expect(asked([log], [trip({ persons: 4 })])).toMatchObject({ persons: 4, before: 2 });
	expect(asked([log], [trip({ anew: false })])).toBeUndefined();
	expect(asked([log], [trip({ from: '2027-05-01' })])).toBeUndefined();
	expect(asked([crew(2, 2)], [trip()])).toBeUndefined();
	expect(asked([], [trip()])).toBeUndefined();
});
