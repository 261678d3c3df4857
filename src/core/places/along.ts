import { instantMs, type Point, type Stop, type Trip } from '../logbook/index.js';
import { wayOf } from './legs.js';
import { kmBetween, placeBetween, type Place } from './sphere.js';
import { inOrderOn, nearestOn, placeAlong, wayThrough, type Way } from './way.js';

type Placed = Stop & { readonly position: Place };
const isPlaced = (stop: Stop): stop is Placed => stop.position !== undefined && !stop.retired;

/** Where each stop that has a position lies on the way of its trip, km. */
const stopsOn = (trip: Trip, way: Way): readonly (readonly [Placed, number])[] => {
	const placed = trip.stops.filter(isPlaced);
	const found = inOrderOn(
		way,
		placed.map(({ position }) => position)
	);
	return placed.map((stop, i) => [stop, found[i]?.alongKm ?? 0]);
};

/** Where one is at a moment of a trip: at a stop, or so far between two as time has gone by; nothing where no stop has a position. */
export function whereAt(trip: Trip, atMs: number): Place | undefined {
	const way = wayOf(trip);
	const stops = stopsOn(trip, way);
	const next = stops.findIndex(([{ arrive }]) => instantMs(arrive) > atMs);
	const [before, after] = [stops[next < 0 ? stops.length - 1 : next - 1], next < 0 ? undefined : stops[next]];
	if (!before || !after) return (before ?? after)?.[0].position;
	const [[here, fromKm], [there, toKm]] = [before, after];
	const [leaveMs, arriveMs] = [instantMs(here.depart), instantMs(there.arrive)];
	if (atMs <= leaveMs) return here.position;
	const share = (atMs - leaveMs) / (arriveMs - leaveMs);
	return trip.track
		? placeAlong(way, fromKm + share * (toKm - fromKm))
		: placeBetween(here.position, there.position, share);
}

/** The part of a trip's way that lies ahead at a moment. */
export function wayAhead(trip: Trip, atMs: number): Way {
	const way = wayOf(trip);
	const here = whereAt(trip, atMs);
	if (!here) return way;
	const passed = stopsOn(trip, way).filter(([{ arrive }]) => instantMs(arrive) <= atMs);
	const leastKm = passed.at(-1)?.[1] ?? 0;
	const rest = way.places.filter((_, i) => (way.alongKm[i] ?? 0) > leastKm);
	return wayThrough([here, ...rest]);
}

/** A point and how far it is from what it was looked for near. */
export interface Near {
	readonly point: Point;
	readonly km: number;
	/** how far along the way it is reached, km; only near a way */
	readonly alongKm?: number;
}

/** Points near a place, the nearest first. */
export const nearPlace = (points: readonly Point[], place: Place): readonly Near[] =>
	points.map((point) => ({ point, km: kmBetween(place, point.position) })).sort((a, b) => a.km - b.km);

/** Points within some kilometres of a way, in the order in which they are passed. */
export const nearWay = (points: readonly Point[], way: Way, withinKm: number): readonly Near[] =>
	points
		.flatMap((point) => {
			const found = nearestOn(way, point.position);
			return found && found.offKm <= withinKm ? [{ point, km: found.offKm, alongKm: found.alongKm }] : [];
		})
		.sort((a, b) => a.alongKm - b.alongKm);

/** How far it is from where one is to a stop ahead, by the legs of the trip, km; on the way to it, the whole leg. */
export const kmTo = (trip: Trip, stopId: string, atMs: number): number =>
	trip.stops
		.slice(0, trip.stops.findIndex(({ id }) => id === stopId) + 1)
		.filter(({ arrive, retired }) => instantMs(arrive) > atMs && !retired)
		.reduce((sum, { legKm }) => sum + legKm, 0);
