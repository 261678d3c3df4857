import { DAY_MS } from '../time/index.js';
import { describe, expect, it } from 'vitest';
import { exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import { estimate, type Estimate } from '../estimate/index.js';
import type { Rig, Trip } from '../logbook/index.js';
import { basket, ration } from './index.js';

const now = Date.parse('2027-05-01T06:00:00Z');
const from = (rig: Rig = exactRig, trip: Trip = exactTrip): Estimate =>
	estimate(logbookOf(freshStart(), rig, [trip]), 'rig', now);
/** All but Grey last: 75 L of room, 20 L a day. */
const roomy: Rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) => (tank.id === 'grey' ? tank : { ...tank, nominalL: 300, usableL: 300 }))
};

describe('the ration, by hand', () => {
	it('75 L of room in Grey for five days is three quarters of 20 a day', () => {
		const share = ration(from(roomy), now + 5 * DAY_MS, 0.9);
		expect(share).toMatchObject({
			tank: 'grey',
			usingL: expect.closeTo(12, 9),
			allowedL: expect.closeTo(9, 6)
		});
	});
	it('the tank that allows least says how much: 18 L of 30 in the cassette', () =>
		expect(ration(from(), now + 5 * DAY_MS, 0.9)).toMatchObject({
			tank: 'black',
			allowedL: expect.closeTo(7.2, 6)
		}));
	it('counts the people who come: two more from the third day on, 20 L a day for two and 28 for four', () => {
		const guests: Trip = {
			...exactTrip,
			stops: [
				{
					id: 's',
					name: 'S',
					arrive: '2027-05-03T06:00:00Z',
					depart: '2027-05-09T06:00:00Z',
					legKm: 0,
					services: [],
					persons: 4
				}
			]
		};
		const share = ration(from(roomy, guests), now + 4 * DAY_MS, 0.9);
		expect((share?.allowedL ?? 0) / (share?.usingL ?? 1)).toBeCloseTo(75 / 96, 6);
	});
	it('is none for a moment that is past, nobody aboard, or nothing that is used', () => {
		expect(ration(from(), now, 0.9)).toBeUndefined();
		expect(
			ration(from({ ...exactRig, crew: 0 }, { ...exactTrip, persons: 0 }), now + DAY_MS, 0.9)
		).toBeUndefined();
		expect(ration(from({ ...exactRig, habits: [], measures: [] }), now + DAY_MS, 0.9)).toBeUndefined();
	});
});

describe('the basket, by hand: 75 L of room, 20 L a day, a drain in three days', () => {
	const until = new Map([['grey', now + 3 * DAY_MS]]);
	const ask = (times: number) => basket(from(roomy), [{ habit: 'shower', times }], until);
	it('one shower of 8 L is within the 15 that are spare, two are not', () => {
		expect(ask(1)).toMatchObject({ before: { chance: 1, tank: 'grey' }, after: { chance: 1 } });
		expect(ask(2).after).toMatchObject({ chance: 0, tank: 'grey' });
		// 75 - 16 = 59 L at 20 a day
		expect(ask(2).after.bindsDays).toBeCloseTo(2.95, 6);
	});
	it('names the tank that does not hold, of several', () => {
		const both = new Map([...until, ['black', now + 4 * DAY_MS] as const]);
		expect(basket(from(), [], both).before).toMatchObject({ chance: 0, tank: 'black' });
	});
	it('what is more than there is room for binds at once', () => {
		expect(ask(10).after).toMatchObject({ chance: 0, bindsDays: 0, days: 0 });
	});
});
