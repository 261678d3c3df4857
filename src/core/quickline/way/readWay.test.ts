import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseStop, type Point, type Service, type Stop } from '../../logbook/index.js';
import { MINUTE_MS, zonedIso } from '../../time/index.js';
import { readWay, sayWay, type Way, type WayStop } from './index.js';
import { WAYS } from './ways.fixture.js';

const points: readonly Point[] = [
	{
		id: 'ford',
		name: 'Tamsel Ford',
		position: [0, 50],
		services: [{ kind: 'water', fee: 2, potable: true }, { kind: 'grey' }]
	},
	{
		id: 'sarn',
		name: 'Low Sarn',
		position: [0.2, 50.1],
		services: [{ kind: 'water' }, { kind: 'black', minutes: 5 }]
	}
];
const SUNDAY = '2026-11-29T14:00:00+01:00';
const ZONE = 'Europe/Berlin';
const read = (text: string, from = SUNDAY): Way =>
	readWay({ text, from, timeZone: ZONE, points, persons: 2 });

const tellService = ({ kind, fee, minutes, detourKm, potable }: Service): string =>
	[
		potable === true ? 'drinking ' : '',
		kind,
		potable === false ? ' (washing)' : '',
		fee === undefined ? '' : ` fee ${fee}`,
		minutes === undefined ? '' : ` ${minutes} min`,
		detourKm === undefined ? '' : ` +${detourKm} km`
	].join('');
const clock = (at: string): string => at.slice(8, 16).replace('T', ' ');
const tell = ({ name, point, arrive, depart, legKm, services, ...stop }: WayStop): string => {
	const weather = stop.weather && 'maxC' in stop.weather ? stop.weather : undefined;
	return [
		`${name}${point ? '*' : ''}`,
		`${clock(arrive)}→${clock(depart)}`,
		legKm > 0 ? `${legKm} km` : '',
		services.map(tellService).join(' + '),
		stop.hookup ? `hooked ${Object.keys(stop.hookup).join(' + ')}` : '',
		stop.ashore ? 'ashore' : '',
		weather ? `${weather.maxC}/${weather.minC} °C` : '',
		stop.persons ? `${stop.persons} people` : '',
		stop.note ? `“${stop.note}”` : ''
	]
		.filter((part) => part !== '')
		.join(' | ');
};
const told = ({ stops, problems }: Way): string =>
	`${stops.map(tell).join(' ; ')}${problems.map(({ got }) => ` ! ${got}`).join('')}`;

describe('a trip in lines', () => {
	it.each(WAYS)('%s', (text, means) => expect(told(read(text))).toBe(means));

	it('dates follow from the first; what is not understood is told in its line, and the rest stands', () => {
		const { stops, problems } = read(
			'Skarn Hause 3 nights\n14 km Tamsel Ford: black\nOrrow Plantation, 3 nights, 28 °C\n21 km Low Sarn fill and dump 20 min\nKelda Top till somday\nHollin'
		);
		expect(stops.map(({ name, arrive, depart }) => [name, clock(arrive), clock(depart)])).toEqual([
			['Skarn Hause', '29 14:00', '02 10:00'],
			['Tamsel Ford', '02 10:20', '02 10:50'],
			['Orrow Plantation', '02 10:50', '05 10:00'],
			['Low Sarn', '05 10:30', '05 11:00'],
			['Kelda Top', '05 11:00', '05 11:30'],
			['Hollin', '05 11:30', '05 11:30']
		]);
		expect(stops[1]?.services.map(({ kind }) => kind)).toEqual(['water', 'grey', 'black']);
		expect(problems).toEqual([{ line: 5, expected: expect.stringMatching(/till Sunday/), got: 'somday' }]);
	});
	it('details stand under a name, a heading and rules are no stops', () => {
		expect(
			told(read('Trip to the moor:\n\nSkarn Hause\n  - 3 nights\n  - water 5\n----\nMill Cross 1 night'))
		).toBe('Skarn Hause | 29 14:00→02 10:00 | water fee 5 ; Mill Cross | 02 10:00→03 10:00');
	});
	it('who says when he is at the next stop stays until he must go; who comes too early is told', () => {
		expect(told(read('Skarn Hause\n84 km Mill Cross, Wed 12:00'))).toBe(
			'Skarn Hause | 29 14:00→02 10:00 ; Mill Cross | 02 12:00→02 12:00 | 84 km'
		);
		expect(read('Skarn Hause 3 nights\n30.11. Mill Cross').problems).toMatchObject([{ line: 2 }]);
	});
	it('the last day is known beyond a change of clocks, at noon and at night', () => {
		const summer = read('Skarn Hause 2 nights\nMill Cross 1 night', '2027-03-27T18:00:00+01:00');
		expect(summer.stops.map(({ depart }) => depart)).toEqual([
			'2027-03-29T10:00:00+02:00',
			'2027-03-30T10:00:00+02:00'
		]);
	});
	it('a leg that nobody said is as the crow flies, where it is known where both are, and says so', () => {
		const [, sarn] = read('Tamsel Ford\nLow Sarn').stops;
		expect(sarn).toMatchObject({ legFrom: 'straight' });
		expect(sarn?.legKm).toBeCloseTo(18.1, 0);
		expect(read('Tamsel Ford\n30 km Low Sarn').stops[1]).not.toHaveProperty('legFrom');
	});
	it('is a boat slower than a camper', () => {
		const rig = { kind: 'boat', crew: 2, tanks: [] } as never;
		const [, cove] = readWay({ text: 'Quay 1 night\n18 km Cove', from: SUNDAY, timeZone: ZONE, rig }).stops;
		expect(clock(cove?.arrive ?? '')).toBe('30 12:00');
	});
});

