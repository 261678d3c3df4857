import { DAY_MS } from '../time/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	anyEntries,
	entry,
	exactRig,
	exactTrip,
	freshStart,
	logbookOf,
	spareJug
} from '../../../tests/helpers/logbooks.js';
import { estimate, withEntry } from '../estimate/index.js';
import type { Rig, Trip } from '../logbook/index.js';
import { spanText } from '../words/index.js';
import { assess, boundOf, effectOf, nextServed, planTrip } from './index.js';
import { currentTrip } from '../logbook/index.js';

const at = '2027-05-01T06:00:00Z';
const nowMs = Date.parse(at);
const timeZone = 'Etc/UTC';
const known = estimate(logbookOf(freshStart()), 'rig', nowMs);
const now = assess(known, { trips: [] }, { timeZone, paths: 60 });

describe('what Now shows, for the exact rig', () => {
	it('flags each dawn, and the day on which a tank binds', () => {
		const black = now.tanks.find(({ id }) => id === 'black');
		expect(black?.flags.map(({ label, litres, binds }) => [label, Math.round(litres), binds])).toEqual([
			['Sun', 6, false],
			['Mon', 12, false],
			['Tue', 18, true]
		]);
		expect(black).toMatchObject({ bindsFirst: true, daysLeft: 3, bindsMs: nowMs + 3 * DAY_MS });
	});
	it('a carried jug says what it adds', () => {
		const rig: Rig = { ...exactRig, tanks: [...exactRig.tanks, { ...spareJug, nominalL: 12, usableL: 12 }] };
		const full = entry({ kind: 'mark', at, tank: 'jug', state: 'full' });
		const carried = assess(
			estimate(logbookOf([...freshStart(), full], rig), 'rig', nowMs),
			{ trips: [] },
			{ timeZone, paths: 40 }
		);
		// 12 L against 24 L a day
		expect(carried.tanks.at(-1)?.addsDays).toBeCloseTo(0.5, 1);
	});
	it('says what one more entry does: 18 L of room at 6 L a day, 9 L gone is a day and a half', () => {
		const effect = (draft: Parameters<typeof entry>[0]) =>
			effectOf([draft.kind], now, boundOf(known, now), withEntry(known, entry(draft)), timeZone);
		expect(effect({ kind: 'use', at, habit: 'flush', times: 12 })).toMatchObject({
			words: 'Lasts until tomorrow evening, not Tuesday morning.',
			shortens: true
		});
		// a change of crew changes figures and teaches nothing
		expect(effect({ kind: 'crew', at, persons: 4 })).toMatchObject({ shortens: true });
		expect(effect({ kind: 'crew', at, persons: 4 })).not.toHaveProperty('why');
		expect(effect({ kind: 'note', at, text: 'calm' })).toMatchObject({
			words: 'You can stay just as long.',
			shortens: false
		});
	});
});

it('the trip under way comes before the next one, and one that is over is none', () => {
	const trip = (id: string, from: string, to: string): Trip => ({ ...exactTrip, id, from, to });
	const trips = [
		trip('later', '2027-06-01', '2027-06-09'),
		trip('now', '2027-04-28', '2027-05-01'),
		trip('over', '2027-03-01', '2027-03-09')
	];
	expect(currentTrip(trips, 'rig', nowMs)?.id).toBe('now');
	expect(currentTrip(trips, 'rig', nowMs + DAY_MS)?.id).toBe('later');
	expect(currentTrip(trips, 'rig', Date.parse('2027-07-01T00:00:00Z'))).toBeUndefined();
});

/** Rigs that lack things, each still a valid rig. */
const ODD: readonly Rig[] = [
	{ ...exactRig, tanks: [], outlets: [], instruments: [], habits: [], measures: [] },
	{ ...exactRig, habits: [], measures: [], crew: 0, unlogged: undefined },
	{ ...exactRig, crew: 0, unlogged: undefined },
	{
		...exactRig,
		tanks: exactRig.tanks.map((tank) => ({ ...tank, usableL: undefined, reserveL: 2 * tank.nominalL }))
	},
	{
		...exactRig,
		unlogged: { mean: 30, sd: 0 },
		outlets: exactRig.outlets.map((outlet) => ({ ...outlet, to: 'ground' }))
	},
	{
		...exactRig,
		tanks: exactRig.tanks.map((tank) => (tank.id === 'main' ? { ...tank, holds: 'grey' as const } : tank))
	}
];

it('answers sensibly for any log and for odd rigs: no figure that is not a number', () => {
	const stop = {
		id: 's',
		name: 'S',
		arrive: '2027-05-12T08:00:00Z',
		depart: '2027-05-14T08:00:00Z',
		legKm: 4,
		services: [{ kind: 'water' as const }, { kind: 'grey' as const }]
	};
	const trips = [{ ...exactTrip, to: '2027-05-20', stops: [stop] }];
	fc.assert(
		fc.property(fc.constantFrom(...ODD, exactRig), anyEntries, (rig, entries) => {
			const tanks = new Set(rig.tanks.map(({ id }) => id));
			const fitting = entries.filter(
				(e) =>
					(!('tank' in e) || tanks.has(e.tank)) &&
					(e.kind !== 'use' || rig.habits.some(({ id }) => id === e.habit)) &&
					(e.kind !== 'reading' || rig.instruments.length > 0)
			);
			const logbook = logbookOf(fitting, rig, trips);
			const answer = assess(
				estimate(logbook, 'rig', Date.parse('2027-05-11T12:00:00Z')),
				logbook,
				{
					trip: trips[0],
					timeZone,
					paths: 30
				},
				planTrip
			);
			expect(
				JSON.stringify(answer, (_, value: unknown) =>
					typeof value === 'number' && !Number.isFinite(value) ? 'NOT A NUMBER' : value
				)
			).not.toContain('NOT A NUMBER');
			expect(spanText(answer.verdict.headline)).not.toMatch(/NaN|undefined|Invalid/);
		}),
		{ numRuns: 60 }
	);
});

