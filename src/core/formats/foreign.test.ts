import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, logbookOf } from '../../../tests/helpers/logbooks.js';
import { importText, readTags, type Tags } from './index.js';

/** Files as the formats' own specifications have them, written by hand. */
const GPX = `<?xml version="1.0" encoding="UTF-8"?>
<gpx version="1.1" creator="hand" xmlns="http://www.topografix.com/GPX/1/1">
	<metadata><name>Moor</name></metadata>
	<wpt lat="56.5" lon="-21.25"><ele>120</ele><name>Tap &amp; trough &#8211; north</name><extensions><amenity>drinking_water</amenity></extensions></wpt>
	<wpt lat="56.75" lon="-21.5"><name>Station</name><type>amenity=sanitary_dump_station</type><cmt>water_point=yes; drinking_water=no; fee=yes; charge=2,50 a visit</cmt></wpt>
	<wpt lat="56.8" lon="-21.6"><name>Gate</name><desc>Shut at night.</desc></wpt>
	<rte><name>There</name><rtept lat="56.5" lon="-21.25"/><rtept lat="56.75" lon="-21.5"/></rte>
</gpx>`;

const calendar = (...lines: string[]): string =>
	['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//hand//EN', ...lines, 'END:VCALENDAR', ''].join('\r\n');
const event = (...lines: string[]): readonly string[] => ['BEGIN:VEVENT', ...lines, 'END:VEVENT'];

describe('GPX', () => {
	it.each<[field: 'sym' | 'type', says: string, services: readonly object[]]>([
		['sym', 'Drinking Water', [{ kind: 'water', potable: true }]],
		['type', 'drinking_water', [{ kind: 'water', potable: true }]],
		['sym', 'Water Source', [{ kind: 'water' }]],
		['type', 'Water point', [{ kind: 'water' }]],
		['type', 'Non-potable water', [{ kind: 'water', potable: false }]],
		['sym', 'Dump Station', [{ kind: 'grey' }, { kind: 'black' }]],
		['type', 'Sanitary station', [{ kind: 'grey' }, { kind: 'black' }]],
		['sym', 'Chemical toilet disposal', [{ kind: 'black' }]],
		[
			'type',
			'Drinking water; dump station',
			[{ kind: 'water', potable: true }, { kind: 'grey' }, { kind: 'black' }]
		],
		['sym', 'Waterfall', []],
		['sym', 'Flag, Blue', []],
		['type', 'Water sports', []]
	])('a waypoint whose %s is %j has what that says, and no more', (field, says, services) => {
		const gpx = `<gpx><wpt lat="1" lon="2"><name>There</name><${field}>${says}</${field}></wpt></gpx>`;
		expect(importText('gpx', gpx).points[0]?.services).toEqual(services);
	});
	it('gives waypoints with what their tags say, and the way', () => {
		const { points, track, problems } = importText('gpx', GPX);
		expect(problems).toEqual([]);
		expect(points.map(({ id: _, ...rest }) => rest)).toEqual([
			{
				name: 'Tap & trough – north',
				position: [-21.25, 56.5],
				services: [{ kind: 'water', potable: true }]
			},
			{
				name: 'Station',
				position: [-21.5, 56.75],
				services: [
					{ kind: 'water', potable: false, fee: 2.5 },
					{ kind: 'grey', fee: 2.5 },
					{ kind: 'black', fee: 2.5 }
				]
			},
			{ name: 'Gate', position: [-21.6, 56.8], services: [], note: 'Shut at night.' }
		]);
		expect(track).toEqual([
			[-21.25, 56.5],
			[-21.5, 56.75]
		]);
		expect(importText('gpx', GPX).points).toEqual(points);
	});
	it('brings what stands before the place where it breaks off, wherever that is', () => {
		for (let end = GPX.indexOf('<wpt'); end < GPX.length - '</gpx>'.length; end += 7) {
			const { points, problems } = importText('gpx', GPX.slice(0, end));
			expect(problems.length, `cut at ${end}`).toBeGreaterThan(0);
			expect(problems[0]?.path).toMatch(/^line \d+$/);
			if (end > GPX.indexOf('Station')) expect(points[0]?.name).toBe('Tap & trough – north');
		}
	});
	it('resolves no entity and no file, and says so', () => {
		const asks = `<!DOCTYPE gpx [\n<!ENTITY secret SYSTEM "file:///etc/hostname">\n<!ENTITY ten "lol">]>`;
		const { points, problems } = importText(
			'gpx',
			`${asks}\n<gpx><wpt lat="1" lon="2"><name>&secret;&ten;</name></wpt></gpx>`
		);
		expect(points.map(({ name }) => name)).toEqual(['&secret;&ten;']);
		expect(problems.map(({ path }) => path)).toEqual(['line 1']);
	});
	it('says which line is out of range, and whether the two may be swapped', () => {
		const { points, problems } = importText(
			'gpx',
			'<gpx>\n<wpt lat="-121.5" lon="56"/>\n<wpt lat="200" lon="190"/>\n<wpt lat="1"/>\n</gpx>'
		);
		expect(points).toEqual([]);
		expect(problems.map(({ path }) => path)).toEqual(['line 2', 'line 3', 'line 4']);
		expect(problems[0]?.got).toContain('swapped');
		expect(problems[1]?.got).not.toContain('swapped');
	});
	it('says that there is nothing in it, or that it is something else', () => {
		for (const text of ['', '<gpx/>', '<kml><wpt lat="1" lon="1"/></kml>', 'no XML'])
			expect(importText('gpx', text).problems[0]?.path, text).toBe('line 1');
	});
});

