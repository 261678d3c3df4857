import 'leaflet/dist/leaflet.css';
import type { LatLon } from '$core/places';
import L from 'leaflet';
import { beside, crosses, overlap, type Box } from './collisions';
import { landOn } from './land';
import { near, run } from './longitudes';
import { regionsAround } from './ownRegions';

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

/** So far under a place its sign hangs where a stop stands on it, px. */
const UNDER = 13;
const MOST_ZOOM = 16;
const FIT_ZOOM = 12;
const NAMES_FROM_ZOOM = 9;

/** A map with nothing on it yet. */
function emptyMap(element: HTMLElement, smooth: boolean): L.Map {
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
	L.control.zoom({ zoomInTitle: 'Zoom in', zoomOutTitle: 'Zoom out' }).addTo(map);
	L.control.scale({ imperial: false }).addTo(map);
	return map;
}

/** A sign that can be tapped, and pressed by keys. */
const markerOf = ({ label, html, className, size, hangs, over }: Sign, at: L.LatLngTuple): L.Marker =>
	L.marker(at, {
		title: label,
		zIndexOffset: over,
		icon: L.divIcon({
			html,
			className,
			iconSize: [size[0], size[1]],
			...(hangs ? { iconAnchor: [size[0] / 2, -UNDER] } : {})
		})
	});

/** A chart that needs no network: the coasts of the world, the demo's own regions, and what is put on it. */
export function createChart(
	element: HTMLElement,
	{ onsign, onplace, ontrouble, smooth }: ChartOptions
): Chart {
	const map = emptyMap(element, smooth);
	const land = landOn(map, ontrouble);
	const region = L.layerGroup().addTo(map);
	const lines = L.layerGroup().addTo(map);
	const signs = L.layerGroup().addTo(map);
	let tileLayer: L.TileLayer | undefined;
	/** longitudes are shown near this one */
	let around = 0;
	const lookAround = (lon: number): void => {
		around = lon;
		land.draw(lon);
		region.clearLayers();
		regionsAround(lon).addTo(region);
	};
	lookAround(0);
	const nameHills = (): void => void element.classList.toggle('far', map.getZoom() < NAMES_FROM_ZOOM);
	map.on('zoomend', () => {
		nameHills();
		keepApart();
	});
	map.on('click', ({ latlng }) => onplace([latlng.lng, latlng.lat]));

	/** what is shown */
	let shownNow: ChartContent = { signs: [], lines: [] };
	/** the way and the stops come first: a sign that would hide a stop stands beside it, a hill's name that they run through is left out */
	function keepApart(): void {
		const boxOf = (element: Element): Box => element.getBoundingClientRect();
		const of = (pick: (sign: Sign) => boolean): readonly HTMLElement[] =>
			shownNow.signs.flatMap((sign) => (pick(sign) ? (drawn.get(sign.id) ?? []) : []));
		const isStop = ({ id }: Sign): boolean => id.startsWith('stop:');
		const signsToMove = of((sign) => !isStop(sign) && sign.id !== 'pin');
		for (const one of signsToMove) one.style.translate = '';
		const stops = of(isStop).map(boxOf);
		const shifts = beside(stops, signsToMove.map(boxOf), UNDER);
		signsToMove.forEach((one, i) => {
			const [x, y] = shifts[i] ?? [0, 0];
			if (x !== 0 || y !== 0) one.style.translate = `${x}px ${y}px`;
		});
		const corner = boxOf(element);
		const ways = shownNow.lines.map(({ places }) =>
			run(places, around).map((at): readonly [number, number] => {
				const { x, y } = map.latLngToContainerPoint(at);
				return [x + corner.left, y + corner.top];
			})
		);
		const signBoxes = [...drawn.values()].map(boxOf);
		for (const name of element.querySelectorAll<HTMLElement>('.region-name')) {
			const box = boxOf(name);
			const hidden = ways.some((way) => crosses(way, box)) || signBoxes.some((one) => overlap(one, box));
			name.style.visibility = hidden ? 'hidden' : '';
		}
	}
	/** what is drawn of each sign, by its id */
	const drawn = new Map<string, HTMLElement>();
	function draw(content: ChartContent): void {
		// Whoever stands on a sign with the keyboard stays there, though it is drawn anew: when the plan comes, when one is chosen.
		const [at] = [...drawn].find(([, sign]) => sign === document.activeElement) ?? [];
		drawn.clear();
		lines.clearLayers();
		signs.clearLayers();
		for (const { className, places } of content.lines)
			L.polyline(run(places, around), { className, interactive: false, smoothFactor: 0.5 }).addTo(lines);
		for (const sign of content.signs) {
			const marker = markerOf(sign, near(sign.place, around))
				.on('click', () => onsign(sign.id))
				.on('keypress', ({ originalEvent }) => originalEvent.key === 'Enter' && onsign(sign.id))
				.addTo(signs);
			const shown = marker.getElement();
			if (!shown) continue;
			// What stands in it, a number, would be read out in place of its title.
			shown.setAttribute('aria-label', sign.label);
			drawn.set(sign.id, shown);
		}
		shownNow = content;
		keepApart();
		if (at !== undefined) drawn.get(at)?.focus({ preventScroll: true });
	}
	function bringIntoView(content: ChartContent): void {
		const all = [
			...content.signs.map(({ place }) => near(place, around)),
			...content.lines.flatMap(({ places }) => run(places, around))
		];
		if (all.length > 0)
			map.fitBounds(L.latLngBounds(all), { padding: [36, 36], maxZoom: FIT_ZOOM, animate: false });
		nameHills();
		keepApart();
	}
	const watcher = new ResizeObserver(() => map.invalidateSize({ animate: false }));
	watcher.observe(element);
	return {
		show: (content, fit) => {
			const first = content.signs[0]?.place ?? content.lines[0]?.places[0];
			if (fit && first) lookAround(first[0]);
			draw(content);
			if (fit) bringIntoView(content);
		},
		goTo: (place) => void map.setView(near(place, around), Math.max(map.getZoom(), 10), { animate: smooth }),
		middle: () => {
			const { lng, lat } = map.getCenter();
			return [lng, lat];
		},
		tiles: (template) => {
			tileLayer?.remove();
			tileLayer =
				template === undefined ? undefined : L.tileLayer(template, { maxZoom: MOST_ZOOM }).addTo(map);
		},
		recolour: land.recolour,
		remove: () => {
			watcher.disconnect();
			map.remove();
		}
	};
}
