import type { Point, Stop, Trip } from '../../logbook/index.js';
import { OWN } from '../tags/exact.js';
import { tagsOf } from '../tags/openMapTags.js';

const feature = (id: string, geometry: object, properties: object): object => ({
	type: 'Feature',
	id,
	geometry,
	properties
});
const at = (position: readonly [number, number]): object => ({ type: 'Point', coordinates: [...position] });

const ofPoint = (point: Point): object =>
	feature(point.id, at(point.position), { name: point.name, ...tagsOf(point), [OWN]: { point } });
const ofStop = (stop: Stop): readonly object[] =>
	stop.position
		? [
				feature(stop.id, at(stop.position), {
					name: stop.name,
					arrive: stop.arrive,
					depart: stop.depart,
					[OWN]: { stop }
				})
			]
		: [];

/** A line as RFC 7946 wants it: cut where it crosses the antimeridian, at the latitude where it does. */
function lineOf(way: readonly (readonly [number, number])[]): object {
	const lines: (readonly [number, number])[][] = [[]];
	way.forEach((place, i) => {
		const before = way[i - 1];
		const HALF = 180;
		if (before && Math.abs(place[0] - before[0]) > HALF) {
			const side = before[0] > 0 ? HALF : -HALF;
			const span = place[0] + 2 * side - before[0];
			const lat = before[1] + ((side - before[0]) / span) * (place[1] - before[1]);
			lines.at(-1)?.push([side, lat]);
			lines.push([[-side, lat]]);
		}
		lines.at(-1)?.push(place);
	});
	return lines.length === 1
		? { type: 'LineString', coordinates: lines[0] }
		: { type: 'MultiLineString', coordinates: lines };
}

const collection = (features: readonly object[]): string =>
	`${JSON.stringify({ type: 'FeatureCollection', features }, undefined, '\t')}\n`;

/** Points as features with the open map's tags. */
export const pointsGeoJson = (points: readonly Point[]): string => collection(points.map(ofPoint));

/** A trip: its stops that have a position, the way through them, and the points. */
export function tripGeoJson(trip: Trip, points: readonly Point[]): string {
	const way = trip.track ?? trip.stops.flatMap(({ position }) => (position ? [position] : []));
	const line = way.length > 1 ? [feature(`${trip.id}/way`, lineOf(way), { name: trip.name })] : [];
	return collection([...points.map(ofPoint), ...trip.stops.flatMap(ofStop), ...line]);
}
