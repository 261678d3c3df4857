import { XMLBuilder } from 'fast-xml-parser';
import type { Point, Stop, Trip } from '../../logbook/index.js';
import { OWN } from '../tags/exact.js';
import { mainTag, tagsOf } from '../tags/openMapTags.js';

/** What is to be done at a stop, in words. */
export type Doing = (stop: Stop) => string;

const NAMESPACE = 'urn:dipsometer:1';

/** Characters that XML 1.0 cannot hold in any way. */
const FORBIDDEN = /[^\P{Cc}\t\n\r\u007f-\u009f]|\p{Cs}|[\ufffe\uffff]/gu;
const fit = (text: string): string => text.replaceAll(FORBIDDEN, '\ufffd');

const place = ([lon, lat]: readonly [number, number]): Readonly<Record<string, string>> => ({
	'@lat': String(lat),
	'@lon': String(lon)
});

const optional = (name: string, text: string | undefined): object =>
	text === undefined || text === '' ? {} : { [name]: fit(text) };

/** A point as a waypoint: with the open map's tags, and as it is for ourselves. */
function waypoint(point: Point): object {
	const tags = tagsOf(point);
	return {
		...place(point.position),
		name: fit(point.name),
		...optional('desc', point.note),
		...optional('type', mainTag(tags)),
		extensions: {
			[`${OWN}:tag`]: Object.entries(tags).map(([key, value]) => ({ '@k': fit(key), '@v': fit(value) })),
			[`${OWN}:point`]: fit(JSON.stringify(point))
		}
	};
}

/** A stop as a point of a route; one without a position is on no map. */
const routePoint = (stop: Stop, doing: Doing): readonly object[] =>
	stop.position
		? [
				{
					...place(stop.position),
					time: new Date(stop.arrive).toISOString(),
					name: fit(stop.name),
					...optional('desc', doing(stop)),
					extensions: { [`${OWN}:stop`]: fit(JSON.stringify(stop)) }
				}
			]
		: [];

const built = (content: object): string =>
	new XMLBuilder({
		ignoreAttributes: false,
		attributeNamePrefix: '@',
		format: true,
		suppressEmptyNode: true
	}).build({
		'?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
		gpx: {
			'@version': '1.1',
			'@creator': 'Dipsometer',
			'@xmlns': 'http://www.topografix.com/GPX/1/1',
			[`@xmlns:${OWN}`]: NAMESPACE,
			...content
		}
	});

/** Points as waypoints of GPX 1.1. */
export const pointsGpx = (points: readonly Point[]): string => built({ wpt: points.map(waypoint) });

/** A trip as a route of GPX 1.1, through its stops that have a position, with the points it uses as waypoints; its track, where it has one. */
export function tripGpx(trip: Trip, points: readonly Point[], doing: Doing = () => ''): string {
	const used = new Set(trip.stops.map(({ point }) => point));
	return built({
		wpt: points.filter(({ id }) => used.has(id)).map(waypoint),
		rte: { name: fit(trip.name), rtept: trip.stops.flatMap((stop) => routePoint(stop, doing)) },
		...(trip.track && trip.track.length > 0
			? { trk: { name: fit(trip.name), trkseg: { trkpt: trip.track.map(place) } } }
			: {})
	});
}
