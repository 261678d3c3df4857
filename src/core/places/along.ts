import { instantMs, type Point, type Stop, type Trip } from '../logbook/index.js';
import { wayOf } from './legs.js';
import { kmBetween, type Place } from './sphere.js';
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

/** How far along the way of a trip one is at a moment, and where that is: at a stop, or so far between two as time has gone by. */
function progressAt(
	trip: Trip,
	way: Way,
	atMs: number
): { readonly km: number; readonly place: Place } | undefined {
	const stops = stopsOn(trip, way);
	const next = stops.findIndex(([{ arrive }]) => instantMs(arrive) > atMs);
	const [before, after] = [stops[next < 0 ? stops.length - 1 : next - 1], next < 0 ? undefined : stops[next]];
	const nearest = before ?? after;
	if (!nearest) return undefined;
	const [stop, km] = nearest;
	if (!before || !after || atMs <= instantMs(stop.depart)) return { km, place: stop.position };
	const [leaveMs, arriveMs] = [instantMs(stop.depart), instantMs(after[0].arrive)];
	const alongKm = km + ((atMs - leaveMs) / (arriveMs - leaveMs)) * (after[1] - km);
	return { km: alongKm, place: placeAlong(way, alongKm) ?? stop.position };
}

/** Where one is at a moment of a trip; nothing where no stop has a position. */
export const whereAt = (trip: Trip, atMs: number): Place | undefined =>
	progressAt(trip, wayOf(trip), atMs)?.place;

/** The ways of a trip behind one and ahead of one at a moment; both begin or end where one is. */
export function waysAt(trip: Trip, atMs: number): { readonly behind: Way; readonly ahead: Way } {
	const way = wayOf(trip);
	const now = progressAt(trip, way, atMs);
	if (!now) return { behind: wayThrough([]), ahead: way };
	const split = way.alongKm.findIndex((km) => km > now.km);
	const at = split < 0 ? way.places.length : split;
	return {
		behind: wayThrough([...way.places.slice(0, at), now.place]),
		ahead: wayThrough([now.place, ...way.places.slice(at)])
	};
}

/** The part of a trip's way that lies ahead at a moment. */
export const wayAhead = (trip: Trip, atMs: number): Way => waysAt(trip, atMs).ahead;

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
export function nearWay(points: readonly Point[], way: Way, withinKm: number): readonly Near[] {
	const [middle] = way.places.slice(Math.floor(way.places.length / 2));
	if (!middle) return [];
	// Of thousands of points few are anywhere near: those are looked at along the whole way.
	const reachKm = withinKm + Math.max(...way.places.map((place) => kmBetween(middle, place)));
	return points
		.filter(({ position }) => kmBetween(middle, position) <= reachKm)
		.flatMap((point) => {
			const found = nearestOn(way, point.position);
			return found && found.offKm <= withinKm ? [{ point, km: found.offKm, alongKm: found.alongKm }] : [];
		})
		.sort((a, b) => a.alongKm - b.alongKm);
}

/** How far it is from where one is to a stop ahead, by the legs of the trip, km; on the way to it, the whole leg. */
export const kmTo = (trip: Trip, stopId: string, atMs: number): number =>
	trip.stops
		.slice(0, trip.stops.findIndex(({ id }) => id === stopId) + 1)
		.filter(({ arrive, retired }) => instantMs(arrive) > atMs && !retired)
		.reduce((sum, { legKm }) => sum + legKm, 0);
