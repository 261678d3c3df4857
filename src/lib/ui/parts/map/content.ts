import { DAY_MS } from '$core/time';
import { instantMs, notRetired, type Point, type Rig, type Stop, type Trip } from '$core/logbook';
import { nearestOn, waysAt, type LatLon, type Route } from '$core/places';
import type { Plan } from '$core/plan';
import { lastFor } from '$core/words';

/** A stretch of the trip's way: behind, within reach of the last chance, or beyond it. */
export interface RouteStretch {
	readonly kind: 'behind' | 'reach' | 'beyond';
	readonly places: readonly LatLon[];
}

/** A stop on the map. */
export interface MapStop {
	readonly id: string;
	readonly name: string;
	readonly position: LatLon;
	readonly order: number;
	readonly here: boolean;
	readonly past: boolean;
	readonly noDischarge: boolean;
	/** the tanks for which it is the last chance */
	readonly last: readonly string[];
}

/** After so many days without a word that it is still so, a place is shown as not sure. */
const STALE_DAYS = 365;

/** Whether nobody has said for a year, or ever, that a place is as it is noted. */
export const isOldNews = ({ verified }: Pick<Point, 'verified'>, nowMs: number): boolean =>
	verified === undefined || nowMs - Date.parse(`${verified}T12:00:00Z`) > STALE_DAYS * DAY_MS;

/** The stops of a trip that have a position, with what the plan says of them; one place that is come to again shows its next time. */
export function mapStops(trip: Trip, plan: Plan | undefined, rig: Rig, nowMs: number): readonly MapStop[] {
	const stops = notRetired(trip.stops).map((stop, i) => ({ stop, order: i + 1 }));
	const isPast = (stop: Stop): boolean => instantMs(stop.depart) <= nowMs;
	const shown = new Map<string, MapStop>();
	for (const { stop, order } of stops) {
		if (!stop.position) continue;
		const key = stop.position.join();
		const before = shown.get(key);
		if (before && !before.past) continue;
		shown.set(key, {
			id: stop.id,
			name: stop.name,
			position: stop.position,
			order,
			here: instantMs(stop.arrive) <= nowMs && !isPast(stop),
			past: isPast(stop),
			noDischarge: stop.noDischarge === true,
			last: lastFor(rig, plan, stop.id)
		});
	}
	return [...shown.values()];
}

/** A way up to the place on it that is nearest to another, and from there on. */
function cutAt(way: Route, place: LatLon): readonly [before: readonly LatLon[], after: readonly LatLon[]] {
	const found = nearestOn(way, place);
	if (!found) return [way.places, []];
	const at = way.alongKm.findIndex((km) => km > found.alongKm);
	const split = at < 0 ? way.places.length : at;
	return [
		[...way.places.slice(0, split), place],
		[place, ...way.places.slice(split)]
	];
}

/** The stretches of a trip's way: what lies behind, how far one may go until the first last chance, and what is beyond. */
export function routeStretchesOf(trip: Trip, plan: Plan | undefined, nowMs: number): readonly RouteStretch[] {
	const { behind, ahead } = waysAt(trip, nowMs);
	const first = (plan?.lastChance ?? [])
		.map(({ stop: id }) => trip.stops.find((stop) => stop.id === id))
		.filter((stop) => stop?.position !== undefined)
		.sort((a, b) => instantMs(a?.arrive ?? '') - instantMs(b?.arrive ?? ''))[0];
	const [reach, beyond] = first?.position ? cutAt(ahead, first.position) : [ahead.places, []];
	return [
		{ kind: 'behind' as const, places: behind.places },
		{ kind: 'reach' as const, places: reach },
		{ kind: 'beyond' as const, places: beyond }
	].filter(({ places }) => places.length > 1);
}
