import { wrapped, type LatLon } from '$core/places';

/** [west, south, east, north], degrees; it reaches across the antimeridian where west is greater than east. */
export type Box = readonly [west: number, south: number, east: number, north: number];

type Tags = Readonly<Record<string, string>>;
const STATION: Tags = { amenity: 'sanitary_dump_station' };

/** Invented places of the demo's regions, with the open map's tags. */
const PLACES: readonly (readonly [name: string, lon: number, lat: number, tags: Tags])[] = [
	['Hollin Trough', -21.604, 56.922, { man_made: 'water_tap', drinking_water: 'no' }],
	[
		'Low Sarn',
		-21.3105,
		57.0195,
		{
			...STATION,
			water_point: 'yes',
			drinking_water: 'yes',
			fee: 'yes',
			charge: '3',
			opening_hours: '08:00-19:00',
			check_date: '2026-05-02'
		}
	],
	[
		'Sarn Chapel tap',
		-21.298,
		57.031,
		{ amenity: 'drinking_water', access: 'yes', check_date: '2026-04-18' }
	],
	[
		'Mirk Spring',
		-21.44,
		57.145,
		{ natural: 'spring', drinking_water: 'no', description: 'Sheep above it.' }
	],
	['Skarn Well', -21.265, 57.118, { natural: 'spring' }],
	[
		'Ewden Services',
		-21.19,
		56.96,
		{ ...STATION, water_point: 'yes', fee: 'yes', charge: '5', opening_hours: '24/7' }
	],
	[
		'Dale Head car park',
		-21.66,
		56.87,
		{ ...STATION, 'sanitary_dump_station:grey_water': 'yes', 'sanitary_dump_station:black_water': 'no' }
	],
	['Birk Lane tap', -21.39, 56.985, { amenity: 'drinking_water', seasonal: 'April to October' }],
	[
		'Northfold Camp',
		-21.62,
		57.19,
		{
			...STATION,
			water_point: 'yes',
			drinking_water: 'yes',
			access: 'customers',
			fee: 'yes',
			charge: '4',
			opening_hours: 'Apr-Sep 07:00-22:00'
		}
	],
	['Eastness Quay', -21.03, 57.0, { waterway: 'water_point', drinking_water: 'yes' }],
	[
		'Varn Quay pump-out',
		-14.592,
		58.2205,
		{ ...STATION, 'sanitary_dump_station:grey_water': 'no', fee: 'no' }
	],
	[
		'Hjelt Landing',
		-14.565,
		58.318,
		{ amenity: 'water_point', drinking_water: 'yes', opening_hours: '07:00-20:00' }
	],
	[
		'Ossel Boat Club',
		-14.385,
		58.318,
		{ amenity: 'water_point', drinking_water: 'yes', access: 'customers', fee: 'yes', charge: '2.50' }
	],
	['Lomvi Spring', -14.425, 58.17, { natural: 'spring', drinking_water: 'no' }],
	['Knap Jetty', -14.31, 58.372, { man_made: 'water_tap' }],
	['Trine rain butt', -14.2195, 58.2695, { man_made: 'water_tap', drinking_water: 'no' }]
];

const within = (lon: number, lat: number, [west, south, east, north]: Box): boolean =>
	lat >= south && lat <= north && (west <= east ? lon >= west && lon <= east : lon >= west || lon <= east);

/** The invented places within a box, as GeoJSON (RFC 7946). */
export const inventedPlaces = (box: Box): object => ({
	type: 'FeatureCollection',
	features: PLACES.filter(([, lon, lat]) => within(lon, lat, box)).map(([name, lon, lat, tags]) => ({
		type: 'Feature',
		id: `stand-in/${name}`,
		geometry: { type: 'Point', coordinates: [lon, lat] },
		properties: { name, ...tags }
	}))
});

const SIDES = 4;
const short = (degrees: number): number => Number(degrees.toFixed(5));
/** A box as it stands in an address, `west,south,east,north`; what is wrong where it is none. */
export function boxOf(text: string | null): Box | { readonly wrong: string } {
	const sides = (text ?? '').split(',').map((side) => (side.trim() === '' ? Number.NaN : Number(side)));
	const [west = NaN, south = NaN, east = NaN, north = NaN] = sides;
	const fits =
		sides.length === SIDES &&
		Math.abs(west) <= 180 &&
		Math.abs(east) <= 180 &&
		Math.abs(south) <= 90 &&
		Math.abs(north) <= 90 &&
		south <= north;
	return fits ? [west, south, east, north] : { wrong: 'bbox must be west,south,east,north in degrees' };
}

/** A box around places, some kilometres wider on each side. */
export function boxAround(places: readonly LatLon[], byKm: number): Box | undefined {
	const [first] = places;
	if (!first) return undefined;
	const KM_PER_DEGREE = 111.2;
	// Longitudes near the first, so that what lies across the antimeridian is beside it.
	const lons = places.map(([lon]) => first[0] + wrapped(lon - first[0]));
	const lats = places.map(([, lat]) => lat);
	const [low, high] = [Math.min(...lats), Math.max(...lats)];
	const up = byKm / KM_PER_DEGREE;
	const [south, north] = [Math.max(-90, low - up), Math.min(90, high + up)];
	const narrow = Math.cos((Math.PI / 180) * Math.min(89, Math.max(Math.abs(south), Math.abs(north))));
	const aside = up / narrow;
	const [west, east] = [Math.min(...lons) - aside, Math.max(...lons) + aside];
	const POLE = 90;
	return east - west >= 360 || south === -POLE || north === POLE
		? [-180, south, 180, north]
		: [short(wrapped(west)), short(south), short(wrapped(east)), short(north)];
}
