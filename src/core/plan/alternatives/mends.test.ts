import { DAY_MS } from '../../time/index.js';
import { runToCompletion } from '../../numerics/index.js';
import { describe, expect, it } from 'vitest';
import { exactRig, exactTrip, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate } from '../../estimate/index.js';
import type { Logbook, Point, Rig, Service, Stop, Trip } from '../../logbook/index.js';
import {
	ALL_SCHOOLS,
	carryingAt,
	changedTrip,
	compareTrips,
	loadBefore,
	mends,
	workedPlan,
	type PlanMend,
	type Plan,
	type TripChange
} from '../index.js';

const START = Date.UTC(2027, 4, 1, 6);
const iso = (days: number): string => new Date(START + days * DAY_MS).toISOString();
/** Only fresh and grey decide: 24 L a day of 90, 20 L a day of 75. */
const rig: Rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) => (tank.id === 'black' ? { ...tank, nominalL: 400, usableL: 400 } : tank))
};
const stop = (
	id: string,
	from: number,
	to: number,
	services: readonly Service[],
	more: Partial<Stop> = {}
): Stop => ({
	id,
	name: id,
	arrive: iso(from),
	depart: iso(to),
	legKm: 10,
	services,
	...more
});
const tripOf = (stops: readonly Stop[], policy: Trip['policy'] = {}): Trip => ({
	...exactTrip,
	stops,
	policy
});
const bookOf = (trip: Trip, points: readonly Point[] = []): Logbook => ({
	...logbookOf(freshStart(), rig, [trip]),
	points
});
const planned = (trip: Trip): Plan => workedPlan(estimate(bookOf(trip), 'rig', START), trip).plan;
function mended(trip: Trip, points: readonly Point[] = []): readonly PlanMend[] {
	const known = estimate(bookOf(trip, points), 'rig', START);
	return runToCompletion(mends(known, [trip], trip, workedPlan(known, trip).plan, points));
}
const WATER: Service = { kind: 'water' };
const GREY: Service = { kind: 'grey' };
const BOTH = [WATER, GREY];

