import 'leaflet/dist/leaflet.css';
import type { LatLon } from '$core/places';
import L from 'leaflet';
import { atlas } from './atlas';
import regions from './regions.json';

/** What stands on the map at a place. */
export interface Sign {
	readonly id: string;
	/** read out, and shown when it is pointed at */
	readonly label: string;
	readonly place: LatLon;
	/** markup of our own making: nothing that a person typed stands in it */
	readonly html: string;
	readonly className: string;
	readonly size: readonly [width: number, height: number];
	/** it hangs under its place, where something else stands on it */
	readonly hangs?: boolean;
	/** later ones lie over earlier ones */
	readonly over: number;
}
export interface ChartLine {
	readonly className: string;
	readonly places: readonly LatLon[];
}

export interface ChartContent {
	readonly signs: readonly Sign[];
	readonly lines: readonly ChartLine[];
}

export interface Chart {
	/** draws what is to be shown; `fit`: and brings it into view */
	readonly show: (content: ChartContent, fit: boolean) => void;
	readonly goTo: (place: LatLon) => void;
	readonly middle: () => LatLon;
	/** tiles of one's own server over the chart; nothing takes them away */
	readonly tiles: (template: string | undefined) => void;
	readonly recolour: () => void;
	readonly remove: () => void;
}

export interface ChartOptions {
	readonly onsign: (id: string) => void;
	/** a tap on the chart itself */
	readonly onplace: (place: LatLon) => void;
	/** the coasts could not be loaded */
	readonly ontrouble: (error: unknown) => void;
	readonly smooth: boolean;
}

const TURN = 360;
/** So far under a place its sign hangs where a stop stands on it, px. */
const UNDER = 13;
/** Beyond this latitude the projection has no room. */
const MOST_LAT = 85;
const MOST_ZOOM = 16;
const FIT_ZOOM = 12;

const latLng = ([lon, lat]: LatLon): L.LatLngTuple => [lat, lon];
const token = (name: string): string =>
	getComputedStyle(document.documentElement).getPropertyValue(name).trim();

