import type { Place } from '$core/places';
import { feature, mesh } from 'topojson-client';
import atlasUrl from 'world-atlas/countries-50m.json?url';

/** Rings of land and lines of borders, [longitude, latitude] in degrees. */
export interface Atlas {
	readonly land: readonly (readonly Place[])[];
	readonly borders: readonly (readonly Place[])[];
}

type Topology = Parameters<typeof feature>[0];
type Named = Parameters<typeof feature>[1];

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
			land: parts.flatMap(({ geometry }) =>
				geometry.type === 'MultiPolygon'
					? (geometry.coordinates.flat() as unknown as Place[][])
					: geometry.type === 'Polygon'
						? (geometry.coordinates as unknown as Place[][])
						: []
			),
			borders: lines.coordinates as unknown as Place[][]
		};
	})().catch((error: unknown) => {
		// The next map tries again.
		loaded = undefined;
		throw error;
	}));
