import { expect, it } from 'vitest';
import { entry } from '../../../tests/helpers/logbooks.js';
import { crewAsked } from './crewAsked.js';

const NOW = Date.parse('2027-05-05T12:00:00Z');
const crew = (day: number, persons: number, more = {}) =>
	entry({ kind: 'crew', at: `2027-05-0${day}T08:00:00Z`, persons, ...more });

it('asks once whether another number are the same people, and not where it is said or was so before', () => {
	expect(crewAsked([crew(4, 4)], 2, NOW)).toMatchObject({ before: 2, entry: { persons: 4 } });
	expect(crewAsked([crew(4, 4, { anew: true })], 2, NOW)).toBeUndefined();
	expect(crewAsked([crew(1, 4)], 2, NOW)).toBeUndefined();
	expect(crewAsked([crew(3, 4), crew(4, 2)], 2, NOW)).toBeUndefined();
	expect(crewAsked([crew(4, 0)], 2, NOW)).toBeUndefined();
	expect(crewAsked([], 2, NOW)).toBeUndefined();
});
