import { instantMs, type Trip } from '$core/logbook';
import { wayAhead, whereAt, type LatLon } from '$core/places';
import type { PointWish } from './choosing';

/** Near what points are looked for. */
export type Nearness =
	| { readonly kind: 'anywhere' }
	| { readonly kind: 'route' }
	| { readonly kind: 'here'; readonly place: LatLon }
	| { readonly kind: 'pin'; readonly place: LatLon }
	/** where one will be at a stop of the trip */
	| { readonly kind: 'then'; readonly stop: string };

/** So far from the way a place is still near it, km. */
export const NEAR_WAY_KM = 15;

/** The place or the way that is meant; nothing where it is anywhere, or not known. */
export function nearOf(near: Nearness, trip: Trip | undefined, nowMs: number): PointWish['near'] {
	if (near.kind === 'here' || near.kind === 'pin') return { place: near.place };
	if (!trip || near.kind === 'anywhere') return undefined;
	if (near.kind === 'route') {
		const way = wayAhead(trip, nowMs);
		return way.places.length > 0 ? { way, withinKm: NEAR_WAY_KM } : undefined;
	}
	const stop = trip.stops.find(({ id }) => id === near.stop);
	const place = stop && whereAt(trip, Math.max(nowMs, instantMs(stop.arrive)));
	return place && { place };
}