describe('a trip that does not hold', () => {
	const trip = tripOf([
		stop('camp', 1, 4.1, [], { position: [-2, 54] }),
		stop('tap', 4.3, 4.4, BOTH),
		stop('end', 6, 6, [])
	]);
	it('says which tank, when and by how much: 4.3 days of 24 L are 103 of 90', () => {
		const { feasible, shortfall } = planned(trip);
		expect(feasible).toBe(false);
		expect(shortfall?.tank).toBe('main');
		expect(((shortfall?.atMs ?? 0) - START) / DAY_MS).toBeCloseTo(3.72, 1);
		expect(shortfall?.shortL).toBeCloseTo(14, 0);
		// the tap that comes too late is wanted all the same
		expect(planned(trip).services.map((one) => one.stop)).toEqual(['tap']);
	});
	it('is mended by half showers: 20 L a day of fresh are 86', () => {
		expect(mended(trip)[0]).toMatchObject({ change: { kind: 'measures', on: ['short'] }, chance: 1 });
	});
	it('by a hook-up that a stop only lists: mains where fresh falls short', () => {
		const site = tripOf([stop('camp', 1, 4.1, [{ kind: 'mains' }]), stop('end', 5.5, 5.5, [])]);
		const change: TripChange = { kind: 'hookup', stop: 'camp', hookup: { mains: true } };
		const plain = {
			...rig,
			measures: [],
			tanks: rig.tanks.map((tank) => (tank.id === 'grey' ? { ...tank, nominalL: 400, usableL: 400 } : tank))
		};
		const known = estimate({ ...bookOf(site), rigs: [plain] }, 'rig', START);
		const found = runToCompletion(mends(known, [site], site, workedPlan(known, site).plan, []));
		expect(found[0]).toEqual({ change, chance: 1 });
		expect(changedTrip(site, change).stops[0]?.hookup).toEqual({ mains: true });
	});
	it('by hand, where a container of the rig and a point near by bring the service within reach', () => {
		const cans: Rig['containers'] = [
			{
				id: 'can',
				name: 'Can',
				carries: 'fresh',
				capacityL: 20,
				headroomL: 0,
				tareKg: 1,
				count: 2,
				minutesPerLoad: 9
			},
			{ id: 'tote', name: 'Tote', carries: 'grey', capacityL: 60, headroomL: 5, tareKg: 6, count: 1 }
		];
		// Grey is not what is lacking.
		const tanks = rig.tanks.map((tank) =>
			tank.id === 'grey' ? { ...tank, nominalL: 400, usableL: 400 } : tank
		);
		const withCans: Rig = { ...rig, tanks, containers: cans, measures: [] };
		// 0.01° of latitude are 1.11 km
		const near: Point = {
			id: 'well',
			name: 'Well',
			position: [-2, 54.01],
			services: [{ ...WATER, fee: 2 }, GREY]
		};
		const book: Logbook = { ...bookOf(trip, [near]), rigs: [withCans] };
		const known = estimate(book, 'rig', START);
		const found = runToCompletion(mends(known, [trip], trip, workedPlan(known, trip).plan, [near]));
		const [change] = found.map((mend) => mend.change);
		expect(change).toMatchObject({
			kind: 'carry',
			stop: 'camp',
			container: 'can',
			service: 'water',
			trips: 3, // 100 L, two cans of 20 at a time
			minutes: 27
		});
		expect(change?.kind === 'carry' && change.km).toBeCloseTo(1.11, 1);
		const changed = change && changedTrip(trip, change, [near]).stops[0]?.services;
		expect(changed).toEqual([{ kind: 'water', minutes: 27, fee: 2 }]);
		// Nobody walks ten kilometres with a can; and a stop that has a tap needs none.
		const far: Point = { ...near, position: [-2, 54.1] };
		expect(carryingAt(withCans, trip.stops[0]!, [far])).toEqual([]);
		// Nor with a thimble, or a can that is all headroom.
		for (const size of [{ capacityL: 0.01 }, { headroomL: 20 }])
			expect(
				carryingAt({ ...withCans, containers: [{ ...cans[0]!, ...size }] }, trip.stops[0]!, [near])
			).toEqual([]);
		expect(carryingAt(withCans, { ...trip.stops[0]!, services: BOTH }, [near])).toEqual([]);
		expect(carryingAt(withCans, trip.stops[0]!, [near]).map(({ service }) => service)).toEqual([
			'water',
			'grey'
		]);
	});
	it('by a point one knows, there and back; by a night less where that is enough', () => {
		const point: Point = { id: 'well', name: 'Well', position: [-2, 54.1], services: BOTH };
		const kinds = mended(trip, [point]).map(({ change }) => change);
		// 0.1° of latitude are 11.1 km
		expect(kinds).toContainEqual({ kind: 'point', stop: 'camp', point: 'well', detourKm: 22 });
		expect(kinds).toContainEqual({ kind: 'nights', stop: 'camp', by: -1 });
		// one that has no tap mends no want of water
		const dry = { ...point, services: [GREY] };
		expect(mended(trip, [dry]).some(({ change }) => change.kind === 'point')).toBe(false);
	});
	it('by another order: the tap before the camp', () => {
		const far = tripOf([
			stop('ford', 0.5, 0.6, []),
			stop('camp', 1, 4.2, []),
			stop('tap', 4.3, 4.4, BOTH),
			stop('end', 4.41, 4.41, [])
		]);
		const order = mended(far).find(({ change }) => change.kind === 'order');
		expect(order?.change).toEqual({ kind: 'order', stop: 'tap', to: 1 });
		expect(planned(changedTrip(far, order!.change)).feasible).toBe(true);
	});
	it('each mend that is named makes a plan that holds; where nothing does, none is named', () => {
		for (const { change } of mended(trip, [
			{ id: 'well', name: 'Well', position: [-2, 54.1], services: BOTH }
		])) {
			const known = estimate(bookOf(trip), 'rig', START);
			const points: readonly Point[] = [{ id: 'well', name: 'Well', position: [-2, 54.1], services: BOTH }];
			expect(compareTrips(known, [trip], trip, change, points).after.plan.feasible).toBe(true);
		}
		expect(mended(tripOf([stop('camp', 0, 40, [])]))).toEqual([]);
	});
});

