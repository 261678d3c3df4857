import type { Stop, Trip } from '../logbook/index.js';
import type { LatLon } from './sphere.js';
import { inOrderOn, placeAlong, thinned, wayThrough, type Route } from './way.js';

/** What a way says of a stop: how long the leg to it is, where it lies, and how far from the way. */
export interface LegAlong {
	readonly stop: string;
	readonly legKm: number;
	readonly position: LatLon;
	/** how far the stop lies from the way, km; 0 where the way is all that says where it is */
	readonly offKm: number;
	/** it had no position of its own: it was put where its leg ends */
	readonly put: boolean;
}

/** So far from the way a stop is none of it, km. */
const OFF_THE_WAY_KM = 25;
const TENTHS = 10;
const rounded = (km: number): number => Math.round(km * TENTHS) / TENTHS;

/**
 * The legs of a trip along a way, in the order of its stops. Stops with a position are found on the way; one without is put
 * where the leg that it has ends, between its neighbours. A stop far off the way says nothing, and is not among them.
 */
export function legsAlong(way: Route, stops: readonly Stop[]): readonly LegAlong[] {
	const placed = stops.filter(({ position }) => position !== undefined);
	const onWay = inOrderOn(
		way,
		placed.flatMap(({ position }) => (position ? [position] : []))
	);
	const near = new Map(
		placed.flatMap(({ id }, i) => {
			const found = onWay[i];
			return found && found.offKm <= OFF_THE_WAY_KM ? [[id, found] as const] : [];
		})
	);
	const legs: LegAlong[] = [];
	let beforeKm: number | undefined;
	stops.forEach((stop, i) => {
		const found = near.get(stop.id);
		if (found && stop.position) {
			const legKm = beforeKm === undefined ? stop.legKm : rounded(found.alongKm - beforeKm);
			legs.push({ stop: stop.id, legKm, position: stop.position, offKm: found.offKm, put: false });
			beforeKm = found.alongKm;
			return;
		}
		if (stop.position) return;
		const next = stops.slice(i + 1).find(({ id }) => near.has(id));
		const limit = (next && near.get(next.id)?.alongKm) ?? way.lengthKm;
		const alongKm = Math.min((beforeKm ?? 0) + (i === 0 ? 0 : stop.legKm), limit);
		const position = placeAlong(way, alongKm);
		if (!position) return;
		const legKm = beforeKm === undefined ? stop.legKm : rounded(alongKm - beforeKm);
		legs.push({ stop: stop.id, legKm, position, offKm: 0, put: true });
		beforeKm = alongKm;
	});
	return legs;
}

const DECIMALS = 6;
const shortened = ([lon, lat]: LatLon): LatLon => [
	Number(lon.toFixed(DECIMALS)),
	Number(lat.toFixed(DECIMALS))
];

/** The trip with a way, its legs as long as they are along it, and its stops where they lie on it. */
export function withWay(trip: Trip, track: readonly LatLon[], legs: readonly LegAlong[]): Trip {
	const of = new Map(legs.map((leg) => [leg.stop, leg]));
	return {
		...trip,
		track: thinned(track).map(shortened),
		stops: trip.stops.map((stop) => {
			const leg = of.get(stop.id);
			return leg
				? { ...stop, legKm: leg.legKm, legFrom: 'track' as const, position: shortened(leg.position) }
				: stop;
		})
	};
}

/** The way of a trip: its track, where it has one; else from stop to stop. */
export const wayOf = (trip: Trip): Route =>
	wayThrough(
		trip.track && trip.track.length > 1
			? trip.track
			: trip.stops.flatMap(({ position, retired }) => (position && !retired ? [position] : []))
	);
