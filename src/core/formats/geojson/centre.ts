import centroid from '@turf/centroid';
import type { LatLon } from '../../places/index.js';

/** The middle of an area, degrees; nothing where its rings are none. */
export function centreOf(area: object): LatLon | undefined {
	try {
		const [lon, lat] = centroid(area as Parameters<typeof centroid>[0]).geometry.coordinates;
		return lon !== undefined && lat !== undefined && Number.isFinite(lon) && Number.isFinite(lat)
			? [lon, lat]
			: undefined;
	} catch {
		// The package refuses coordinates that are no numbers; the caller says where they stand.
		return undefined;
	}
}
