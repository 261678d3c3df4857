import { DAY_MS } from '../time/index.js';
import { DOMParser } from '@xmldom/xmldom';
import { gpx as secondGpxReader } from '@tmcw/togeojson';
import fc from 'fast-check';
import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import type { Entry, Logbook, Point, Service, Stop, Trip } from '../logbook/index.js';
import {
	anyEntries,
	entry,
	exactRig,
	exactTrip,
	freshStart,
	logbookOf
} from '../../../tests/helpers/logbooks.js';
import { exportText, formatOf, importText, type ImportFormat } from './index.js';

const text = fc
	.string({ minLength: 1, maxLength: 20, unit: 'grapheme' })
	.filter((one) => one.trim() !== '' && one.trim() === one && !/[\r\n]/.test(one));
/** What can be written into a cell, an attribute and a line: a text that begins like a formula or ends a quote, too. */
const hard = fc.oneof(
	text,
	fc.constantFrom(
		'=1+1',
		'-2+3',
		"'=x",
		'@SUM(A1)',
		'"a", "b"',
		'a;b,c',
		'<&>',
		'a\\n,b',
		'+49',
		"'",
		'fee=2; amenity=drinking_water'
	)
);
const day = fc.integer({ min: 0, max: 9000 }).map((n) => new Date(n * DAY_MS).toISOString().slice(0, 10));
const fee = fc.integer({ min: 0, max: 5000 }).map((cents) => cents / 100);
const service: fc.Arbitrary<Service> = fc.record(
	{
		kind: fc.constantFrom(
			'water' as const,
			'grey' as const,
			'black' as const,
			'mains' as const,
			'sewer' as const
		),
		potable: fc.boolean(),
		fee,
		minutes: fee,
		detourKm: fee,
		flowLpm: fc.integer({ min: 1, max: 60 }),
		barMax: fee,
		verified: day,
		note: hard
	},
	{ requiredKeys: ['kind'] }
);
const KINDS = ['water', 'grey', 'black', 'mains', 'sewer'];
/** A table holds services by kind. */
const services = fc
	.array(service, { maxLength: 4 })
	.map((list) => [...list].sort((a, b) => KINDS.indexOf(a.kind) - KINDS.indexOf(b.kind)));
const degrees = (most: number) => fc.integer({ min: -most * 1e6, max: most * 1e6 }).map((n) => n / 1e6);
const position = fc.tuple(degrees(180), degrees(90));
const point: fc.Arbitrary<Point> = fc.record(
	{
		id: fc.uuid(),
		name: hard,
		position,
		services,
		access: hard,
		hours: hard,
		season: hard,
		source: fc.constantFrom('spring', 'tap', 'a tanker'),
		verified: day,
		note: hard,
		retired: fc.constant(true as const)
	},
	{ requiredKeys: ['id', 'name', 'position', 'services'] }
);
const points = fc.uniqueArray(point, { selector: ({ id }) => id, maxLength: 5 });
const warmth = fc.record({
	maxC: fc.integer({ min: -20, max: 45 }),
	minC: fc.integer({ min: -30, max: 30 })
});
const stop: fc.Arbitrary<Stop> = fc
	.record(
		{
			id: fc.uuid(),
			name: hard,
			from: fc.integer({ min: Date.UTC(2027, 0, 1) / 1000, max: Date.UTC(2028, 0, 1) / 1000 }),
			stay: fc.integer({ min: 0, max: 1e6 }),
			position,
			legKm: fee,
			services,
			weather: fc.oneof(warmth, fc.array(fc.tuple(day, warmth).map(([of, one]) => ({ day: of, ...one })))),
			weatherFrom: fc.constantFrom('simulated' as const, 'typed' as const),
			hookup: fc.record({ mains: fc.boolean(), sewer: fc.boolean() }),
			heel: fc.record({
				rollDeg: fc.integer({ min: -30, max: 30 }),
				pitchDeg: fc.integer({ min: -9, max: 9 })
			}),
			ashore: fc.boolean(),
			noDischarge: fc.boolean(),
			exertion: fc.constantFrom(0.7, 1, 2),
			persons: fc.integer({ min: 0, max: 9 }),
			note: hard
		},
		{ requiredKeys: ['id', 'name', 'from', 'stay', 'position', 'legKm', 'services'] }
	)
	.map(({ from, stay, ...rest }) => {
		const at = (seconds: number): string => new Date(seconds * 1000).toISOString().replace('.000Z', '+00:00');
		return { ...rest, arrive: at(from), depart: at(from + stay) };
	});
const byTime = (stops: readonly Stop[]): readonly Stop[] =>
	[...stops].sort((a, b) => a.arrive.localeCompare(b.arrive) || a.id.localeCompare(b.id));
const stops = fc.uniqueArray(stop, { selector: ({ arrive }) => arrive, maxLength: 5 }).map(byTime);

const book = (part: Partial<Logbook>): Logbook => ({ ...logbookOf([]), ...part });
const tripWith = (list: readonly Stop[]): Trip => ({ ...exactTrip, stops: list });
const sorted = <T extends { readonly id: string }>(list: readonly T[]): readonly T[] =>
	[...list].sort((a, b) => a.id.localeCompare(b.id));
const inUse = (list: readonly Point[]): readonly Point[] => list.filter(({ retired }) => !retired);

