import distance from '@turf/distance';

/** A place on the earth: [longitude, latitude], degrees. */
export type LatLon = readonly [lon: number, lat: number];
type Vector = readonly [number, number, number];

const RAD = Math.PI / 180;
/** The earth as a sphere, km; the same as in the package that measures distances. */
const EARTH_KM = 6371.0088;

/** The great-circle distance of two places, km. */
export const kmBetween = (a: LatLon, b: LatLon): number => distance([...a], [...b]);

const vectorOf = ([lon, lat]: LatLon): Vector => [
	Math.cos(lat * RAD) * Math.cos(lon * RAD),
	Math.cos(lat * RAD) * Math.sin(lon * RAD),
	Math.sin(lat * RAD)
];
const placeOf = ([x, y, z]: Vector): LatLon => [
	Math.atan2(y, x) / RAD,
	Math.atan2(z, Math.hypot(x, y)) / RAD
];
const cross = ([a, b, c]: Vector, [x, y, z]: Vector): Vector => [b * z - c * y, c * x - a * z, a * y - b * x];
const dot = ([a, b, c]: Vector, [x, y, z]: Vector): number => a * x + b * y + c * z;
const size = (v: Vector): number => Math.hypot(...v);
const angle = (a: Vector, b: Vector): number => Math.atan2(size(cross(a, b)), dot(a, b));

/** Where a place is nearest to a stretch of a great circle: how far off, km, and which share of the stretch lies before. */
export interface Nearest {
	readonly offKm: number;
	readonly share: number;
}

/**
 * The nearest place on the great-circle stretch from `a` to `b`. By vectors in space, so that neither the antimeridian nor the
 * poles are special: the foot of `p` lies in the plane of the stretch and in the one through `p` at right angles to it.
 */
export function nearestOnStretch(p: LatLon, a: LatLon, b: LatLon): Nearest {
	const [u, v, w] = [vectorOf(a), vectorOf(b), vectorOf(p)];
	const normal = cross(u, v);
	const foot = cross(normal, cross(w, normal));
	const inside = size(foot) > 0 && dot(normal, cross(u, foot)) >= 0 && dot(normal, cross(foot, v)) >= 0;
	if (inside) return { offKm: EARTH_KM * angle(w, foot), share: angle(u, foot) / angle(u, v) };
	const [toA, toB] = [angle(w, u), angle(w, v)];
	return toA <= toB ? { offKm: EARTH_KM * toA, share: 0 } : { offKm: EARTH_KM * toB, share: 1 };
}

/** The place at a share of the great-circle stretch from `a` to `b`, 0 … 1. */
export function placeBetween(a: LatLon, b: LatLon, share: number): LatLon {
	const [u, v] = [vectorOf(a), vectorOf(b)];
	const whole = angle(u, v);
	if (whole < 1e-12) return a;
	const [before, after] = [Math.sin((1 - share) * whole), Math.sin(share * whole)];
	return placeOf([before * u[0] + after * v[0], before * u[1] + after * v[1], before * u[2] + after * v[2]]);
}

const TURN = 360;
/** The places with longitudes that run on past ±180° instead of jumping: each within half a turn of the one before, the first of `around`. */
export function unwrapped(places: readonly LatLon[], around = places[0]?.[0] ?? 0): readonly LatLon[] {
	let before = around;
	return places.map(([lon, lat]) => {
		before = lon + TURN * Math.round((before - lon) / TURN);
		return [before, lat];
	});
}
