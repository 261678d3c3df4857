import { expect, it } from 'vitest';
import { exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import { levelsAlong, levelsAtStops, problemOf, work } from './index.js';

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
	const [there] = levelsAtStops(work(problemOf(known, trip)));
	// two days: 48 L of fresh gone, 40 in grey, 12 in black
	expect(there?.onArrival.get('grey')).toBeCloseTo(40, 0);
	expect(there?.onArrival.get('black')).toBeCloseTo(12, 0);
	expect(there?.onDeparture.get('black')).toBeLessThan(1.5);
});