describe('what is written comes back as it was', () => {
	it('entries as CSV, and with decimal commas', () => {
		fc.assert(
			fc.property(anyEntries, fc.boolean(), (entries, decimalComma) => {
				const told = entries.map((one) => {
					const { text: said, mood, ...rest } = one as Entry & { text?: string; mood?: string };
					// An empty cell says nothing, and papers know no control characters.
					return {
						...rest,
						...(said ? { text: said } : { ...(one.kind === 'note' ? { text: '-' } : {}) }),
						...(mood ? { mood } : {})
					} as Entry;
				});
				const csv = exportText('csv', book({ entries: told }), { decimalComma });
				const back = importText('csv', csv, { logbook: logbookOf([]) });
				expect(back.problems).toEqual([]);
				expect(back.entries).toEqual(told);
			})
		);
	});
	it('points as CSV, GPX and GeoJSON', () => {
		fc.assert(
			fc.property(points, fc.constantFrom<ImportFormat>('csv', 'gpx', 'geojson'), (list, format) => {
				const given = format === 'csv' ? list : inUse(list);
				const file = exportText(format as 'csv', book({ points: given }), { list: 'points' });
				const back = importText(format, file);
				if (given.length > 0 || format === 'csv') expect(back.problems).toEqual([]);
				expect(sorted(back.points)).toEqual(sorted(given));
			})
		);
	});
	it('stops as CSV, GPX, GeoJSON and iCalendar', () => {
		fc.assert(
			fc.property(stops, fc.constantFrom<ImportFormat>('csv', 'gpx', 'geojson', 'ics'), (list, format) => {
				const trip = tripWith(list);
				const file = exportText(format, book({ trips: [trip] }), { list: 'stops', trip });
				const back = importText(format, file);
				if (list.length > 0) expect(back.problems).toEqual([]);
				expect(byTime(back.stops)).toEqual(list);
			})
		);
	});
});

describe('what is written is read by others too', () => {
	it('GPX by another reader: as many waypoints, at the same places, by the same names', () => {
		fc.assert(
			fc.property(points, stops, (list, along) => {
				const named = [...inUse(list)].map((one) => ({ ...one, name: one.name.replaceAll(/\s+/g, ' ') }));
				const onWay = along.map((one, i) => ({ ...one, point: named[i]?.id }) as Stop);
				const trip = { ...tripWith(onWay), track: [[1, 2] as const, [3, 4] as const] };
				const all = exportText('gpx', book({ points: named }));
				const read = (xml: string) =>
					secondGpxReader(new DOMParser().parseFromString(xml, 'text/xml') as unknown as globalThis.Document);
				expect(read(all).features.map(({ geometry }) => geometry)).toEqual(
					named.map((one) => ({ type: 'Point', coordinates: one.position }))
				);
				const way = read(exportText('gpx', book({ points: named }), { trip }));
				const line = way.features.find(({ properties }) => properties?._gpxType === 'trk');
				expect(line?.geometry).toEqual({ type: 'LineString', coordinates: trip.track });
			}),
			{ numRuns: 30 }
		);
	});
	it('an alarm at the last place for a tank', () => {
		const [first] = byTime([
			{
				id: 'a',
				name: 'Low Ford',
				arrive: '2027-05-02T10:00:00Z',
				depart: '2027-05-02T11:00:00Z',
				legKm: 3,
				services: [{ kind: 'grey' }]
			}
		]);
		const trip = tripWith(first ? [first] : []);
		const taken = { stop: 'a', atMs: Date.parse('2027-05-02T10:00:00Z'), services: [{ kind: 'grey' }] };
		const plan = {
			services: [{ ...taken, dump: ['grey'] }],
			lastChance: [{ tank: 'grey', stop: 'a' }]
		};
		const file = exportText('ics', book({ trips: [trip] }), {
			trip,
			planned: { rig: exactRig, plan: plan as never }
		});
		const event = new ICAL.Component(ICAL.parse(file) as unknown[]).getFirstSubcomponent('vevent');
		expect(event?.getFirstPropertyValue('description')).toContain('Empty Grey.');
		const alarm = event?.getFirstSubcomponent('valarm');
		expect(alarm?.getFirstPropertyValue('description')).toBe('Low Ford: last chance for Grey');
		expect(String(alarm?.getFirstPropertyValue('trigger'))).toBe('2027-05-02T10:00:00Z');
	});
});

it('a table program finds no formula in what is written', () => {
	const note = entry({ kind: 'note', at: '2027-05-01T08:00:00Z', text: '=HYPERLINK("x")', note: '-2+3' });
	const csv = exportText('csv', logbookOf([note]));
	expect(csv).toContain(`"'=HYPERLINK(""x"")"`);
	expect(csv).toContain(`"'-2+3"`);
});

it('knows a file by what is in it', () => {
	const made = { ...logbookOf(freshStart()), trips: [] };
	expect(formatOf(JSON.stringify(made))).toBe('logbook');
	expect(formatOf(exportText('geojson', made))).toBe('geojson');
	expect(formatOf(exportText('gpx', made))).toBe('gpx');
	expect(formatOf(exportText('csv', made))).toBe('csv');
	expect(formatOf('\ufeff BEGIN:VCALENDAR')).toBe('ics');
});
