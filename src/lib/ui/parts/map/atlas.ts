import { unwrapped, type LatLon } from '$core/places';
import { feature, mesh } from 'topojson-client';
import atlasUrl from 'world-atlas/countries-50m.json?url';

/** Rings of land and lines of borders, [longitude, latitude] in degrees. */
export interface Atlas {
	readonly land: readonly (readonly LatLon[])[];
	readonly borders: readonly (readonly LatLon[])[];
}

type Topology = Parameters<typeof feature>[0];
type Named = Parameters<typeof feature>[1];

const TURN = 360;
const HALF_TURN = 180;
const POLE = 90;

/**
 * A ring of the atlas on a flat chart: its longitudes run on where it crosses the antimeridian, and it comes a second time where
 * it then leaves the world at one side. Around a pole it is closed along the chart's edge.
 */
export function flatRings(ring: readonly LatLon[]): readonly (readonly LatLon[])[] {
	const run = unwrapped(ring);
	const [first, last] = [run[0], run.at(-1)];
	if (!first || !last) return [];
	const pole = first[1] < 0 ? -POLE : POLE;
	const aroundPole = Math.abs(last[0] - first[0]) > HALF_TURN;
	const closed: readonly LatLon[] = aroundPole ? [...run, [last[0], pole], [first[0], pole]] : run;
	const lons = closed.map(([lon]) => lon);
	const [west, east] = [Math.min(...lons), Math.max(...lons)];
	const moved = (by: number): readonly LatLon[] => closed.map(([lon, lat]) => [lon + by, lat]);
	return [closed, ...(west < -HALF_TURN ? [moved(TURN)] : []), ...(east > HALF_TURN ? [moved(-TURN)] : [])];
}

let loaded: Promise<Atlas> | undefined;

/** The coasts and borders that ship, at 1:50 million: fetched when a map is first shown, and kept for when there is no network. */
export const atlas = (): Promise<Atlas> =>
	(loaded ??= (async () => {
		const topology = (await (await fetch(atlasUrl)).json()) as Topology;
		const { land, countries } = topology.objects as Readonly<Record<'land' | 'countries', Named>>;
		const shape = feature(topology, land);
		const parts = shape.type === 'FeatureCollection' ? shape.features : [shape];
		const lines = mesh(topology, countries as Parameters<typeof mesh>[1], (a, b) => a !== b);
		return {
			land: parts
				.flatMap(({ geometry }) =>
					geometry.type === 'MultiPolygon'
						? (geometry.coordinates.flat() as unknown as LatLon[][])
						: geometry.type === 'Polygon'
							? (geometry.coordinates as unknown as LatLon[][])
							: []
				)
				.flatMap(flatRings),
			borders: (lines.coordinates as unknown as LatLon[][]).map((line) => unwrapped(line))
		};
	})().catch((error: unknown) => {
		// The next map tries again.
		loaded = undefined;
		throw error;
	}));
