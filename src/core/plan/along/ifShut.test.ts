import { describe, expect, it } from 'vitest';
import { exactRig, exactTrip, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate } from '../../estimate/index.js';
import { hoursReader } from '../../hours/index.js';
import type { Rig, Service, Stop, Trip } from '../../logbook/index.js';
import { DAY_MS } from '../../time/index.js';
import { plan, type Plan } from '../index.js';

const START = '2027-05-01T06:00:00Z';
/** Water alone binds: 100 L, 10 kept, 24 L a day; full at the start it lasts three days and eighteen hours. */
const rig: Rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) =>
		tank.holds === 'fresh' ? tank : { ...tank, nominalL: 900, usableL: 900 }
	)
};
const stop = (day: number, services: readonly Service[], name = `s${day}`): Stop => ({
	id: name,
	name,
	arrive: `2027-05-0${day}T06:00:00Z`,
	depart: `2027-05-0${day}T08:00:00Z`,
	legKm: 10,
	services
});
const tap = (fee: number, more: Partial<Service> = {}): Service => ({ kind: 'water', fee, ...more });
function planned(stops: readonly Stop[], policy: Trip['policy'] = {}): Plan {
	const trip: Trip = { ...exactTrip, stops, policy };
	const logbook = logbookOf(freshStart(), rig, [trip]);
	return plan(estimate(logbook, 'rig', Date.parse(START)), logbook, 'trip', { hours: hoursReader() });
}
const stopsOf = ({ services }: Plan): readonly string[] => services.map((one) => one.stop);

describe('if it is shut', () => {
	// 24 L a day: from the 1st to the 6th 120 L, so one tap on the way; from the 3rd 48 L are gone, from the 4th 72, on the 5th 96
	const way = [stop(3, [tap(5)]), stop(4, [tap(1)]), stop(6, [])];
	it('the plan takes the cheap tap, which none replaces: the tank runs low when ninety litres are gone', () => {
		const one = planned(way);
		expect(stopsOf(one)).toEqual(['s4']);
		expect(one.ifShut).toMatchObject([{ stop: 's4', kind: 'water', binds: { tank: 'main' } }]);
		// one chance in ten that the full tank held a little less
		const days = ((one.ifShut[0]?.binds?.atMs ?? 0) - Date.parse(START)) / DAY_MS;
		expect(days).toBeGreaterThan(3.65);
		expect(days).toBeLessThanOrEqual(3.75);
	});
	it('with a fallback it takes the dear one first, which the cheap one replaces', () => {
		const one = planned(way, { fallback: true });
		expect(one).toMatchObject({ feasible: true, cost: 5 });
		expect(stopsOf(one)).toEqual(['s3']);
		expect(one.ifShut).toEqual([{ stop: 's3', kind: 'water', then: 's4' }]);
	});
	it('where no plan survives, the one without a fallback is told, and what can’t be spared', () => {
		const one = planned([stop(4, [tap(1)]), stop(6, [])], { fallback: true });
		expect(one).toMatchObject({ feasible: false, cost: 1, unspared: { stop: 's4', kind: 'water' } });
		expect(one.shortfall).toBeUndefined();
		expect(stopsOf(one)).toEqual(['s4']);
	});
	it('a part load is larger with a fallback: it reaches the next tap', () => {
		const long = [stop(2, [tap(1)]), stop(4, [tap(1)]), stop(5, [tap(9)]), stop(7, [])];
		const [plain, sure] = [false, true].map((fallback) => planned(long, { feePerKgKm: 1e-4, fallback }));
		expect(plain?.feasible).toBe(true);
		expect(sure?.feasible).toBe(true);
		expect(sure!.cost).toBeGreaterThan(plain!.cost);
		expect(sure?.ifShut.every(({ binds }) => binds === undefined)).toBe(true);
	});
});

describe('what is open', () => {
	it('a tap is used when it opens, and must be reached by then', () => {
		// Tuesday the 4th, 6:00: it opens at 7:30
		const one = planned([stop(4, [tap(1, { open: 'Tu 07:30-12:00' })]), stop(6, [])]);
		expect(one.services.map(({ atMs }) => new Date(atMs).toISOString())).toEqual([
			'2027-05-04T07:30:00.000Z'
		]);
		expect(planned([stop(4, [tap(1, { open: 'Tu 08:30-12:00' })]), stop(6, [])]).feasible).toBe(false);
	});
	it('what opens at different hours at one stop is used then, and its way round is paid once', () => {
		const services: readonly Service[] = [
			tap(1, { open: '07:00-12:00', detourKm: 5 }),
			{ kind: 'grey', detourKm: 5 }
		];
		const trip: Trip = { ...exactTrip, stops: [stop(4, services), stop(6, [])], policy: { feePerKm: 1 } };
		const logbook = logbookOf(freshStart(), exactRig, [trip]);
		const one = plan(estimate(logbook, 'rig', Date.parse(START)), logbook, 'trip', { hours: hoursReader() });
		expect(one.services.map(({ atMs, water, dump }) => [atMs, water !== undefined, dump])).toEqual([
			[Date.parse('2027-05-04T06:00Z'), false, ['grey']],
			[Date.parse('2027-05-04T07:00Z'), true, undefined]
		]);
		expect(one.cost).toBeCloseTo(6, 9);
	});
	it('what failed last is not counted on, until somebody says that it works, or the report has aged', () => {
		const failing = (day: string, works = false): boolean =>
			planned([
				stop(4, [
					tap(1, {
						reports: [
							{ day: '2026-01-01', works: true },
							{ day, works }
						]
					})
				]),
				stop(6, [])
			]).feasible;
		expect(failing('2027-04-20')).toBe(false);
		expect(failing('2027-04-20', true)).toBe(true);
		expect(failing('2026-10-20')).toBe(true);
		// a report of tomorrow is not known today
		expect(failing('2027-05-02')).toBe(true);
	});
});