/** A chart that needs no network: the coasts of the world, the demo's own regions, and what is put on it. */
export function createChart(
	element: HTMLElement,
	{ onsign, onplace, ontrouble, smooth }: ChartOptions
): Chart {
	const map = L.map(element, {
		attributionControl: false,
		zoomControl: false,
		minZoom: 1,
		maxZoom: MOST_ZOOM,
		zoomAnimation: smooth,
		fadeAnimation: smooth,
		markerZoomAnimation: smooth,
		inertia: smooth
	}).setView([20, 0], 2);
	L.control.zoom({ zoomInTitle: 'Closer', zoomOutTitle: 'Further away' }).addTo(map);
	L.control.scale({ imperial: false }).addTo(map);
	const coarse = L.canvas({ padding: 0.3 });
	const land = L.layerGroup().addTo(map);
	const region = L.layerGroup().addTo(map);
	const lines = L.layerGroup().addTo(map);
	const signs = L.layerGroup().addTo(map);
	let tileLayer: L.TileLayer | undefined;
	/** longitudes are shown near this one, so that what lies across the antimeridian is beside it */
	let around = 0;
	const near = ([lon, lat]: LatLon): LatLon => [
		lon + TURN * Math.round((around - lon) / TURN),
		Math.max(-MOST_LAT, Math.min(MOST_LAT, lat))
	];

	let coasts: Awaited<ReturnType<typeof atlas>> | undefined;
	let drawnFor: string | undefined;
	/** The world once, and once more on the side where it would end in view. */
	function drawLand(): void {
		if (!coasts) return;
		const turns = around > 90 ? [0, TURN] : around < -90 ? [0, -TURN] : [0];
		const key = turns.join();
		if (drawnFor === key) return;
		drawnFor = key;
		land.clearLayers();
		for (const turn of turns) {
			const moved = (places: readonly LatLon[]): L.LatLngTuple[] =>
				places.map(([lon, lat]) => [lat, lon + turn]);
			L.polygon(
				coasts.land.map((ring) => [moved(ring)]),
				{
					renderer: coarse,
					interactive: false,
					weight: 1,
					smoothFactor: 1,
					color: token('--soft-ink'),
					fillColor: token('--paper'),
					fillOpacity: 1
				}
			).addTo(land);
			L.polyline(coasts.borders.map(moved), {
				renderer: coarse,
				interactive: false,
				weight: 1,
				dashArray: '4 4',
				color: token('--line')
			}).addTo(land);
		}
	}
	void atlas().then((found) => {
		coasts = found;
		drawLand();
	}, ontrouble);

	function drawRegion(): void {
		region.clearLayers();
		L.geoJSON(regions as GeoJSON.FeatureCollection, {
			interactive: false,
			coordsToLatLng: ([lon = 0, lat = 0]) => L.latLng(latLng(near([lon, lat]))),
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
		}).addTo(region);
	}
	drawRegion();
	const NAMES_FROM_ZOOM = 9;
	const nameHills = (): void => void element.classList.toggle('far', map.getZoom() < NAMES_FROM_ZOOM);
	map.on('zoomend', nameHills);

	map.on('click', ({ latlng }) => onplace([latlng.lng, latlng.lat]));

	function show({ signs: shownSigns, lines: shownLines }: ChartContent, fit: boolean): void {
		const first = shownSigns[0]?.place ?? shownLines[0]?.places[0];
		if (fit && first) {
			around = first[0];
			drawLand();
			drawRegion();
		}
		lines.clearLayers();
		signs.clearLayers();
		for (const { className, places } of shownLines)
			L.polyline(run(places), { className, interactive: false, smoothFactor: 0.5 }).addTo(lines);
		for (const { id, label, place, html, className, size, hangs, over } of shownSigns) {
			const marker = L.marker(latLng(near(place)), {
				title: label,
				zIndexOffset: over,
				icon: L.divIcon({
					html,
					className,
					iconSize: [size[0], size[1]],
					...(hangs ? { iconAnchor: [size[0] / 2, -UNDER] } : {})
				})
			})
				.on('click', () => onsign(id))
				.on('keypress', ({ originalEvent }) => originalEvent.key === 'Enter' && onsign(id))
				.addTo(signs);
			// What stands in it, a number, would be read out in place of its title.
			marker.getElement()?.setAttribute('aria-label', label);
		}
		if (!fit) return;
		const all = [
			...shownSigns.map(({ place }) => latLng(near(place))),
			...shownLines.flatMap(({ places }) => run(places))
		];
		if (all.length > 0)
			map.fitBounds(L.latLngBounds(all), { padding: [36, 36], maxZoom: FIT_ZOOM, animate: false });
		nameHills();
	}
	/** A line whose longitudes run on across the antimeridian. */
	function run(places: readonly LatLon[]): L.LatLngTuple[] {
		let before = around;
		return places.map(([lon, lat]) => {
			before = lon + TURN * Math.round((before - lon) / TURN);
			return [Math.max(-MOST_LAT, Math.min(MOST_LAT, lat)), before];
		});
	}
	const watcher = new ResizeObserver(() => map.invalidateSize({ animate: false }));
	watcher.observe(element);
	return {
		show,
		goTo: (place) => void map.setView(latLng(near(place)), Math.max(map.getZoom(), 10), { animate: smooth }),
		middle: () => {
			const { lng, lat } = map.getCenter();
			return [lng, lat];
		},
		tiles: (template) => {
			tileLayer?.remove();
			tileLayer =
				template === undefined ? undefined : L.tileLayer(template, { maxZoom: MOST_ZOOM }).addTo(map);
		},
		recolour: () => {
			drawnFor = undefined;
			drawLand();
		},
		remove: () => {
			watcher.disconnect();
			map.remove();
		}
	};
}
