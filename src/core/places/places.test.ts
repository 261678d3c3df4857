import nearestPointOnLine from '@turf/nearest-point-on-line';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point, Stop } from '../logbook/index.js';
import { entry, exactTrip } from '../../../tests/helpers/logbooks.js';
import { nearestOnStretch } from './sphere.js';
import {
	atPoint,
	hasStrayed,
	joined,
	kmBetween,
	kmTo,
	legsAlong,
	nearestOn,
	nearPlace,
	nearWay,
	parsePlace,
	placeAlong,
	placeText,
	seenOn,
	thinned,
	toConfirm,
	twinOf,
	twins,
	unwrapped,
	wayAhead,
	wayThrough,
	whereAt,
	withWay,
	wrapped,
	type LatLon
} from './index.js';

/** A degree along the equator or a meridian of the sphere that is measured on, km. */
const DEGREE = (Math.PI / 180) * 6371.0088;
const place: fc.Arbitrary<LatLon> = fc.tuple(
	fc.double({ min: -180, max: 180, noNaN: true }),
	fc.double({ min: -85, max: 85, noNaN: true })
);
const at = (id: string, name: string, position: LatLon, part: Partial<Point> = {}): Point => ({
	id,
	name,
	position: [...position],
	services: [],
	...part
});
const stop = (id: string, day: number, part: Partial<Stop> = {}): Stop => ({
	id,
	name: id,
	arrive: `2027-05-0${day}T10:00:00Z`,
	depart: `2027-05-0${day}T12:00:00Z`,
	legKm: 0,
	services: [],
	...part
});

describe('on the sphere', () => {
	it('finds the nearest place of a stretch where another library does', () => {
		const step = fc.double({ min: -2, max: 2, noNaN: true });
		fc.assert(
			fc.property(place, step, step, step, step, (a, dLon, dLat, pLon, pLat) => {
				const inside = (lon: number, lat: number): LatLon => [
					Math.max(-179.9, Math.min(179.9, lon)),
					Math.max(-84, Math.min(84, lat))
				];
				const from = inside(a[0], a[1]);
				const [b, p] = [inside(from[0] + dLon, from[1] + dLat), inside(from[0] + pLon, from[1] + pLat)];
				fc.pre(kmBetween(from, b) > 0.01);
				const theirs = nearestPointOnLine({ type: 'LineString', coordinates: [[...from], [...b]] }, [...p]);
				const ours = nearestOnStretch(p, from, b);
				expect(ours.offKm).toBeCloseTo(theirs.properties.pointDistance, 3);
			})
		);
	});
	it('measures across the antimeridian and at 80° N as anywhere', () => {
		expect(
			wayThrough([
				[179.5, 0],
				[-179.5, 0]
			]).lengthKm
		).toBeCloseTo(DEGREE, 6);
		const over = nearestOn(
			wayThrough([
				[179, 0],
				[-179, 0]
			]),
			[180, 0.1]
		);
		expect(over?.offKm).toBeCloseTo(0.1 * DEGREE, 6);
		expect(over?.alongKm).toBeCloseTo(DEGREE, 6);
		// At 80° N a degree of longitude is cos 80° of one: 19.3 km.
		const north = wayThrough([
			[20, 80],
			[20, 81],
			[26, 81]
		]);
		const beside = nearestOn(north, [21, 80.5]);
		expect(beside?.offKm).toBeCloseTo(DEGREE * Math.cos((80.5 * Math.PI) / 180), 1);
		expect(placeAlong(north, DEGREE / 2)?.[1]).toBeCloseTo(80.5, 6);
		expect(
			unwrapped([
				[179, 1],
				[-179, 1],
				[178, 1]
			])
		).toEqual([
			[179, 1],
			[181, 1],
			[178, 1]
		]);
		expect([181, -181, 540, 180, -180].map(wrapped)).toEqual([-179, 179, 180, 180, -180]);
	});
	it('finds each place of a way on it, at its length', () => {
		fc.assert(
			fc.property(
				fc.array(place, { minLength: 2, maxLength: 6 }),
				fc.double({ min: 0, max: 1, noNaN: true }),
				(places, share) => {
					const way = wayThrough(places);
					// From one end of the earth to the other there is no one great circle.
					fc.pre(places.every((one, i) => i === 0 || kmBetween(one, places[i - 1] as LatLon) < 15_000));
					const found = nearestOn(way, placeAlong(way, share * way.lengthKm) as LatLon);
					expect(found?.offKm).toBeLessThan(1e-3);
				}
			)
		);
	});
	it('thins a way without leaving it', () => {
		const wavy = Array.from({ length: 30_000 }, (_, i): LatLon => [i * 1e-4, 50 + 0.01 * Math.sin(i / 40)]);
		const thin = thinned(wavy);
		expect(thin.length).toBeLessThanOrEqual(1500);
		expect(thin.length).toBeGreaterThan(100);
		const way = wayThrough(thin);
		for (let i = 0; i < wavy.length; i += 997)
			expect(nearestOn(way, wavy[i] as LatLon)?.offKm).toBeLessThan(0.2);
	});
});

