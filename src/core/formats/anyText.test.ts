import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point, Service } from '../logbook/index.js';
import { exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import { exportText, formatOf, IMPORT_FORMATS, importText, readTags, tagsOf } from './index.js';
import { isCalendarDay } from '../time/index.js';
import { instantFrom } from './localTime.js';
import { lineFinder } from './lines.js';
import { madeId } from './madeId.js';
import { zoneOf } from './imported.js';

const stop = {
	id: 's',
	name: 'Ford',
	arrive: '2027-05-02T10:00:00Z',
	depart: '2027-05-02T12:00:00Z',
	position: [1, 2] as [number, number],
	legKm: 3,
	services: [{ kind: 'water' as const, potable: true }]
};
const point: Point = {
	id: 'p',
	name: 'Hill & dale',
	position: [3, 4],
	services: [{ kind: 'grey', fee: 2 }],
	note: 'a; b'
};
const trip = { ...exactTrip, stops: [stop], track: [[1, 2] as [number, number], [3, 4] as [number, number]] };
const book = { ...logbookOf(freshStart(), exactRig, [trip]), points: [point] };
const written = IMPORT_FORMATS.map((format) => [format, exportText(format, book, { trip })] as const);

describe('whatever a file holds, it is answered and nothing is thrown', () => {
	/** What no text of a few odd letters is, by format. */
	const WANTED: Readonly<Record<(typeof IMPORT_FORMATS)[number], RegExp>> = {
		csv: /^(a header row|quotes that are closed)/,
		gpx: /^(XML that is well formed|a GPX file)/,
		geojson: /^((a )?GeoJSON|FeatureCollection)/,
		ics: /^BEGIN:VCALENDAR$/
	};
	it('any text is told what it is not, and where', () => {
		const text = fc.oneof(
			fc.string({ unit: 'binary' }),
			fc.string({ unit: fc.constantFrom(...'<>&;,"\'{}[]:=\n\r\t/ab01') })
		);
		fc.assert(
			fc.property(text, fc.constantFrom(...IMPORT_FORMATS), (given, format) => {
				const { points, stops, entries, problems } = importText(format, given, { logbook: book });
				expect([points, stops, entries]).toEqual([[], [], []]);
				expect(problems.length).toBeGreaterThan(0);
				for (const { path, expected } of problems) {
					expect(expected).toMatch(WANTED[format]);
					expect(path).toMatch(format === 'geojson' ? /^\$(\.type)?$/ : /^line \d+$/);
				}
			}),
			{ numRuns: 300 }
		);
	});
	it('files with a part cut out, doubled or put elsewhere', () => {
		const place = fc.double({ min: 0, max: 1, noNaN: true });
		fc.assert(
			fc.property(fc.constantFrom(...written), place, place, place, ([format, whole], from, to, at) => {
				const [a, b, c] = [from, to, at].map((share) => Math.floor(share * whole.length)) as [
					number,
					number,
					number
				];
				const part = whole.slice(Math.min(a, b), Math.max(a, b));
				for (const text of [whole.replace(part, ''), whole.slice(0, c) + part + whole.slice(c)]) {
					const { points, stops, entries, problems } = importText(format, text, { logbook: book });
					// What comes through is whole: its place is on the earth, and its times are times.
					for (const { position } of points) expect(Math.abs(position[1])).toBeLessThanOrEqual(90);
					for (const { arrive } of stops) expect(Date.parse(arrive)).not.toBeNaN();
					for (const { rig } of entries) expect(rig).toBe('rig');
					for (const { path, expected, got } of problems)
						expect([path, expected, got].every((one) => one !== '')).toBe(true);
				}
			}),
			{ numRuns: 300 }
		);
	});
	it('lists a hundred problems, and says how many more there are', () => {
		const many = `<gpx>${'<wpt lat="99" lon="0"/>\n'.repeat(250)}</gpx>`;
		const { problems } = importText('gpx', many);
		expect(problems).toHaveLength(101);
		expect(problems.at(-1)?.got).toContain('150 more');
	});
	it('knows each format by its beginning alone', () => {
		for (const [format, text] of written) expect(formatOf(text.slice(0, 200))).toBe(format);
	});
});

describe('tags say what they can', () => {
	const water: fc.Arbitrary<readonly Service[]> = fc.constantFrom(
		[],
		[{ kind: 'water' }],
		[{ kind: 'water', potable: true }],
		[{ kind: 'water', potable: false }]
	);
	const waste: fc.Arbitrary<readonly Service[]> = fc.constantFrom(
		[],
		[{ kind: 'grey' }],
		[{ kind: 'black' }],
		[{ kind: 'grey' }, { kind: 'black' }]
	);
	it('and are read back as they were meant, whatever there is and whatever it costs', () => {
		const fee = fc.option(
			fc.integer({ min: 0, max: 900 }).map((cents) => cents / 100),
			{ nil: undefined }
		);
		fc.assert(
			fc.property(
				water,
				waste,
				fee,
				fc.constantFrom(undefined, 'spring', 'tap'),
				(first, second, cost, source) => {
					const services = [...first, ...second].map((one) => ({
						...one,
						...(cost === undefined ? {} : { fee: cost })
					}));
					const said = readTags(tagsOf({ ...point, services, ...(source ? { source } : {}) }));
					expect(said.services).toEqual(services);
				}
			)
		);
	});
	it('of a fee in any writing', () => {
		const fees = (tags: Record<string, string>): unknown =>
			readTags({ amenity: 'drinking_water', ...tags }).services[0]?.fee;
		expect(fees({ charge: '2,50 EUR/visit' })).toBe(2.5);
		expect(fees({ fee: '3 EUR' })).toBe(3);
		expect(fees({ fee: 'no' })).toBe(0);
		expect(fees({ fee: 'yes' })).toBeUndefined();
		expect(readTags({ amenity: 'water_point', fee: 'yes' }).note).toBe('Fee charged.');
		expect(readTags({ amenity: 'water_point', check_date: '2027-13-40' }).verified).toBeUndefined();
	});
});

describe('the clock of a file', () => {
	it('is an offset, a zone, or said to be missing', () => {
		expect(instantFrom('2027-05-01T08:00:00Z', undefined)).toBe('2027-05-01T08:00:00Z');
		expect(instantFrom('2027-05-01 08:00+02:00', undefined)).toBe('2027-05-01T08:00+02:00');
		expect(instantFrom('1.5.2027 8:05:09', 'Europe/Oslo')).toBe('2027-05-01T08:05:09+02:00');
		expect(instantFrom('2027-05-01', 'Europe/London')).toBe('2027-05-01T00:00:00+01:00');
		expect(instantFrom('2027-05-01 08:00', undefined)).toBe('zone');
		for (const wrong of ['', 'soon', '2027-02-30 08:00', '2027-05-01 25:00', '08:00']) {
			expect(instantFrom(wrong, 'Etc/UTC'), wrong).toBeUndefined();
		}
		expect(['2024-02-29', '2027-02-29', '2027-1-1'].map(isCalendarDay)).toEqual([true, false, false]);
	});
	it('falls back on the rig, and on its trips where they agree', () => {
		const rigs = [{ ...exactRig, timeZone: 'Europe/Oslo' }];
		expect(zoneOf({ logbook: { ...book, rigs } })).toBe('Europe/Oslo');
		expect(zoneOf({ logbook: { ...book, rigs }, timeZone: 'Asia/Tokyo' })).toBe('Asia/Tokyo');
		expect(zoneOf({ logbook: book })).toBe('Etc/UTC');
		expect(
			zoneOf({ logbook: { ...book, trips: [trip, { ...trip, id: 'u', timeZone: 'Asia/Tokyo' }] } })
		).toBeUndefined();
		expect(zoneOf({})).toBeUndefined();
	});
});

it('counts lines, and gives the same id to the same content, once', () => {
	const lineAt = lineFinder('a\nbc\n\nd');
	expect([0, 1, 2, 3, 5, 6].map(lineAt)).toEqual([1, 1, 2, 2, 3, 4]);
	const seen = new Set<string>();
	const [first, second] = [madeId('x', seen), madeId('x', seen)];
	expect(first).not.toBe(second);
	expect(madeId('x', new Set())).toBe(first);
});

describe('what is written of a trip', () => {
	it('is its entries: those that name it, and of its days those that name none', () => {
		const at = (id: string, day: number, part: object = {}) => ({
			id,
			rig: 'rig',
			kind: 'note' as const,
			text: id,
			at: `2027-05-${String(day).padStart(2, '0')}T08:00:00Z`,
			...part
		});
		const entries = [
			at('in', 3),
			at('before', 1, { at: '2027-04-01T08:00:00Z' }),
			at('named', 30, { trip: 'trip' }),
			at('other', 3, { trip: 'x' }),
			at('elsewhere', 3, { rig: 'y' })
		];
		const csv = exportText('csv', { ...book, entries }, { trip });
		expect(
			csv
				.split('\r\n')
				.slice(1)
				.map((line) => line.split(',')[0])
		).toEqual(['in', 'named', '']);
	});
	it('is cut at the antimeridian, as GeoJSON wants it', () => {
		const far = { ...trip, track: [[179, 0] as [number, number], [-179, 2] as [number, number]] };
		const { features } = JSON.parse(exportText('geojson', book, { trip: far })) as {
			features: { geometry: { type: string; coordinates: unknown } }[];
		};
		expect(features.at(-1)?.geometry).toEqual({
			type: 'MultiLineString',
			coordinates: [
				[
					[179, 0],
					[180, 1]
				],
				[
					[-180, 1],
					[-179, 2]
				]
			]
		});
	});
	it('has no calendar without a trip', () => expect(() => exportText('ics', book)).toThrow(RangeError));
});
