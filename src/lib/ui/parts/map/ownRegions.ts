import L from 'leaflet';
import { near } from './longitudes';
import regions from './regions.json';

/** The demo's own regions with their hills, near a longitude. */
export const regionsAround = (around: number): L.GeoJSON =>
	L.geoJSON(regions as GeoJSON.FeatureCollection, {
		interactive: false,
		coordsToLatLng: ([lon = 0, lat = 0]) => L.latLng(near([lon, lat], around)),
		style: (one) => ({ className: `region-${one?.properties.is}`, weight: 1 }),
		pointToLayer: (one, at) =>
			L.marker(at, {
				interactive: false,
				keyboard: false,
				icon: L.divIcon({
					className: 'region-hill',
					html: '<svg viewBox="0 0 12 10" width="12" height="10" aria-hidden="true"><path d="M1 9 L6 1 L11 9"/></svg>',
					iconSize: [12, 10]
				})
			}).bindTooltip(String(one.properties.name), {
				permanent: true,
				direction: 'right',
				className: 'region-name',
				opacity: 1
			})
	});
