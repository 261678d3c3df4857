import { describe, expect, it } from 'vitest';
import type { Point } from '$core/logbook';
import { entry, exactRig, exactTrip, logbookOf } from '../../../tests/helpers/logbooks';
import {
	decoded,
	entriesNew,
	fateProposed,
	looksSwapped,
	mergedStop,
	readOpenFile,
	standingOf,
	tripOf,
	withStops
} from '.';

const bytes = (values: Iterable<number>): ArrayBuffer => Uint8Array.from(values).buffer;
const TEXT = 'name,note\nCafé Pört,über';
const wide = (text: string, low: 0 | 1): number[] =>
	[...text].flatMap((letter) => {
		const code = letter.charCodeAt(0);
		return low === 0 ? [code & 255, code >> 8] : [code >> 8, code & 255];
	});

describe('the bytes of a file', () => {
	it.each([
		['UTF-8', new TextEncoder().encode(TEXT)],
		['UTF-8', [0xef, 0xbb, 0xbf, ...new TextEncoder().encode(TEXT)]],
		['UTF-16', [0xff, 0xfe, ...wide(TEXT, 0)]],
		['UTF-16', [0xfe, 0xff, ...wide(TEXT, 1)]],
		['UTF-16', wide(TEXT, 0)],
		['UTF-16', wide(TEXT, 1)],
		['Latin-1', [...TEXT].map((letter) => letter.charCodeAt(0))]
	] as const)('are read as %s', (encoding, given) =>
		expect(decoded(bytes(given))).toEqual({ text: TEXT, encoding })
	);
	it('are read in any case, also none and nonsense', () => {
		expect(decoded(bytes([]))).toEqual({ text: '', encoding: 'UTF-8' });
		expect(decoded(bytes([0x80, 0x81, 0xff])).encoding).toBe('Latin-1');
	});
});

it('finds out what a file is, and how long the legs are along a way in it', () => {
	const stop = (id: string, lon: number, hour: number) => ({
		id,
		name: id,
		arrive: `2027-05-01T${hour}:00:00Z`,
		depart: `2027-05-01T${hour}:30:00Z`,
		legKm: 1,
		services: [],
		position: [lon, 0] as [number, number]
	});
	const stops = [stop('a', 0, 10), stop('b', 0.1, 12)];
	const logbook = logbookOf([], exactRig, [{ ...exactTrip, stops }]);
	const line = {
		type: 'LineString',
		coordinates: [
			[0, 0],
			[0.05, 0.05],
			[0.1, 0]
		]
	};
	const beside = { logbook, rig: 'rig', timeZone: 'Etc/UTC', stops };
	const found = readOpenFile(bytes(new TextEncoder().encode(JSON.stringify(line))), beside);
	// Twice the diagonal of 5.56 km.
	expect(found.way?.legs.map(({ legKm }) => legKm)).toEqual([1, 15.7]);
	expect(found).toMatchObject({ format: 'geojson', points: [], problems: [] });
	expect(() => readOpenFile(bytes(new TextEncoder().encode('{}')), beside)).toThrow(RangeError);
});

describe('what comes in beside what is here', () => {
	const ford: Point = {
		id: 'ford',
		name: 'Low Ford',
		position: [10, 50],
		services: [],
		edited: '2027-05-01T00:00:00Z'
	};
	it('is new, here, changed, or perhaps here by another name', () => {
		const kind = (point: Point): string => standingOf(point, [ford]).kind;
		expect(kind({ ...ford, edited: '2027-06-01T00:00:00Z' })).toBe('here');
		expect(kind({ ...ford, note: 'x' })).toBe('changed');
		expect(kind({ ...ford, id: 'x', name: 'low ford' })).toBe('twin');
		expect(kind({ ...ford, id: 'x', position: [11, 50] })).toBe('new');
		expect(standingOf(ford, [{ ...ford, retired: true }]).kind).toBe('new');
		expect(['new', 'here', 'changed', 'twin'].map((one) => fateProposed({ kind: one } as never))).toEqual([
			'keep',
			'leave',
			'keep',
			'leave'
		]);
	});
	it('may have latitude and longitude changed about', () => {
		expect(looksSwapped([57, -21], [[-21.3, 57.1]])).toBe(true);
		expect(looksSwapped([-21, 57], [[-21.3, 57.1]])).toBe(false);
		expect(looksSwapped([100, 20], [[20, 80]])).toBe(false);
		expect(looksSwapped([57, -21], [])).toBe(false);
	});
	it('brings an entry that is here as it is no second time', () => {
		const note = entry({ kind: 'note', at: '2027-05-01T00:00:00Z', text: 'x' });
		expect(entriesNew([note, { ...note, text: 'y' } as typeof note], [note])).toHaveLength(1);
	});
});

describe('stops that come in', () => {
	const stop = (id: string, day: number, part: object = {}) => ({
		id,
		name: id,
		arrive: `2027-05-${String(day).padStart(2, '0')}T10:00:00Z`,
		depart: `2027-05-${String(day).padStart(2, '0')}T12:00:00Z`,
		legKm: 0,
		services: [],
		...part
	});
	const here = stop('b', 4, { legKm: 12, services: [{ kind: 'grey' as const }], persons: 3 });
	it('put a calendar’s new time into a stop, and leave what only we know of it', () => {
		const moved = mergedStop(here, stop('b', 6, { name: 'Ford' }));
		expect(moved).toEqual({
			...here,
			name: 'Ford',
			arrive: '2027-05-06T10:00:00Z',
			depart: '2027-05-06T12:00:00Z'
		});
		expect(mergedStop(here, stop('b', 4, { legKm: 5 })).legKm).toBe(5);
		expect(mergedStop(undefined, here)).toBe(here);
	});
	it('stand in the order of their arrival in a trip that is long enough', () => {
		const trip = { ...exactTrip, from: '2027-05-03', to: '2027-05-05', stops: [here] };
		const longer = withStops(trip, [stop('c', 20), stop('a', 1), stop('b', 6)]);
		expect(longer.stops.map(({ id }) => id)).toEqual(['a', 'b', 'c']);
		expect([longer.from, longer.to]).toEqual(['2027-05-01', '2027-05-20']);
		expect(withStops(trip, [])).toEqual(trip);
	});
	it('make a trip of their own, by the days of its zone', () => {
		const about = { id: 't', rig: 'rig', name: 'New', timeZone: 'Pacific/Auckland', persons: 2 };
		const trip = tripOf([stop('b', 4, { depart: '2027-05-06T13:00:00Z' }), stop('a', 2)], about);
		expect([trip.from, trip.to]).toEqual(['2027-05-02', '2027-05-07']);
		expect(trip.stops.map(({ id }) => id)).toEqual(['a', 'b']);
	});
});
