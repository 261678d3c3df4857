import { expect, it } from 'vitest';
import {
	entry,
	exactRig,
	exactTrip,
	freshStart,
	logbookOf,
	spareJug
} from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import { levelsAlong, levelsAtStops, planProblemOf, workOut } from './index.js';

const nowMs = Date.parse('2027-05-02T06:00:00Z');

it('what is aboard at the stops of a plan: less on the way, full and empty after the services', () => {
	const stop = {
		id: 's',
		name: 'S',
		arrive: '2027-05-04T06:00:00Z',
		depart: '2027-05-04T08:00:00Z',
		legKm: 4,
		services: [{ kind: 'water' as const }, { kind: 'grey' as const }, { kind: 'black' as const }]
	};
	const last = {
		...stop,
		id: 'end',
		arrive: '2027-05-06T06:00:00Z',
		depart: '2027-05-06T06:00:00Z',
		services: []
	};
	const trip = { ...exactTrip, stops: [stop, last] };
	const known = estimate(logbookOf(freshStart('2027-05-02T06:00:00Z'), exactRig, [trip]), 'rig', nowMs);
	const [there] = levelsAtStops(workOut(planProblemOf(known, trip)));
	// two days: 48 L of fresh gone, 40 in grey, 12 in black
	expect(there?.onArrival.get('grey')).toBeCloseTo(40, 0);
	expect(there?.onArrival.get('black')).toBeCloseTo(12, 0);
	expect(there?.onDeparture.get('black')).toBeLessThan(1.5);
});

it('a jug’s water is aboard once: 100 L and 20 L less 48 L in two days are 72 L, all in the tank', () => {
	const at = '2027-05-02T06:00:00Z';
	const [arrive, depart] = ['2027-05-02T06:00:00Z', '2027-05-04T06:00:00Z'];
	const camp = { id: 'camp', name: 'Camp', arrive, depart, legKm: 0, services: [] };
	const end = { ...camp, id: 'end', arrive: depart, depart: '2027-05-04T07:00:00Z' };
	const trip = { ...exactTrip, stops: [camp, end] };
	const rig = { ...exactRig, tanks: [...exactRig.tanks, spareJug] };
	const full = entry({ kind: 'mark', at, tank: 'jug', state: 'full' });
	const known = estimate(logbookOf([...freshStart(at), full], rig, [trip]), 'rig', nowMs);
	const [there] = levelsAtStops(workOut(planProblemOf(known, trip)));
	expect(new Date(there?.departMs ?? 0).toISOString()).toBe('2027-05-04T06:00:00.000Z');
	// A mark of full is sure to a litre.
	expect(Math.abs((there?.onDeparture.get('main') ?? 0) - 72)).toBeLessThan(1);
	expect(there?.onDeparture.get('jug')).toBeCloseTo(0, 6);
});

it('along the way a level falls evenly by the clock, and stands twice where it is served', () => {
	const [at, tap] = ['2027-05-04T06:00:00Z', '2027-05-04T08:00:00Z'];
	const trip = {
		...exactTrip,
		stops: [
			{ id: 's', name: 'S', arrive: at, depart: tap, legKm: 4, services: [{ kind: 'water' as const }] },
			{
				id: 'e',
				name: 'E',
				arrive: '2027-05-06T06:00:00Z',
				depart: '2027-05-06T06:00:00Z',
				legKm: 0,
				services: []
			}
		]
	};
	const rig = {
		...exactRig,
		tanks: exactRig.tanks.map((tank) =>
			tank.holds === 'fresh' ? { ...tank, reserveL: 40 } : { ...tank, nominalL: 500, usableL: 500 }
		)
	};
	const known = estimate(logbookOf(freshStart('2027-05-02T06:00:00Z'), rig, [trip]), 'rig', nowMs);
	const [main] = levelsAlong(
		workOut(planProblemOf(known, trip)),
		['2027-05-03T06:00:00Z', '2027-05-06T06:00:00Z'].map(Date.parse)
	);
	const seen = main?.levels.map(({ ms, litres }) => [
		new Date(ms).toISOString().slice(5, 13),
		Math.round(litres)
	]);
	// 24 L a day; not filled, 88 of 100 would be gone: 12 L, and the reserve is 40
	expect(seen).toEqual([
		['05-02T06', 100],
		['05-03T06', 76],
		['05-04T06', 52],
		['05-04T06', 100],
		['05-06T06', 52]
	]);
});
