import { DAY_MS } from '../time/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import type { Rig, Service, Stop, Trip } from '../logbook/index.js';
import { plan, type Plan } from './index.js';

const at = '2027-05-01T06:00:00Z';
const day = (n: number, hour = '06'): string => `2027-05-${String(n).padStart(2, '0')}T${hour}:00:00Z`;
const stop = (n: number, services: readonly Service[], more: Partial<Stop> = {}): Stop => ({
	id: `s${n}`,
	name: `Stop ${n}`,
	arrive: day(n),
	depart: day(n, '08'),
	legKm: 10,
	services,
	...more
});
/** The cassette out of the way, so that fresh (24 L a day, 90 to use) and grey (20 L a day, 75 to use) decide. */
const rig: Rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) => (tank.id === 'black' ? { ...tank, nominalL: 400, usableL: 400 } : tank))
};
const planned = (stops: readonly Stop[], policy: Trip['policy'] = {}, persons?: number): Plan => {
	const trip: Trip = { ...exactTrip, stops, policy, ...(persons ? { persons } : {}) };
	const logbook = logbookOf(freshStart(), rig, [trip]);
	return plan(estimate(logbook, 'rig', Date.parse(at)), logbook, 'trip');
};
const water: Service = { kind: 'water', minutes: 10, fee: 2 };
const grey: Service = { kind: 'grey', minutes: 5, fee: 1 };

describe('an exact rig along a road', () => {
	it('serves each tank at the last stop in reach, and says by when', () => {
		const answer = planned([stop(2, [water, grey]), stop(3, [water]), stop(4, [grey]), stop(6, [])]);
		expect(answer.feasible).toBe(true);
		// from full, 3.7 days of fresh and 3.75 of grey: the tap of the 3rd and the drain of the 4th
		expect(
			answer.services.map(({ stop: id, water: w, dump }) => [id, w && Math.round(w.litres), dump])
		).toEqual([
			['s3', 48, undefined],
			['s4', undefined, ['grey']]
		]);
		expect(answer.lastChance).toMatchObject([
			{ tank: 'main', stop: 's3' },
			{ tank: 'grey', stop: 's4' }
		]);
		expect(answer.next).toMatchObject({ stop: 's3', what: ['water'] });
		// 0.6 L of doubt in a full tank, at nine chances in ten, is 0.77 L of 24 a day
		expect(((answer.next?.byMs ?? 0) - Date.parse(at)) / DAY_MS).toBeCloseTo((90 - 0.77) / 24, 1);
	});
	it('needs nothing when everything lasts', () =>
		expect(planned([stop(2, [water, grey])])).toMatchObject({
			feasible: true,
			services: [],
			cost: 0,
			lastChance: []
		}));
	it('counts fees, minutes, the longest detour of a stop, and carried water', () => {
		const stops = [
			stop(3, [
				{ ...water, detourKm: 4 },
				{ ...grey, detourKm: 2 }
			]),
			stop(6, [])
		];
		expect(planned(stops, { feePerMinute: 0.2, feePerKm: 0.5 }).cost).toBeCloseTo(
			2 + 1 + 15 * 0.2 + 4 * 0.5,
			9
		);
		// legs of 10 km: 52 L aboard on the first, 100 − 72 on the second
		expect(planned(stops, { feePerKgKm: 0.01 }).cost).toBeGreaterThan(3 + 0.01 * 10 * 52);
	});
	it('takes only what the stretch needs where carrying costs', () => {
		const answer = planned([stop(3, [water, grey]), stop(5, [])], { feePerKgKm: 0.01 });
		expect(answer.services[0]?.water?.litres).toBeLessThan(20);
	});
	it('does not drink what is not potable', () => {
		const answer = planned([stop(2, [{ kind: 'water', potable: false }, grey]), stop(6, [])]);
		expect(answer.feasible).toBe(false);
		expect(answer.shortfall).toMatchObject({ tank: 'main' });
		expect(answer.shortfall?.shortL).toBeCloseTo(5 * 24 + 2 - 90 + 0.77, -0.5);
	});
	describe('hook-ups, for four days from the second on, two days before the end', () => {
		const site = (hookup?: Stop['hookup']): Plan =>
			planned([
				stop(
					2,
					[
						{ kind: 'mains', fee: 5 },
						{ kind: 'sewer', fee: 8 }
					],
					{ depart: day(6), ...(hookup ? { hookup } : {}) }
				),
				stop(8, [])
			]);
		it('listed alone they are none: fresh lasts 3.7 days', () => {
			expect(site()).toMatchObject({ feasible: false, services: [], cost: 0, shortfall: { tank: 'main' } });
		});
		it('chosen, the tank rests and the drains are open: three days of 24 L, and 20 L twice; both are paid', () => {
			const both = site({ mains: true, sewer: true });
			expect(both).toMatchObject({ feasible: true, cost: 13 });
			// A cassette is on no sewer.
			expect(both.services).toMatchObject([{ stop: 's2', dump: ['grey'] }]);
			expect(both.effort).toMatchObject({ fees: 13, stops: 1 });
		});
		it('mains alone leave grey to fill: 20 L a day for seven days', () => {
			expect(site({ mains: true })).toMatchObject({ feasible: false, cost: 5, shortfall: { tank: 'grey' } });
		});
	});
	it('passes by a stop that is no longer on the way', () => {
		const gone = stop(3, [water, grey], { retired: true });
		expect(planned([gone, stop(4, []), stop(6, [])])).toMatchObject({ feasible: false, services: [] });
	});
	it('leaves alone what was before now, and refuses a trip that is not there', () => {
		expect(
			planned([stop(1, [water, grey], { arrive: '2027-05-01T05:00:00Z' }), stop(3, [])]).services
		).toEqual([]);
		const logbook = logbookOf(freshStart(), rig, []);
		expect(() => plan(estimate(logbook, 'rig', Date.parse(at)), logbook, 'trip')).toThrow(/no trip "trip"/);
	});
});

it('a feasible plan, walked through with exact numbers, keeps every reserve', () => {
	const kinds = fc.subarray<Service>([water, grey]);
	fc.assert(
		fc.property(fc.array(kinds, { minLength: 2, maxLength: 9 }), fc.boolean(), (offers, light) => {
			const stops = offers.map((services, i) => stop(i + 2, services));
			const answer = planned(stops, light ? { feePerKgKm: 0.001 } : {});
			if (!answer.feasible) return;
			let [main, full] = [100, 0];
			for (const { id } of stops) {
				[main, full] = [main - 24, full + 20];
				expect(main).toBeGreaterThanOrEqual(10 - 1e-6);
				expect(full).toBeLessThanOrEqual(75 + 1e-6);
				const here = answer.services.find((service) => service.stop === id);
				main = Math.min(100, main + (here?.water?.litres ?? 0));
				if (here?.dump?.includes('grey')) full = 0;
			}
		})
	);
});
