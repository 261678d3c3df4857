import { describe, expect, it } from 'vitest';
import { exactRig } from '../../../../tests/helpers/logbooks.js';
import type { Ahead, Rig } from '../../logbook/index.js';
import { METRIC } from '../../units/index.js';
import { isAhead, understand, type QuickContext, type Understood } from '../index.js';

const laundry = {
	id: 'laundry',
	name: 'Laundry',
	outlet: 'sink',
	litresEach: { mean: 40, sd: 8 },
	often: { times: 0.14, per: 'day' }
} as const;
const rig: Rig = { ...exactRig, habits: [...exactRig.habits, laundry] };
/** Wednesday, 5 May 2027, 10 o'clock in the morning there. */
const NOW = Date.parse('2027-05-05T10:00:00+02:00');
const context: QuickContext = {
	rig,
	trip: undefined,
	nowMs: NOW,
	timeZone: 'Europe/Paris',
	units: METRIC,
	litresEach: new Map(),
	persons: 2
};
const matches = (text: string): readonly Understood[] => {
	const answer = understand(text, context);
	if (answer.kind !== 'understood') throw new Error(`${text}: ${JSON.stringify(answer)}`);
	return answer.matches;
};
/** What is added, less its id; and nothing is written. */
const said = (text: string): readonly (Omit<Ahead, 'id'> | undefined)[] =>
	matches(text).map(({ adds, drafts }) => {
		if (!adds || !isAhead(adds)) return undefined;
		expect(drafts).toEqual([]);
		const { id: _id, ...rest } = adds;
		return rest;
	});

describe('days unlike others, said beforehand', () => {
	it('people who come, and go again', () => {
		expect(said('six aboard from Saturday to Sunday')).toEqual([
			{ from: '2027-05-08T00:00:00+02:00', to: '2027-05-10T00:00:00+02:00', persons: 6 }
		]);
		expect(said('2 friends from friday to sunday')[0]).toMatchObject({
			persons: 4,
			from: '2027-05-07T00:00:00+02:00'
		});
		expect(said('guest until sunday')).toMatchObject([{ persons: 3, to: '2027-05-09T12:00:00+02:00' }]);
		expect(said('guests for dinner')).toMatchObject([
			{ persons: 4, from: '2027-05-05T18:00:00+02:00', to: '2027-05-05T23:00:00+02:00' },
			{ persons: 6 }
		]);
		expect(said('3 guests for dinner on Saturday')).toMatchObject([
			{ persons: 5, from: '2027-05-08T18:00:00+02:00' }
		]);
	});
	it('people who are away', () => {
		expect(said('Ivo away Tuesday to Thursday')).toEqual([
			{
				from: '2027-05-11T00:00:00+02:00',
				to: '2027-05-14T00:00:00+02:00',
				persons: 1,
				note: 'Ivo away'
			}
		]);
		expect(said('ashore until Sunday')).toEqual([
			{ from: '2027-05-05T10:00:00+02:00', to: '2027-05-09T12:00:00+02:00', away: true }
		]);
		expect(said("we're away tomorrow")).toMatchObject([{ away: true, from: '2027-05-06T00:00:00+02:00' }]);
	});
	it('what is planned for a day', () => {
		expect(said('laundry on Saturday')[0]).toEqual({
			from: '2027-05-08T00:00:00+02:00',
			to: '2027-05-09T00:00:00+02:00',
			habits: [{ habit: 'laundry', times: 1 }]
		});
		// Last Saturday may be meant as well.
		expect(matches('laundry on Saturday').at(-1)?.drafts).toMatchObject([{ kind: 'use', habit: 'laundry' }]);
		expect(said('2 showers tomorrow')).toMatchObject([{ habits: [{ habit: 'shower', times: 2 }] }]);
	});
	it('a sick child, and a hook-up for two nights', () => {
		expect(said('sick child until Friday')[0]).toMatchObject({
			to: '2027-05-07T12:00:00+02:00',
			habits: expect.arrayContaining([{ habit: 'flush', factor: 1.7 }])
		});
		const nights = { from: '2027-05-05T10:00:00+02:00', to: '2027-05-07T10:00:00+02:00' };
		expect(said('hooked up for two nights')).toEqual([{ ...nights, hookup: { mains: true } }]);
		expect(said('full hook-up for two nights')).toEqual([
			{ ...nights, hookup: { mains: true, sewer: ['grey'] } }
		]);
	});
	it('says what it understood', () => {
		expect(matches('six aboard from Saturday to Sunday')[0]?.says).toBe('Saturday to Sunday: 6 aboard');
		expect(matches('ashore until Sunday')[0]?.says).toBe('Until Sunday 12:00: nobody aboard');
		expect(matches('laundry on Saturday')[0]?.says).toBe('Saturday: Laundry once a day');
	});
	it('what was is written, as ever', () => {
		for (const text of [
			'shower yesterday evening',
			'dishes this morning',
			'crew 3',
			'hooked up',
			'2 showers'
		])
			expect(matches(text).every(({ adds, drafts }) => !adds && drafts.length > 0)).toBe(true);
		for (const text of [
			'hooked up since monday',
			'hooked up 9:30',
			'guests left yesterday',
			'2 showers at 8:00'
		])
			expect(JSON.stringify(understand(text, context))).not.toContain('"from"');
		// Of a day alone either may be meant.
		expect(said('six aboard on Saturday')).toContainEqual(expect.objectContaining({ persons: 6 }));
		expect(matches('hooked up on tuesday').some(({ drafts }) => drafts.length > 0)).toBe(true);
		// Tuesday was yesterday; a shower is no thing of once a week.
		expect(matches('shower on tue')[0]?.drafts).toHaveLength(1);
	});
});