describe('GeoJSON', () => {
	const feature = (geometry: unknown, properties: object = {}): object => ({
		type: 'Feature',
		geometry,
		properties
	});
	const read = (...features: unknown[]) =>
		importText('geojson', JSON.stringify({ type: 'FeatureCollection', features }));
	it('gives points, the way, and the middle of an area', () => {
		const square = [
			[
				[0, 0],
				[2, 0],
				[2, 2],
				[0, 2],
				[0, 0]
			]
		];
		const { points, track, problems } = read(
			feature(
				{ type: 'Point', coordinates: [1, 2, 300] },
				{ '@id': 'node/1', natural: 'spring', name: 'Cold spring' }
			),
			feature(
				{ type: 'Polygon', coordinates: square },
				{ amenity: 'sanitary_dump_station', check_date: '2027-02-03' }
			),
			feature({
				type: 'LineString',
				coordinates: [
					[179.5, 1],
					[-179.5, 1]
				]
			})
		);
		expect(problems).toEqual([]);
		expect(points[0]).toEqual({
			id: 'node/1',
			name: 'Cold spring',
			position: [1, 2],
			services: [{ kind: 'water' }],
			source: 'spring'
		});
		expect(points[1]).toMatchObject({ name: 'Dump station', position: [1, 1], verified: '2027-02-03' });
		expect(track).toEqual([
			[179.5, 1],
			[-179.5, 1]
		]);
	});
	it('says by its path what does not fit; the rest comes', () => {
		const { points, problems } = read(
			7,
			feature(null),
			feature({ type: 'Point', coordinates: [10, 95] }),
			feature({ type: 'Point', coordinates: ['a', 1] }),
			feature({ type: 'Circle', coordinates: [1, 1] }),
			feature({ type: 'Point', coordinates: [1, 1] })
		);
		expect(points).toHaveLength(1);
		expect(problems.map(({ path }) => path)).toEqual([
			'$.features[0]',
			'$.features[1].geometry',
			'$.features[2].geometry.coordinates',
			'$.features[3].geometry.coordinates',
			'$.features[4].geometry.type'
		]);
		for (const text of ['', '{', '[]', 'null', '{"type":"Topology"}'])
			expect(importText('geojson', text).problems, text).toHaveLength(1);
	});
	it('believes tags that were changed more than the record beside them', () => {
		const ours = {
			id: 'a',
			name: 'Old',
			services: [{ kind: 'water', potable: true, fee: 2 }],
			note: 'by the gate'
		};
		const tags = { name: 'New', amenity: 'drinking_water', drinking_water: 'no', fee: 'no' };
		const { points } = read(
			feature({ type: 'Point', coordinates: [1, 2] }, { ...tags, dipsometer: { point: ours } })
		);
		expect(points).toEqual([
			{
				id: 'a',
				name: 'New',
				position: [1, 2],
				services: [{ kind: 'water', potable: false, fee: 0 }],
				note: 'by the gate'
			}
		]);
	});
});