const name = fc.constantFrom(
	'Skarn Hause',
	'Tamsel Ford',
	'Low Sarn',
	'Black Moor',
	'Kelda Water',
	'Mill Cross',
	'Quay 4',
	'Two Oaks, 3 Elms'
);
const part = fc.oneof(
	fc.integer({ min: 1, max: 12 }).map((n) => `${n} nights`),
	fc.constantFrom('till Friday', 'until 18:30', 'overnight', '2 hours', 'for the weekend', 'Tue 15:00'),
	fc.integer({ min: 1, max: 400 }).map((n) => `${n} km`),
	fc.constantFrom(
		'water',
		'water 5',
		'drinking water free 10 min',
		'grey 3',
		'fill and dump',
		'black 2 km detour',
		'no grey',
		'full hook-up',
		'mains 8',
		'showers',
		'water not for drinking'
	),
	fc.integer({ min: -12, max: 40 }).map((n) => `${n} °C`),
	fc.constantFrom('4 people', 'alone', 'with 2 guests', '(key at the farm)')
);
const line = fc
	.tuple(name, fc.uniqueArray(part, { maxLength: 4 }))
	.map(([stop, parts]) => [/[,\d]/.test(stop) ? `“${stop}”` : stop, ...parts].join(', '));

describe('a way and back', () => {
	it('stops → text → the same stops', () => {
		fc.assert(
			fc.property(fc.array(line, { minLength: 1, maxLength: 6 }), (lines) => {
				const { stops } = read(lines.join('\n'));
				const withIds = stops.map((stop, i) => ({ ...stop, id: `s${i}` }));
				const text = sayWay(withIds, { timeZone: ZONE, points });
				const again = read(text, stops[0]?.arrive);
				expect(again.problems).toEqual([]);
				expect(again.stops).toEqual(stops);
			}),
			{ numRuns: 120 }
		);
	});
	it('any trip, whenever one comes and goes → text → the same stops', () => {
		const minutes = fc.integer({ min: 0, max: 6000 });
		const stop = fc.record({
			name: fc.constantFrom('Skarn Hause', 'Black Moor', 'Mill Cross', 'Trip', 'Water Lane 3'),
			waits: fc.oneof(fc.constant(0), minutes),
			stays: fc.oneof(fc.constantFrom(0, 30, 1440), minutes),
			legKm: fc.integer({ min: 0, max: 300 }),
			note: fc.option(fc.constantFrom('key at the farm', 'then 3 nights: water'), { nil: undefined })
		});
		fc.assert(
			fc.property(fc.array(stop, { minLength: 1, maxLength: 6 }), (drawn) => {
				let ms = Date.parse(SUNDAY);
				const stops = drawn.map(({ waits, stays, note, ...one }, i): Stop => {
					ms += i === 0 ? 0 : waits * MINUTE_MS;
					const arrive = zonedIso(ms, ZONE);
					ms += stays * MINUTE_MS;
					return {
						...one,
						id: `s${i}`,
						arrive,
						depart: zonedIso(ms, ZONE),
						services: [],
						...(note === undefined ? {} : { note })
					};
				});
				const again = read(sayWay(stops, { timeZone: ZONE, points }));
				expect(again.stops).toEqual(stops.map(({ id: _id, ...one }) => one));
			}),
			{ numRuns: 120 }
		);
	});
	it('whatever is typed: an answer, its stops valid and in order', () => {
		fc.assert(
			fc.property(
				fc.oneof(
					fc.string({ maxLength: 120 }),
					fc.array(fc.oneof(line, fc.string({ maxLength: 30 }))).map((all) => all.join('\n'))
				),
				(text) => {
					const { stops } = read(text);
					let before = '';
					stops.forEach((stop, i) => {
						expect(parseStop({ ...stop, id: `s${i}` }).ok).toBe(true);
						expect(Date.parse(stop.depart)).toBeGreaterThanOrEqual(Date.parse(stop.arrive));
						if (before !== '') expect(Date.parse(stop.arrive)).toBeGreaterThanOrEqual(Date.parse(before));
						before = stop.depart;
					});
				}
			),
			{ numRuns: 120 }
		);
	});
});
