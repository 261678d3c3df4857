import simplified from '@turf/simplify';
import { kmBetween, nearestOnStretch, placeBetween, type Nearest, type LatLon } from './sphere.js';

/** A way through places, in order. */
export interface Route {
	readonly places: readonly LatLon[];
	/** how far along it each place lies, km */
	readonly alongKm: readonly number[];
	readonly lengthKm: number;
}

/** A way with the length along it, by great circles from place to place. */
export function wayThrough(places: readonly LatLon[]): Route {
	const alongKm: number[] = [];
	places.forEach((place, i) => {
		const before = places[i - 1];
		alongKm.push(before ? (alongKm[i - 1] ?? 0) + kmBetween(before, place) : 0);
	});
	return { places, alongKm, lengthKm: alongKm.at(-1) ?? 0 };
}

/** Where a place is nearest to a way. */
export interface OnWay {
	readonly offKm: number;
	readonly alongKm: number;
}

const onStretch = ({ places, alongKm }: Route, i: number, place: LatLon): OnWay => {
	const [a, b] = [places[i] as LatLon, (places[i + 1] ?? places[i]) as LatLon];
	const [from, to] = [alongKm[i] as number, (alongKm[i + 1] ?? alongKm[i]) as number];
	const { offKm, share }: Nearest = nearestOnStretch(place, a, b);
	return { offKm, alongKm: from + share * (to - from) };
};
const stretches = (way: Route): number => Math.max(1, way.places.length - 1);

/** The nearest place on a way; the first of several that are as near. Nothing on a way without places. */
export function nearestOn(way: Route, place: LatLon): OnWay | undefined {
	if (way.places.length === 0) return undefined;
	let best = onStretch(way, 0, place);
	for (let i = 1; i < stretches(way); i++) {
		const here = onStretch(way, i, place);
		if (here.offKm < best.offKm) best = here;
	}
	return best;
}

/** The place so far along a way; its ends beyond them. */
export function placeAlong({ places, alongKm, lengthKm }: Route, km: number): LatLon | undefined {
	const [first, last] = [places[0], places.at(-1)];
	if (!first || !last || km <= 0) return first;
	if (km >= lengthKm) return last;
	const next = alongKm.findIndex((along) => along > km);
	const [from, to] = [alongKm[next - 1] as number, alongKm[next] as number];
	return placeBetween(places[next - 1] as LatLon, places[next] as LatLon, (km - from) / (to - from));
}

/**
 * Where places that are passed one after the other lie on a way: of all arrangements that keep their order the one with the
 * least sum of squared distances (dynamic programming over the stretches), so that a way that crosses itself, or leads there
 * and back, is told apart by the order.
 */
export function inOrderOn(way: Route, places: readonly LatLon[]): readonly OnWay[] {
	if (way.places.length === 0 || places.length === 0) return [];
	const count = stretches(way);
	const came: Int32Array[] = [];
	let cost = new Float64Array(count);
	for (const place of places) {
		const next = new Float64Array(count);
		const from = new Int32Array(count);
		let best = 0;
		for (let i = 0; i < count; i++) {
			if ((cost[i] as number) < (cost[best] as number)) best = i;
			next[i] = (cost[best] as number) + onStretch(way, i, place).offKm ** 2;
			from[i] = best;
		}
		came.push(from);
		cost = next;
	}
	let at = cost.reduce((best, value, i) => (value < (cost[best] as number) ? i : best), 0);
	const found: OnWay[] = [];
	for (let n = places.length - 1; n >= 0; n--) {
		const later = found[0]?.alongKm ?? Infinity;
		const here = onStretch(way, at, places[n] as LatLon);
		// Two on one stretch can still stand the wrong way round by a few metres.
		found.unshift({ ...here, alongKm: Math.min(here.alongKm, later) });
		at = came[n]?.[at] ?? 0;
	}
	return found;
}

/** A drawn way needs no more places than these. */
const MOST_PLACES = 1500;
/** About five metres of latitude, degrees. */
const FINEST = 5e-5;

/** A way with so few places that it can be kept in a trip, by Douglas and Peucker's rule. */
export function thinned(places: readonly LatLon[]): readonly LatLon[] {
	if (places.length <= 2) return places;
	for (let tolerance = FINEST; ; tolerance *= 2) {
		const line = { type: 'LineString' as const, coordinates: places.map(([lon, lat]) => [lon, lat]) };
		const { coordinates } = simplified(line, { tolerance });
		if (coordinates.length <= MOST_PLACES) return coordinates as unknown as readonly LatLon[];
	}
}