describe('legs along a way', () => {
	// Out along the equator for two degrees, and back.
	const thereAndBack = wayThrough([
		[0, 0],
		[1, 0],
		[2, 0],
		[1, 0],
		[0, 0]
	]);
	it('tells the way out from the way back by the order of the stops', () => {
		const stops = [
			stop('a', 1, { position: [0, 0] }),
			stop('b', 2, { position: [1, 0.01] }),
			stop('c', 3, { position: [2, 0] }),
			stop('d', 4, { position: [0.5, 0] })
		];
		const legs = legsAlong(thereAndBack, stops);
		expect(legs.map(({ legKm }) => legKm)).toEqual([0, 111.2, 111.2, 166.8]);
		expect(legs[1]?.offKm).toBeCloseTo(0.01 * DEGREE, 6);
		const trip = withWay({ ...exactTrip, stops }, thereAndBack.places, legs);
		expect(trip.stops.map(({ legKm }) => legKm)).toEqual([0, 111.2, 111.2, 166.8]);
		expect(trip.stops[1]?.position).toEqual([1, 0.01]);
		expect(kmTo(trip, 'd', Date.parse('2027-05-02T11:00:00Z'))).toBeCloseTo(278, 6);
	});
	it('puts a stop without a place where its leg ends; one far off says nothing', () => {
		const stops = [
			stop('a', 1, { position: [0, 0] }),
			stop('put', 2, { legKm: DEGREE / 2 }),
			stop('off', 3, { position: [1, 3], legKm: 7 }),
			stop('c', 4, { position: [2, 0] })
		];
		const legs = legsAlong(thereAndBack, stops);
		expect(legs.map(({ stop: id }) => id)).toEqual(['a', 'put', 'c']);
		expect(legs[1]?.position[0]).toBeCloseTo(0.5, 6);
		expect(legs[2]?.legKm).toBeCloseTo(1.5 * DEGREE, 0);
	});
	it('says nothing without a way or stops', () => {
		expect(legsAlong(wayThrough([]), [stop('a', 1, { position: [0, 0] })])).toEqual([]);
		expect(legsAlong(thereAndBack, [])).toEqual([]);
	});
});

describe('near', () => {
	const trip = {
		...exactTrip,
		stops: [
			stop('a', 1, { position: [0, 0] }),
			stop('b', 2, { position: [1, 0] }),
			stop('c', 3, { position: [2, 0] })
		]
	};
	const points = [
		at('end', 'End', [1.9, 0.05]),
		at('start', 'Start', [0.1, 0]),
		at('off', 'Off', [1, 1]),
		at('mid', 'Mid', [1.2, 0])
	];
	it('where one is at a moment: at a stop, or on the way between two', () => {
		expect(whereAt(trip, Date.parse('2027-05-01T11:00:00Z'))).toEqual([0, 0]);
		// Half of the 22 hours from noon to ten.
		expect(whereAt(trip, Date.parse('2027-05-01T23:00:00Z'))?.[0]).toBeCloseTo(0.5, 6);
		expect(whereAt(trip, Date.parse('2027-06-01T00:00:00Z'))).toEqual([2, 0]);
		expect(whereAt(exactTrip, 0)).toBeUndefined();
	});
	it('the way ahead, in the order in which it is passed', () => {
		const ahead = wayAhead(trip, Date.parse('2027-05-01T23:00:00Z'));
		expect(ahead.lengthKm).toBeCloseTo(1.5 * DEGREE, 6);
		expect(nearWay(points, ahead, 10).map(({ point }) => point.id)).toEqual(['mid', 'end']);
		// Legs of 200 km where the straight line is 111: distances ahead are by the road, at a stop exactly its legs.
		const winding = { ...trip, stops: trip.stops.map((one) => ({ ...one, legKm: 200 })) };
		const atA = Date.parse('2027-05-01T11:00:00Z');
		const road = wayAhead(winding, atA);
		expect(road.alongKm.map((km) => Math.round(1e6 * km) / 1e6)).toEqual([0, 200, 400]);
		expect(kmTo(winding, 'c', atA)).toBeCloseTo(400, 6);
		const [mid] = nearWay([at('half', 'Half', [0.5, 0])], road, 5);
		expect(mid?.alongKm).toBeCloseTo(100, 6);
		expect(kmTo(winding, 'b', Date.parse('2027-05-01T23:00:00Z'))).toBeCloseTo(100, 6);
		// By a track, what was driven of it since the last stop lies behind.
		const tracked = {
			...trip,
			track: [
				[0, 0],
				[0.25, 0],
				[1, 0],
				[2, 0]
			] as const
		};
		expect(
			wayAhead({ ...tracked, track: [...tracked.track] }, Date.parse('2027-05-01T23:00:00Z')).places
		).toHaveLength(3);
		expect(nearPlace(points, [1, 0.9])[0]?.point.id).toBe('off');
	});
});