it.each<[Tags, readonly object[]]>([
	[{ amenity: 'drinking_water' }, [{ kind: 'water', potable: true }]],
	[{ amenity: 'drinking_water', drinking_water: 'no' }, [{ kind: 'water', potable: false }]],
	[{ amenity: 'water_point' }, [{ kind: 'water' }]],
	[{ man_made: 'water_tap', drinking_water: 'yes' }, [{ kind: 'water', potable: true }]],
	[{ natural: 'spring', drinking_water: 'no' }, [{ kind: 'water', potable: false }]],
	[{ amenity: 'sanitary_dump_station' }, [{ kind: 'grey' }, { kind: 'black' }]],
	[
		{ tourism: 'camp_site', sanitary_dump_station: 'yes', fee: '4' },
		[
			{ kind: 'grey', fee: 4 },
			{ kind: 'black', fee: 4 }
		]
	],
	[{ tourism: 'camp_site' }, []]
])('reads the tags %o', (tags, services) => expect(readTags(tags).services).toEqual(services));

describe('CSV', () => {
	const fill = entry({ kind: 'note', at: '2027-05-01T08:00:00Z', text: 'calm' });
	const mine = logbookOf([fill], exactRig, []);
	const read = (csv: string, timeZone?: string) =>
		importText('csv', csv, { logbook: mine, rig: 'rig', timeZone });
	it('takes semicolons, decimal commas, quoted line breaks, names for ids and the clock of a zone', () => {
		const { entries, problems } = read(
			'sep=;\r\nAt;Kind;Tank;Litres;Note\r\n2027-05-01 08:00;fill;Main;12,5;"two\r\nlines; and more"\r\n1.7.2027 7:05;dump;grey;3;\r\n',
			'Europe/Oslo'
		);
		expect(problems).toEqual([]);
		expect(entries.map(({ id: _, ...rest }) => rest)).toEqual([
			{
				rig: 'rig',
				at: '2027-05-01T08:00:00+02:00',
				kind: 'fill',
				tank: 'main',
				litres: 12.5,
				note: 'two\r\nlines; and more'
			},
			{ rig: 'rig', at: '2027-07-01T07:05:00+02:00', kind: 'dump', tank: 'grey', litres: 3 }
		]);
	});
	it('knows what an instrument shows: a light by its name, a meter by its number', () => {
		const { entries } = read(
			'at,kind,instrument,value\n2027-05-01T08:00:00Z,reading,lights,1/3\n2027-05-01T08:00:00Z,reading,pump,"412,6"\n'
		);
		expect(entries.map((one) => one.kind === 'reading' && one.value)).toEqual(['1/3', 412.6]);
	});
	it('says by its line what does not fit; the rest comes', () => {
		const { entries, problems } = read(
			[
				'My log',
				'at,kind,tank,litres',
				'2027-05-01T08:00:00Z,fill,main,"a',
				'b"',
				'2027-05-01 08:00,fill,main,1',
				'2027-05-01T08:00:00Z,fill,Nowhere,1',
				'at,kind,tank,litres',
				'2027-05-01T08:00:00Z,fill,main,1,too,many',
				'2027-05-01T08:00:00Z,fill,main,-4',
				'2027-05-01T08:00:00Z,fill,main,7'
			].join('\n')
		);
		expect(entries).toMatchObject([{ litres: 7 }]);
		expect(problems.map(({ path }) => path)).toEqual([
			'line 1',
			'line 3, litres',
			'line 5, at',
			'line 7',
			'line 8, cells',
			'line 9, litres',
			'line 6, tank'
		]);
	});
	it('keeps none of many rows that name what is not there, and of one id the first', () => {
		const row = (id: string, tank: string): string => `${id},2027-05-01T08:00:00Z,fill,${tank},1`;
		const bad = Array.from({ length: 250 }, (_, i) => row(`b${i}`, 'Nowhere'));
		const rows = [row('a', 'main'), ...bad, row('a', 'main'), row('c', 'main')];
		const { entries, problems } = read(['id,at,kind,tank,litres', ...rows].join('\n'));
		expect(entries.map(({ id }) => id)).toEqual(['a', 'c']);
		expect(problems[0]?.path).toBe('line 253, id');
		expect(problems.at(-1)?.got).toContain('151 more');
	});
	it('says that there is no header', () => {
		expect(read('1,2,3\n4,5,6').problems).toMatchObject([{ path: 'line 1' }]);
		expect(read('').problems).toMatchObject([{ path: 'line 1' }]);
	});
	it('takes a table of points and one of entries under each other', () => {
		const { points, entries } = read(
			'name,longitude,latitude,water,grey_fee,grey\nFord,1.5,2.5,yes,3,yes\n\nat,kind,text\n2027-05-01T08:00:00Z,note,calm\n'
		);
		expect(points).toMatchObject([
			{ position: [1.5, 2.5], services: [{ kind: 'water' }, { kind: 'grey', fee: 3 }] }
		]);
		expect(entries).toHaveLength(1);
	});
	it('brings a row without an id under the same id each time', () => {
		const row = 'at,kind,text\n2027-05-01T08:00:00Z,note,calm\n2027-05-01T08:00:00Z,note,calm\n';
		const ids = read(row).entries.map(({ id }) => id);
		expect(new Set(ids).size).toBe(2);
		expect(read(row).entries.map(({ id }) => id)).toEqual(ids);
	});
});

