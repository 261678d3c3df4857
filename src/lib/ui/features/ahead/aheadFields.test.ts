import { describe, expect, it } from 'vitest';
import { exactRig } from '../../../../../tests/helpers/logbooks';
import { aheadOf, choicesOf, problemOf } from './aheadFields';

const days = { from: '2027-05-08', to: '2027-05-09' };
const NOW = Date.parse('2027-05-05T10:00:00+02:00');
const kept = (what: string, count?: number, from = days.from) =>
	aheadOf({ what, count, from, to: days.to }, 'a', NOW, 'Europe/Paris', exactRig);

describe('days unlike others, in a form', () => {
	it('are whole days there, the last one too; today begins now', () => {
		expect(kept('people', 6)).toEqual({
			id: 'a',
			from: '2027-05-08T00:00:00+02:00',
			to: '2027-05-10T00:00:00+02:00',
			persons: 6
		});
		expect(kept('away', undefined, '2027-05-05')).toMatchObject({
			from: '2027-05-05T10:00:00+02:00',
			away: true
		});
		expect(kept('both')).toMatchObject({ hookup: { mains: true, sewer: ['grey'] } });
		expect(kept('habit:shower', 2)).toMatchObject({ habits: [{ habit: 'shower', times: 2 }] });
	});
	it('name every habit, and say what is missing', () => {
		expect(choicesOf(exactRig.habits).map(({ value }) => value)).toContain('habit:dishes');
		expect(problemOf({ what: 'people', count: undefined, ...days })).toMatch(/how many are aboard/);
		expect(problemOf({ what: 'away', count: undefined, from: days.to, to: days.from })).toMatch(/last day/);
		expect(problemOf({ what: 'away', count: undefined, ...days })).toBeUndefined();
	});
});
