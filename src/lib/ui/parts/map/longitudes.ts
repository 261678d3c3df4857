import type { LatLon } from '$core/places';
import type { LatLngTuple } from 'leaflet';

export const TURN = 360;
/** Beyond this latitude the projection has no room. */
const MOST_LAT = 85;

const held = (lat: number): number => Math.max(-MOST_LAT, Math.min(MOST_LAT, lat));
const nearest = (lon: number, to: number): number => lon + TURN * Math.round((to - lon) / TURN);

/** A place as the map's package takes it, near a longitude, so that what lies across the antimeridian is beside it. */
export const near = ([lon, lat]: LatLon, around: number): LatLngTuple => [held(lat), nearest(lon, around)];

/** A line that begins near a longitude and whose longitudes run on across the antimeridian. */
export function run(places: readonly LatLon[], around: number): LatLngTuple[] {
	let before = around;
	return places.map(([lon, lat]) => {
		before = nearest(lon, before);
		return [held(lat), before];
	});
}