it('with a plan after one without, it is what it would have been at once', () => {
	const services = [{ kind: 'water' as const }, { kind: 'grey' as const }, { kind: 'black' as const }];
	const stop = (id: string, arrive: string, depart: string) => ({
		id,
		name: id,
		arrive,
		depart,
		legKm: 4,
		services
	});
	const stops = [
		stop('near', '2027-05-02T08:00:00Z', '2027-05-02T09:00:00Z'),
		stop('far', '2027-05-04T08:00:00Z', '2027-05-05T08:00:00Z')
	];
	const trip: Trip = { ...exactTrip, to: '2027-05-06', stops };
	const book = logbookOf(freshStart(), exactRig, [trip]);
	const [ahead, occasion] = [estimate(book, 'rig', nowMs), { trip, timeZone, paths: 60 }];
	const without = assess(ahead, book, occasion);
	const withPlan = assess(ahead, book, occasion, planTrip);
	expect(withPlan.plan?.services.length).toBeGreaterThan(0);
	expect(assess(ahead, book, occasion, planTrip, without)).toEqual(withPlan);
	// What stands is not worked out again.
	expect(assess(ahead, book, occasion, planTrip, without).forecast).toBe(without.forecast);
});

describe('what lies ahead', () => {
	it('a jug adds its litres by the daily draw, however little is left: 20 L at 24 a day are 20 hours', () => {
		const rig: Rig = { ...exactRig, tanks: [...exactRig.tanks, spareJug] };
		const used = entry({ kind: 'use', at: '2027-05-01T06:01:00Z', habit: 'dishes', times: 10 });
		const full = entry({ kind: 'mark', at, tank: 'jug', state: 'full' });
		const known = estimate(logbookOf([...freshStart(), full, used], rig), 'rig', nowMs + 120_000);
		const now = assess(known, { trips: [] }, { timeZone: 'Etc/UTC', paths: 50 });
		// Main has 40 L, 10 of them kept: a day and a quarter by itself, two and a twelfth with the jug.
		const main = now.tanks.find(({ id }) => id === 'main');
		expect(main?.daysLeft).toBeCloseTo(50 / 24, 1);
		expect(main?.behind).toEqual({ tanks: ['jug'], litres: expect.closeTo(20, 0) });
		expect(main?.flags.filter(({ pours }) => pours)).toMatchObject([{ litres: 10, binds: false }]);
		expect(main?.flags.at(-1)).toMatchObject({ binds: true });
		expect(24 * (now.tanks.find(({ id }) => id === 'jug')?.addsDays ?? 0)).toBeCloseTo(20, 0);
	});
	it('heat at a stop to come is said with what it costs', () => {
		const rig: Rig = {
			...exactRig,
			habits: exactRig.habits.map((habit) =>
				habit.id === 'shower' ? { ...habit, rises: { fromC: 22, perC: 0.1 } } : habit
			)
		};
		const stop = {
			id: 's',
			name: 'S',
			arrive: '2027-05-03T06:00:00Z',
			depart: '2027-05-09T06:00:00Z',
			legKm: 0,
			services: [],
			weather: { maxC: 32, minC: 15 }
		};
		const trip = { ...exactTrip, stops: [stop] };
		const known = estimate(logbookOf(freshStart(), rig, [trip]), 'rig', Date.parse(at));
		const now = assess(known, { trips: [trip] }, { trip, timeZone: 'Etc/UTC', paths: 50 });
		expect(spanText(now.verdict.detail).replaceAll('\u00a0', ' ')).toContain(
			'32 °C from Monday (from a file): expect to use 8 L more a day.'
		);
	});
	it('each tank has to hold until its own next service: here, ahead, to the trip’s end, or a day', () => {
		const stops = [
			{
				id: 'a',
				name: 'A',
				arrive: '2027-04-30T06:00:00Z',
				depart: '2027-05-02T06:00:00Z',
				legKm: 0,
				services: [{ kind: 'water' as const }]
			},
			{
				id: 'b',
				name: 'B',
				arrive: '2027-05-03T06:00:00Z',
				depart: '2027-05-04T06:00:00Z',
				legKm: 0,
				services: [{ kind: 'grey' as const }]
			}
		];
		const known = estimate(logbookOf(freshStart()), 'rig', Date.parse(at));
		const until = nextServed(known, { ...exactTrip, stops });
		expect(until.get('main')).toMatchObject({ for: 'here', stop: 'A' });
		expect(until.get('grey')).toEqual({ ms: Date.parse('2027-05-03T06:00:00Z'), for: 'service', stop: 'B' });
		expect(until.get('black')).toEqual({ ms: Date.parse('2027-05-04T06:00:00Z'), for: 'trip-end' });
		expect(nextServed(known, undefined).get('grey')?.for).toBe('a-day');
	});
});
