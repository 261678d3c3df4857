import { instantMs, notRetired, type Point, type Stop, type Trip } from '../logbook/index.js';
import { wayOf } from './legs.js';
import { kmBetween, type LatLon } from './sphere.js';
import { inOrderOn, nearestOn, placeAlong, wayThrough, type Route } from './way.js';

type Placed = Stop & { readonly position: LatLon };
const isPlaced = (stop: Stop): stop is Placed => stop.position !== undefined && !stop.retired;

/** Where each stop that has a position lies on the way of its trip, km. */
const stopsOn = (trip: Trip, way: Route): readonly (readonly [Placed, number])[] => {
	const placed = trip.stops.filter(isPlaced);
	const found = inOrderOn(
		way,
		placed.map(({ position }) => position)
	);
	return placed.map((stop, i) => [stop, found[i]?.alongKm ?? 0]);
};

/** A place on the way whose length by road is known: how far along the drawn way it lies, and how far by the legs, km. */
interface Mark {
	readonly stop: Placed;
	readonly wayKm: number;
	readonly roadKm: number;
}

/**
 * The stops of a trip on its way, with their distance by the legs: roads wind more than a way that is drawn from stop to stop. A
 * leg that is not known, or shorter than the way itself, is as long as that.
 */
function marksOn(trip: Trip, way: Route): readonly Mark[] {
	const order = new Map(trip.stops.map(({ id }, i) => [id, i]));
	const marks: Mark[] = [];
	for (const [stop, wayKm] of stopsOn(trip, way)) {
		const before = marks.at(-1);
		if (!before) {
			marks.push({ stop, wayKm, roadKm: wayKm });
			continue;
		}
		const legs = notRetired(
			trip.stops.slice((order.get(before.stop.id) ?? 0) + 1, (order.get(stop.id) ?? 0) + 1)
		);
		const legKm = legs.reduce((sum, leg) => sum + leg.legKm, 0);
		marks.push({ stop, wayKm, roadKm: before.roadKm + Math.max(legKm, wayKm - before.wayKm) });
	}
	return marks;
}

/** How far along the way of a trip one is at a moment, and where that is: at a stop, or so far between two as time has gone by. */
function progressAt(
	marks: readonly Mark[],
	way: Route,
	atMs: number
): { readonly wayKm: number; readonly roadKm: number; readonly place: LatLon } | undefined {
	const next = marks.findIndex(({ stop }) => instantMs(stop.arrive) > atMs);
	const [before, after] = [marks[next < 0 ? marks.length - 1 : next - 1], next < 0 ? undefined : marks[next]];
	const nearest = before ?? after;
	if (!nearest) return undefined;
	const { stop, wayKm, roadKm } = nearest;
	if (!before || !after || atMs <= instantMs(stop.depart)) return { wayKm, roadKm, place: stop.position };
	const [leaveMs, arriveMs] = [instantMs(stop.depart), instantMs(after.stop.arrive)];
	const share = (atMs - leaveMs) / (arriveMs - leaveMs);
	const alongKm = wayKm + share * (after.wayKm - wayKm);
	return {
		wayKm: alongKm,
		roadKm: roadKm + share * (after.roadKm - roadKm),
		place: placeAlong(way, alongKm) ?? stop.position
	};
}

/** How far by road a place of the way lies that is so far along it, km. */
function roadAt(marks: readonly Mark[], km: number): number {
	const next = marks.findIndex(({ wayKm }) => wayKm > km);
	const [before, after] = [marks[next < 0 ? marks.length - 1 : next - 1], next < 0 ? undefined : marks[next]];
	if (!before || !after) return km + (before ? before.roadKm - before.wayKm : 0);
	const share = (km - before.wayKm) / (after.wayKm - before.wayKm);
	return before.roadKm + share * (after.roadKm - before.roadKm);
}

/** Where one is at a moment of a trip; nothing where no stop has a position. */
export function whereAt(trip: Trip, atMs: number): LatLon | undefined {
	const way = wayOf(trip);
	return progressAt(marksOn(trip, way), way, atMs)?.place;
}

/** The ways of a trip behind one and ahead of one at a moment; both begin or end where one is. What lies ahead is as long as its legs. */
export function waysAt(trip: Trip, atMs: number): { readonly behind: Route; readonly ahead: Route } {
	const way = wayOf(trip);
	const marks = marksOn(trip, way);
	const now = progressAt(marks, way, atMs);
	if (!now) return { behind: wayThrough([]), ahead: way };
	const split = way.alongKm.findIndex((km) => km > now.wayKm);
	const at = split < 0 ? way.places.length : split;
	const alongKm = [0, ...way.alongKm.slice(at).map((km) => roadAt(marks, km) - now.roadKm)];
	return {
		behind: wayThrough([...way.places.slice(0, at), now.place]),
		ahead: { places: [now.place, ...way.places.slice(at)], alongKm, lengthKm: alongKm.at(-1) ?? 0 }
	};
}

/** The part of a trip's way that lies ahead at a moment. */
export const wayAhead = (trip: Trip, atMs: number): Route => waysAt(trip, atMs).ahead;

/** How far it is by the legs from where one is to a stop ahead, km; to one without a position, all legs that are not driven. */
export function kmTo(trip: Trip, stopId: string, atMs: number): number {
	const way = wayOf(trip);
	const marks = marksOn(trip, way);
	const [to, now] = [marks.find(({ stop }) => stop.id === stopId), progressAt(marks, way, atMs)];
	if (to && now) return Math.max(0, to.roadKm - now.roadKm);
	return notRetired(trip.stops.slice(0, trip.stops.findIndex(({ id }) => id === stopId) + 1))
		.filter(({ arrive }) => instantMs(arrive) > atMs)
		.reduce((sum, { legKm }) => sum + legKm, 0);
}

/** A point and how far it is from what it was looked for near. */
export interface NearPoint {
	readonly point: Point;
	readonly km: number;
	/** how far along the way it is reached, km; only near a way */
	readonly alongKm?: number;
}

/** Points near a place, the nearest first. */
export const nearPlace = (points: readonly Point[], place: LatLon): readonly NearPoint[] =>
	points.map((point) => ({ point, km: kmBetween(place, point.position) })).sort((a, b) => a.km - b.km);

/** Points within some kilometres of a way, in the order in which they are passed. */
export function nearWay(points: readonly Point[], way: Route, withinKm: number): readonly NearPoint[] {
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
