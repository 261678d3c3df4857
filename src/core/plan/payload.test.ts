import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, logbookOf } from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import type { Rig, Trip } from '../logbook/index.js';
import { plan, type Plan } from './index.js';

const at = '2027-05-01T06:00:00Z';
/** 24 L a day out of one large tank, and nothing kept aboard of it. */
const rigWith = (more: Partial<Rig>): Rig => ({
	...exactRig,
	tanks: [{ id: 'main', name: 'Main', holds: 'fresh', nominalL: 300, usableL: 300, reserveL: 10 }],
	outlets: exactRig.outlets.map((outlet) => ({ ...outlet, to: 'ground' })),
	instruments: [],
	payloadKg: 400,
	...more
});
/** Water at once, and then four days and a half without: 4½ × 24 + 10 = 118 L. */
const trip: Trip = {
	...exactTrip,
	stops: [
		{
			id: 'tap',
			name: 'Tap',
			arrive: '2027-05-01T06:00:00Z',
			depart: '2027-05-01T07:00:00Z',
			legKm: 0,
			services: [{ kind: 'water' }]
		},
		{
			id: 'moor',
			name: 'Moor',
			arrive: '2027-05-02T06:00:00Z',
			depart: '2027-05-05T18:00:00Z',
			legKm: 10,
			services: []
		}
	]
};
const planned = (more: Partial<Rig>): Plan => {
	const log = [
		entry({ kind: 'mark', at, tank: 'main', state: 'empty' }),
		entry({ kind: 'fill', at, tank: 'main', litres: 20, sdL: 0 })
	];
	const logbook = logbookOf(log, rigWith(more), [trip]);
	return plan(estimate(logbook, 'rig', Date.parse(at)), logbook, 'trip');
};
const takesL = ({ services }: Plan): number | undefined => services[0]?.water?.litres;

describe('what the payload leaves', () => {
	it('is filled, and no more: 130 kg, where the tank holds 300', () => {
		const kept = planned({ elseKg: 270 });
		expect(kept).toMatchObject({ feasible: true });
		// 20 are in it, and one is used before it drives on.
		expect(takesL(kept)).toBeCloseTo(111, 0);
		expect(kept.services[0]?.water).not.toHaveProperty('to');
		expect(kept).not.toHaveProperty('overload');
	});
	it('without a word of what else is aboard the tank is filled', () => {
		expect(planned({}).services[0]?.water).toMatchObject({ to: 'full' });
		expect(planned({ elseKg: 50 }).services[0]?.water).toMatchObject({ to: 'full' });
	});
	it('where 100 kg are left and 118 needed, it is said by how much the trip breaks it', () => {
		const broken = planned({ elseKg: 300 });
		expect(broken.feasible).toBe(true);
		expect(broken.overload?.stop).toBe('tap');
		expect(broken.overload?.kg).toBeGreaterThan(15);
		expect(broken.overload?.kg).toBeLessThan(26);
	});
});