describe('how much to load', () => {
	it('the least that reaches the first tap above the reserve, by hand: 2 days of 24 L and 10', () => {
		const trip = tripOf([stop('tap', 2, 2.1, BOTH), stop('end', 4, 4, [])]);
		const load = loadBefore(estimate(bookOf(trip), 'rig', START), trip);
		expect(load?.leastL).toBeCloseTo(58, 0);
		expect(load?.mostL).toBeCloseTo(100, 0);
	});
	it('the most that pays: all that spares a fee, when carrying is free; none of it when carrying is dear', () => {
		const stops = [stop('tap', 2, 2.1, [{ ...WATER, fee: 5 }, GREY]), stop('end', 3.4, 3.4, [])];
		const loadOf = (feePerKgKm: number) => {
			const trip = tripOf(stops, { feePerKgKm });
			return loadBefore(estimate(bookOf(trip), 'rig', START), trip);
		};
		// 3.4 days of 24 L and 10 are 92: then the tap is passed by
		expect(loadOf(0)?.paysL).toBeCloseTo(92, 0);
		expect(loadOf(0)).toMatchObject({ cost: 0, leastCost: 5 });
		expect(loadOf(1)?.paysL).toBeCloseTo(58, 0);
	});
	it('nothing is said where even a full tank does not hold', () => {
		const trip = tripOf([stop('end', 9, 9, [])]);
		expect(loadBefore(estimate(bookOf(trip), 'rig', START), trip)).toBeUndefined();
	});
});

describe('schools, on one trip', () => {
	const trip = tripOf(
		[
			stop('a', 1, 1.1, [{ ...WATER, fee: 0, minutes: 30 }, GREY]),
			stop('b', 2, 2.1, [{ ...WATER, fee: 4 }, GREY]),
			stop('c', 3, 3.1, [{ ...WATER, fee: 4 }, GREY]),
			stop('d', 4, 4.1, [{ ...WATER, fee: 1 }, GREY]),
			stop('end', 6, 6, [])
		],
		{ feePerMinute: 0.05 }
	);
	const by = (school: (typeof ALL_SCHOOLS)[number]): Plan =>
		planned({ ...trip, policy: { ...trip.policy, ...(school ? { school } : {}) } });
	const where = (plan: Plan, what: 'water' | 'dump'): readonly string[] =>
		plan.services.filter((one) => one[what] !== undefined).map(({ stop: id }) => id);
	it('each does what it says', () => {
		expect(where(by('top-up'), 'water')).toEqual(['a', 'b', 'c', 'd']);
		// from full 3¾ days: the last tap in reach, then again the last
		expect(where(by('when-due'), 'water')).toEqual(['c']);
		// half an hour at a and a fee of 1 at d: 2.5; b or c alone ask 4
		expect(by(undefined).cost).toBeCloseTo(2.5, 6);
		expect(where(by('free-water'), 'water')).toEqual(['a']);
		expect(by('free-water').feasible).toBe(false);
		expect(by('fewest-stops').effort.stops).toBe(1);
		const litres = (plan: Plan): number =>
			plan.services.reduce((sum, { water }) => sum + (water?.litres ?? 0), 0);
		expect(litres(by('light'))).toBeLessThan(litres(by('top-up')));
	});
	it('none that holds costs less than the cheapest plan', () => {
		for (const school of ALL_SCHOOLS)
			if (by(school).feasible) expect(by(school).cost).toBeGreaterThanOrEqual(by(undefined).cost - 1e-6);
	});
});

describe('what if', () => {
	const trip = tripOf([
		stop('a', 2, 2.1, BOTH),
		stop('b', 3, 3.1, [
			{ ...WATER, fee: 3 },
			{ ...GREY, fee: 3 }
		]),
		stop('end', 5.5, 5.5, [])
	]);
	const known = estimate(bookOf(trip), 'rig', START);
	const tried = (change: TripChange) => compareTrips(known, [trip], trip, change, []);
	it('a stop passed by: the other one is needed, and dearer', () => {
		const { before, after, added, dropped } = tried({ kind: 'skip', stop: 'a' });
		expect(before.plan.cost).toBe(0);
		expect(after.plan).toMatchObject({ feasible: true, cost: 6 });
		expect(added.map(({ stop: id, kind }) => [id, kind])).toEqual([
			['b', 'water'],
			['b', 'grey']
		]);
		expect(dropped.map(({ stop: id }) => id)).toEqual(['a', 'a']);
	});
	it('two more people: 36 L a day in place of 24, so 2½ days in place of 3¾', () => {
		const { before, after } = tried({ kind: 'persons', by: 2 });
		expect(before.days).toBeCloseTo(3.73, 1);
		expect(after.days).toBeCloseTo(2.5, 1);
	});
	it('a measure on, longer; the trip and its people are as they were afterwards', () => {
		expect(tried({ kind: 'measures', on: ['short'] }).after.days).toBeCloseTo(4.5, 1);
		expect(tried({ kind: 'certainty', certainty: 0.97 }).before.days).toBeCloseTo(3.73, 1);
		const { after } = tried({ kind: 'nights', stop: 'a', by: 1 });
		expect((after.endMs - START) / DAY_MS).toBeCloseTo(6.5, 6);
	});
});