describe('one place twice', () => {
	const ford = at('a', 'Low Ford', [10, 50], { services: [{ kind: 'water' }] });
	it('is known by place and name', () => {
		expect(twinOf(at('b', 'Tap by the ford', [10.0005, 50]), [ford])).toBe(ford);
		expect(twinOf(at('b', 'low ford!', [10.02, 50]), [ford])).toBe(ford);
		expect(twinOf(at('b', 'High Ford', [10.02, 50]), [ford])).toBeUndefined();
		expect(twinOf(at('b', 'Low Ford', [10.2, 50]), [ford])).toBeUndefined();
		expect(twinOf(at('b', 'Low Ford', [10, 50]), [{ ...ford, retired: true }])).toBeUndefined();
		expect(twins([ford, at('b', 'Low Fort', [10.01, 50])])).toHaveLength(1);
	});
	it('becomes one with what either says', () => {
		const other = at('b', 'Ford', [10, 50], {
			hours: '8-18',
			services: [{ kind: 'water', fee: 2 }, { kind: 'grey' }]
		});
		expect(joined(ford, other)).toEqual({
			...ford,
			hours: '8-18',
			services: [{ kind: 'water' }, { kind: 'grey' }]
		});
	});
});

it('reads places as people type them, and nothing else', () => {
	const here: LatLon = [-21.62, 56.91];
	for (const text of [
		'56.91, -21.62',
		'56.91 -21.62',
		'56,91 -21,62',
		'56,91; -21,62',
		'56.91,-21.62',
		'56.91N 21.62W',
		'N56.91 W21.62',
		'W 21.62, N 56.91',
		`56°54'36"N 21°37'12"W`,
		`N 56° 54.6' W 21° 37.2'`,
		'56° 54′ 36″ N, 21° 37′ 12″ W'
	]) {
		const read = parsePlace(text);
		expect(read?.[0], text).toBeCloseTo(here[0], 9);
		expect(read?.[1], text).toBeCloseTo(here[1], 9);
	}
	for (const text of [
		'',
		'by the gate',
		'56.91',
		'91, 0',
		'0, 181',
		'1 2 3',
		'56.91N 21.62N',
		'12E 13W',
		'5, five'
	])
		expect(parsePlace(text), text).toBeUndefined();
	fc.assert(
		fc.property(place, (given) => {
			const read = parsePlace(placeText(given));
			expect(kmBetween(read as LatLon, given)).toBeLessThan(0.002);
		})
	);
});

it('a stop does not say what its point says until it is taken over; a mark of the day is kept', () => {
	const quay = at('quay', 'Quay', [0, 0], { services: [{ kind: 'grey' }] });
	const stays = atPoint(stop('s', 3), quay);
	expect(hasStrayed(stays, quay)).toBe(false);
	expect(hasStrayed(stays, { ...quay, services: [] })).toBe(true);
	const marked = { ...quay, noDischarge: true };
	expect(hasStrayed(stays, marked)).toBe(true);
	expect(hasStrayed(atPoint(stays, marked), marked)).toBe(false);
	expect(hasStrayed(atPoint(stays, marked), quay)).toBe(false);
});

it('asks after a visit whether it is still right, until somebody has said so', () => {
	const ford = at('ford', 'Ford', [0, 0], { services: [{ kind: 'grey' }], verified: '2027-05-01' });
	const hill = at('hill', 'Hill', [0, 0]);
	const trip = { ...exactTrip, stops: [stop('s', 3, { point: 'hill' })] };
	const entries = [
		entry({ kind: 'stop', at: '2027-05-03T10:00:00Z', stop: 's', event: 'arrive' }),
		entry({ kind: 'fill', at: '2027-05-03T10:10:00Z', tank: 'main', litres: 3, point: 'hill' }),
		entry({ kind: 'dump', at: '2027-05-04T10:00:00Z', tank: 'grey', to: 'empty', where: 'ford' }),
		entry({ kind: 'dump', at: '2027-05-09T10:00:00Z', tank: 'grey', to: 'empty', where: 'ford', void: true })
	];
	const asked = (points: readonly Point[]) =>
		toConfirm(points, entries, [trip], Date.parse('2027-05-10T00:00:00Z'), 'Etc/UTC').map(
			({ point, did }) => [point.id, did]
		);
	expect(asked([ford, hill])).toEqual([
		['ford', 'dump'],
		['hill', 'fill']
	]);
	expect(asked([seenOn(ford, '2027-05-04'), hill])).toEqual([['hill', 'fill']]);
	expect(seenOn(ford, '2027-05-04').services).toEqual([{ kind: 'grey', verified: '2027-05-04' }]);
});
