import type { LatLon } from '$core/places';
import L from 'leaflet';
import { atlas } from './atlas';
import { TURN } from './longitudes';

const token = (name: string): string =>
	getComputedStyle(document.documentElement).getPropertyValue(name).trim();

type Coasts = Awaited<ReturnType<typeof atlas>>;

/** The world on a canvas, moved by so many degrees. */
function worldMoved({ land, borders }: Coasts, turn: number, renderer: L.Renderer): readonly L.Layer[] {
	const moved = (places: readonly LatLon[]): L.LatLngTuple[] => places.map(([lon, lat]) => [lat, lon + turn]);
	const quiet = { renderer, interactive: false, weight: 1 };
	return [
		L.polygon(
			land.map((ring) => [moved(ring)]),
			{
				...quiet,
				smoothFactor: 1,
				color: token('--soft-ink'),
				fillColor: token('--paper'),
				fillOpacity: 1
			}
		),
		L.polyline(borders.map(moved), { ...quiet, dashArray: '4 4', color: token('--line') })
	];
}

/** The coasts and borders of the world, as a layer. */
export interface Land {
	/** draws the world once, and once more on the side where it would end in view */
	readonly draw: (around: number) => void;
	/** draws it in the colours that are in force by now */
	readonly recolour: () => void;
}

/** @param ontrouble the coasts could not be loaded */
export function landOn(map: L.Map, ontrouble: (error: unknown) => void): Land {
	const renderer = L.canvas({ padding: 0.3 });
	const layer = L.layerGroup().addTo(map);
	let coasts: Coasts | undefined;
	let turns: readonly number[] = [0];
	const redraw = (): void => {
		layer.clearLayers();
		if (coasts)
			for (const turn of turns) for (const part of worldMoved(coasts, turn, renderer)) part.addTo(layer);
	};
	void atlas().then((found) => {
		coasts = found;
		redraw();
	}, ontrouble);
	return {
		draw: (around) => {
			const wanted = around > 90 ? [0, TURN] : around < -90 ? [0, -TURN] : [0];
			if (wanted.join() === turns.join()) return;
			turns = wanted;
			redraw();
		},
		recolour: redraw
	};
}
