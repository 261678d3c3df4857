import fc from 'fast-check';
import { HOUR_MS } from '../../src/core/time/index.js';
import type {
	Entry,
	EntryDraft,
	Instrument,
	Logbook,
	Rig,
	Tank,
	Trip
} from '../../src/core/logbook/index.js';

/** A small rig whose numbers are easy by hand: exact habits, nothing unlogged. */
export const exactRig: Rig = {
	id: 'rig',
	name: 'Paper van',
	kind: 'camper',
	crew: 2,
	unlogged: { mean: 0, sd: 0 },
	tanks: [
		{ id: 'main', name: 'Main', holds: 'fresh', nominalL: 100, usableL: 100, reserveL: 10 },
		{ id: 'grey', name: 'Grey', holds: 'grey', nominalL: 80, usableL: 80, reserveL: 5 },
		{ id: 'black', name: 'Cassette', holds: 'black', nominalL: 20, usableL: 20, reserveL: 2 }
	],
	outlets: [
		{ id: 'tap', name: 'Tap', from: 'main', to: 'grey' },
		{ id: 'toilet', name: 'Toilet', from: 'main', to: 'black' }
	],
	instruments: [
		{ id: 'pump', kind: 'meter', name: 'Pump meter', place: 'pump', tank: 'main', unitL: 1, counts: 'up' },
		{
			id: 'lights',
			kind: 'gauge',
			name: 'Grey lights',
			tank: 'grey',
			curve: [
				{ reads: 'empty', litres: 0 },
				{ reads: '1/3', litres: 25 },
				{ reads: '2/3', litres: 50 },
				{ reads: 'full', litres: 75 }
			]
		}
	],
	habits: [
		{
			id: 'shower',
			name: 'Shower',
			outlet: 'tap',
			litresEach: { mean: 8, sd: 0 },
			often: { times: 0.5, per: 'person-day', sd: 0 }
		},
		{
			id: 'dishes',
			name: 'Dishes',
			outlet: 'tap',
			litresEach: { mean: 6, sd: 0 },
			often: { times: 2, per: 'day', sd: 0 }
		},
		{
			id: 'flush',
			name: 'Flush',
			outlet: 'toilet',
			litresEach: { mean: 0.5, sd: 0 },
			often: { times: 4, per: 'person-day', sd: 0 },
			addsL: 0.25
		}
	],
	measures: [
		{ id: 'short', name: 'Short showers', habit: 'shower', effect: { kind: 'scale', factor: 0.5 }, effort: 1 }
	],
	containers: [],
	care: []
};

/** A jug that is poured into Main. */
export const spareJug = {
	id: 'jug',
	name: 'Jug',
	holds: 'fresh',
	nominalL: 20,
	usableL: 20,
	reserveL: 0,
	feeds: 'main',
	portable: true
} as const satisfies Tank;

export const hoseMeter = {
	id: 'hose',
	kind: 'meter',
	name: 'Hose meter',
	place: 'fill',
	tank: 'main',
	unitL: 1,
	counts: 'up'
} as const satisfies Instrument;

export const countdown = {
	id: 'down',
	kind: 'meter',
	name: 'Countdown',
	place: 'pump',
	tank: 'main',
	unitL: 1,
	counts: 'down',
	alarmAt: 10
} as const satisfies Instrument;

export const exactTrip: Trip = {
	id: 'trip',
	rig: 'rig',
	name: 'Paper moor',
	timeZone: 'Etc/UTC',
	from: '2027-05-01',
	to: '2027-05-12',
	persons: 2,
	stops: [],
	policy: { certainty: 0.9, feePerMinute: 0, feePerKm: 0, feePerKgKm: 0 }
};

let made = 0;
/** An entry of the exact rig; ids run on in the order of making. */
export const entry = (draft: EntryDraft, id = `e${String(++made).padStart(6, '0')}`): Entry =>
	({ id, rig: 'rig', ...draft }) as Entry;

