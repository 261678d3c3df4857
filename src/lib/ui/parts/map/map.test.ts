import { expect, it } from 'vitest';
import type { Stop } from '$core/logbook';
import type { Plan } from '$core/plan';
import { exactRig, exactTrip } from '../../../../../tests/helpers/logbooks';
import { flatRings } from './atlas';
import { isOldNews, mapStops, routeStretchesOf } from './content';
import { glyphsOf, markupOf } from './glyphs';
import { tilesWrong } from './ownTiles';
import { signsOf } from './signs';

it('lays rings that cross the antimeridian or go around a pole flat', () => {
	const square = [
		[170, 0],
		[-170, 0],
		[-170, 10],
		[170, 10],
		[170, 0]
	] as const;
	const [one, again] = flatRings(square);
	expect(one).toEqual([
		[170, 0],
		[190, 0],
		[190, 10],
		[170, 10],
		[170, 0]
	]);
	expect(again?.[1]).toEqual([-170, 0]);
	const polar = [
		[-180, -70],
		[-90, -70],
		[0, -70],
		[90, -70],
		[180, -70]
	] as const;
	expect(flatRings(polar)[0]?.slice(-2)).toEqual([
		[180, -90],
		[-180, -90]
	]);
	expect(
		flatRings([
			[0, 0],
			[1, 0],
			[0, 1],
			[0, 0]
		])
	).toHaveLength(1);
});

const stop = (id: string, day: number, lon: number, part: Partial<Stop> = {}): Stop => ({
	id,
	name: id,
	arrive: `2027-05-0${day}T10:00:00Z`,
	depart: `2027-05-0${day}T12:00:00Z`,
	legKm: 10,
	services: [],
	position: [lon, 0],
	...part
});
const trip = {
	...exactTrip,
	stops: [stop('a', 1, 0), stop('b', 2, 1), stop('c', 3, 2), stop('a again', 5, 0)]
};
const plan = {
	services: [{ stop: 'b', dump: ['grey'] }],
	lastChance: [
		{ tank: 'main', stop: 'c' },
		{ tank: 'grey', stop: 'b' }
	]
} as unknown as Plan;
const atMs = Date.parse('2027-05-01T23:00:00Z');

it('draws the way behind, up to the first last chance, and beyond', () => {
	const [behind, reach, beyond] = routeStretchesOf(trip, plan, atMs);
	expect([behind, reach, beyond].map((one) => one?.kind)).toEqual(['behind', 'reach', 'beyond']);
	expect(behind?.places[0]).toEqual([0, 0]);
	// Half way from a to b by the clock, and up to b.
	expect(reach?.places[0]?.[0]).toBeCloseTo(0.5, 6);
	expect(reach?.places.at(-1)).toEqual([1, 0]);
	expect(beyond?.places.at(-1)).toEqual([0, 0]);
	expect(routeStretchesOf(exactTrip, plan, atMs)).toEqual([]);
});

it('shows a place that is come to twice once, and what is planned where', () => {
	const stops = mapStops(trip, plan, exactRig, atMs);
	expect(stops.map(({ id }) => id)).toEqual(['a again', 'b', 'c']);
	expect(stops[1]).toMatchObject({ order: 2, last: ['Grey'], past: false });
});

it('tells by shape what there is, and by age how sure it is', () => {
	const drawn = (...services: Parameters<typeof glyphsOf>[0]): string => markupOf(glyphsOf(services));
	const water = { kind: 'water' } as const;
	const shapes = [
		drawn({ ...water, potable: true }),
		drawn({ ...water, potable: false }),
		drawn(water),
		drawn({ kind: 'grey' }),
		drawn({ kind: 'black' }),
		drawn({ kind: 'mains' }),
		drawn()
	];
	expect(new Set(shapes).size).toBe(shapes.length);
	// A place with both a drinking tap and another one has drinking water.
	expect(drawn({ ...water, potable: false }, { ...water, potable: true })).toBe(shapes[0]);
	expect(isOldNews({ verified: '2027-01-01' }, atMs)).toBe(false);
	expect(isOldNews({ verified: '2026-01-01' }, atMs)).toBe(true);
	expect(isOldNews({}, atMs)).toBe(true);
});

it('signs what stands where: read out by name, a point under a stop at the same place', () => {
	const stops = mapStops(trip, plan, exactRig, Date.parse('2027-05-02T11:00:00Z'));
	const point = (id: string, lon: number, verified?: string) => ({
		id,
		name: `At ${id}`,
		position: [lon, 0] as [number, number],
		services: [{ kind: 'grey' as const }],
		...(verified ? { verified } : {})
	});
	const signs = signsOf(stops, [point('b', 1, '2027-05-01'), point('x', 7)], {
		chosen: 'x',
		pin: [3, 3],
		nowMs: atMs
	});
	const sign = (id: string) => signs.find((one) => one.id === id);
	expect(sign('stop:b')).toMatchObject({
		label: 'Stop 2, b, you are here, last chance for Grey',
		className: 'stop here last'
	});
	expect(sign('point:b')).toMatchObject({ label: 'At b: grey drain', className: 'sign', hangs: true });
	expect(sign('point:x')).toMatchObject({
		label: 'At x: grey drain, not checked for a year',
		className: 'sign stale chosen',
		hangs: false
	});
	// Where nothing goes overboard is signed once: by the point there, or by the stop.
	expect(stops.some(({ noDischarge }) => noDischarge)).toBe(false);
	const quay = stops.map((stop) => ({ ...stop, noDischarge: stop.id === 'b' }));
	const marked = (...points: Parameters<typeof signsOf>[1]) =>
		signsOf(quay, points, { nowMs: atMs }).filter(({ label }) => label.includes('nothing overboard'));
	expect(marked().map(({ id }) => id)).toEqual(['stop:b', 'mark:b']);
	expect(marked({ ...point('b', 1), noDischarge: true }).map(({ id }) => id)).toEqual(['stop:b', 'point:b']);
	expect(sign('pin')?.place).toEqual([3, 3]);
	expect(Math.max(...signs.map(({ over }) => over))).toBe(sign('pin')?.over);
});

it('takes the address of one tile server', () => {
	expect(tilesWrong('https://maps.example:8080/{z}/{x}/{y}.png')).toBeUndefined();
	for (const wrong of [
		'https://maps.example/',
		'javascript:{z}{x}{y}',
		'{z}/{x}/{y}',
		'https://{z}.example/{x}/{y}'
	])
		expect(tilesWrong(wrong), wrong).toMatch(/^an address /);
});