describe('iCalendar', () => {
	const BEGIN = 'DTSTART:20270501T100000Z';
	it('gives stops: with Z, with a zone by name or by definition, whole days, durations', () => {
		const { stops, problems } = importText(
			'ics',
			calendar(
				'BEGIN:VTIMEZONE',
				'TZID:Ship',
				'BEGIN:STANDARD',
				'DTSTART:19700101T000000',
				'TZOFFSETFROM:+0300',
				'TZOFFSETTO:+0300',
				'END:STANDARD',
				'END:VTIMEZONE',
				...event('UID:1', 'SUMMARY:A\\, quiet', BEGIN, 'DTEND:20270501T110000Z', 'GEO:58.5;-9.25'),
				...event('UID:2', 'SUMMARY:B', 'DTSTART;TZID=Europe/Oslo:20270502T100000', 'DURATION:PT90M'),
				...event(
					'UID:3',
					'SUMMARY:C',
					'DTSTART;TZID=Ship:20270503T100000',
					'DTEND;TZID=Ship:20270503T120000'
				),
				...event('UID:4', 'SUMMARY:D', 'DTSTART;VALUE=DATE:20270504', 'DTEND;VALUE=DATE:20270506')
			),
			{ timeZone: 'Europe/London' }
		);
		expect(problems).toEqual([]);
		expect(stops.map(({ name, arrive, depart }) => [name, arrive, depart])).toEqual([
			['A, quiet', '2027-05-01T11:00:00+01:00', '2027-05-01T12:00:00+01:00'],
			['B', '2027-05-02T10:00:00+02:00', '2027-05-02T11:30:00+02:00'],
			['C', '2027-05-03T08:00:00+01:00', '2027-05-03T10:00:00+01:00'],
			['D', '2027-05-04T00:00:00+01:00', '2027-05-06T00:00:00+01:00']
		]);
		expect(stops[0]?.position).toEqual([-9.25, 58.5]);
	});
	it('says which line has no zone, is broken, repeats or ends before it begins; the rest comes', () => {
		const { stops, problems } = importText(
			'ics',
			[
				'BEGIN:VCALENDAR',
				...event('SUMMARY:floating', 'DTSTART:20270501T100000'),
				...event('SUMMARY:weekly', BEGIN, 'RRULE:FREQ=WEEKLY'),
				...event('SUMMARY:backwards', BEGIN, 'DTEND:20270401T100000Z'),
				...event('SUMMARY:nowhen'),
				...event('SUMMARY:off', BEGIN, 'STATUS:CANCELLED'),
				...event('SUMMARY:elsewhere', 'DTSTART;TZID=Moon/Sea:20270501T100000'),
				'BEGIN:VEVENT',
				'SUMM'
			].join('\n')
		);
		expect(stops.map(({ name }) => name)).toEqual(['weekly']);
		expect(problems.map(({ path }) => path)).toEqual([
			'line 2, DTSTART',
			'line 6',
			'line 11, DTEND',
			'line 16, DTSTART',
			'line 19',
			'line 24, DTSTART',
			'line 28',
			'line 29'
		]);
		for (const text of ['', 'BEGIN:VCARD\nEND:VCARD', calendar()])
			expect(importText('ics', text).problems, text).toHaveLength(1);
	});
	it('is read by the zone of the rig, else of its trips', () => {
		const home = { ...logbookOf([]), rigs: [{ ...exactRig, timeZone: 'Europe/Oslo' }] };
		const { stops } = importText('ics', calendar(...event('SUMMARY:x', 'DTSTART:20270501T100000')), {
			logbook: home
		});
		expect(stops[0]?.arrive).toBe('2027-05-01T10:00:00+02:00');
		const abroad = logbookOf([], exactRig, [{ ...exactTrip, timeZone: 'Europe/Athens' }]);
		const row = importText('csv', 'at,kind,text\n2027-05-01 10:00,note,calm\n', { logbook: abroad });
		expect(row.entries[0]?.at).toBe('2027-05-01T10:00:00+03:00');
	});
});