/** Full fresh tank, empty waste tanks at 06:00 on the first of May. */
export const freshStart = (at = '2027-05-01T06:00:00Z'): readonly Entry[] => [
	entry({ kind: 'mark', at, tank: 'main', state: 'full' }),
	entry({ kind: 'dump', at, tank: 'grey', to: 'empty' }),
	entry({ kind: 'dump', at, tank: 'black', to: 'empty' })
];

export const logbookOf = (
	entries: readonly Entry[],
	rig: Rig = exactRig,
	trips: readonly Trip[] = [exactTrip]
): Logbook => ({
	format: 'dipsometer-logbook',
	version: 1,
	exportedAt: '2027-05-12T06:00:00Z',
	rigs: [rig],
	trips,
	points: [],
	entries
});

const instant = fc
	.integer({ min: Date.UTC(2027, 4, 1), max: Date.UTC(2027, 4, 11) })
	.map((ms) => new Date(ms).toISOString());
const litres = fc.integer({ min: 0, max: 300 }).map((tenths) => tenths / 10);

/** The same rig as people have it: 24 L a day by its word, of which nothing is exact. */
export const livedRig = (sdShare: number): Rig => ({
	...exactRig,
	timeZone: 'Etc/UTC',
	unlogged: undefined,
	habits: exactRig.habits.map((habit) => ({
		...habit,
		litresEach: { mean: habit.litresEach.mean, sd: sdShare * habit.litresEach.mean },
		often: { times: habit.often.times, per: habit.often.per }
	}))
});

/** Any valid content of an entry of the exact rig. */
export const anyDraft: fc.Arbitrary<EntryDraft> = fc.oneof(
	fc.record({ kind: fc.constant('fill' as const), at: instant, tank: fc.constant('main'), litres }),
	fc.record({
		kind: fc.constant('fill' as const),
		at: instant,
		tank: fc.constant('main'),
		to: fc.constant('full' as const)
	}),
	fc.record({
		kind: fc.constant('use' as const),
		at: instant,
		habit: fc.constantFrom('shower', 'dishes', 'flush'),
		times: fc.integer({ min: 1, max: 3 })
	}),
	fc.record({
		kind: fc.constant('dump' as const),
		at: instant,
		tank: fc.constantFrom('grey', 'black'),
		litres
	}),
	fc
		.record({
			at: instant,
			hours: fc.integer({ min: 1, max: 72 }),
			lived: fc.constantFrom('as-usual' as const, 'less' as const, 'away' as const)
		})
		.map(({ at, hours, lived }) => ({
			kind: 'gap' as const,
			at,
			since: new Date(Date.parse(at) - hours * HOUR_MS).toISOString(),
			lived
		})),
	fc.record({ kind: fc.constant('crew' as const), at: instant, persons: fc.integer({ min: 1, max: 4 }) }),
	fc.record({
		kind: fc.constant('reading' as const),
		at: instant,
		instrument: fc.constant('lights'),
		value: fc.constantFrom('empty', '1/3', '2/3', 'full')
	}),
	fc.record({ kind: fc.constant('note' as const), at: instant, text: fc.string({ maxLength: 40 }) })
);

/** Any list of valid entries with ids of their own, some voided, some edited, some with unknown fields. */
export const anyEntries: fc.Arbitrary<readonly Entry[]> = fc
	.uniqueArray(
		fc.record({
			draft: anyDraft,
			id: fc.integer({ min: 0, max: 60 }).map((n) => `id-${n}`),
			extra: fc.record(
				{ edited: instant, void: fc.constant(true as const), mood: fc.string() },
				{ requiredKeys: [] }
			)
		}),
		{ selector: ({ id }) => id, maxLength: 30 }
	)
	.map((parts) => parts.map(({ draft, id, extra }) => entry({ ...draft, ...extra } as EntryDraft, id)));

export const anyLogbook: fc.Arbitrary<Logbook> = fc
	.record({ entries: anyEntries, exportedAt: instant, diary: fc.string() })
	.map(({ entries, ...rest }) => ({ ...logbookOf(entries), ...rest }));
