import { inventedPlaces, type Box } from './inventedPlaces';

/** A directory of water and dump places: the port that a real one would be put behind. It answers GeoJSON with the open map's tags. */
export interface PlaceDirectory {
	/** what it is called where its places show */
	readonly name: string;
	readonly within: (box: Box) => Promise<string>;
}

/** The directory of invented places that ships: asked of the stand-in route; without the server the same places are here. */
export const standInDirectory: PlaceDirectory = {
	name: 'stand-in directory (invented places)',
	async within(box) {
		try {
			const answer = await fetch(`/api/standins/points?bbox=${box.join(',')}`);
			if (answer.ok) return await answer.text();
		} catch {
			// No network: the bundle has the same places.
		}
		return JSON.stringify(inventedPlaces(box));
	}
};
