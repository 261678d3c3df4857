import { parseStop, type Stop } from '../../logbook/index.js';
import { Findings, type Imported, type ReadingContext } from '../imported.js';
import type { LatLon } from '../../places/index.js';
import { takePlace, wrongPlace } from '../tags/exact.js';
import { isTagKey, tagsInText, type Tags } from '../tags/openMapTags.js';
import { tagsOfSymbol } from './symbols.js';
import { childrenOf, readXml, textOf, type Document, type Element } from './readXml.js';

const asNumber = (text: unknown): number =>
	typeof text === 'string' && /^\s*[-+]?\d*\.?\d+(e[-+]?\d+)?\s*$/i.test(text) ? Number(text) : Number.NaN;

const placeIn = (element: Element): LatLon => [asNumber(element['@lon']), asNumber(element['@lat'])];

/** The open map's tags of a waypoint: in its extensions by name or as key and value; only where there are none, as written into its texts, or as its symbol or type says. */
function tagsIn(element: Element): Tags {
	const found: Record<string, string> = {};
	const look = (extensions: Element): void => {
		for (const [name, value] of Object.entries(extensions)) {
			if (name === 'tag')
				for (const tag of childrenOf(extensions, name))
					if (typeof tag['@k'] === 'string' && typeof tag['@v'] === 'string') found[tag['@k']] = tag['@v'];
			if (isTagKey(name) && typeof value === 'string') found[name] = value;
			else if (typeof value === 'object' && value !== null && !Array.isArray(value)) look(value as Element);
		}
	};
	for (const extensions of childrenOf(element, 'extensions')) look(extensions);
	if (Object.keys(found).length > 0) return found;
	const texts = (fields: readonly string[]): readonly string[] =>
		fields.map((field) => textOf(element, field) ?? '');
	return Object.assign(
		{},
		...texts(['sym', 'type']).map(tagsOfSymbol),
		...texts(['desc', 'cmt', 'type', 'sym']).map(tagsInText)
	) as Tags;
}

/** A record of ours that an element carries as JSON. */
function ownIn(element: Element, name: string): unknown {
	const written = childrenOf(element, 'extensions')
		.map((extensions) => textOf(extensions, name))
		.find((text) => text !== undefined);
	if (written === undefined) return undefined;
	try {
		return JSON.parse(written);
	} catch {
		// What another program has cut or changed says nothing any more; the waypoint still comes by its tags.
		return undefined;
	}
}

/** A text of a waypoint that is no list of tags: a note. */
const noteIn = (element: Element): string | undefined =>
	[textOf(element, 'desc'), textOf(element, 'cmt')].find(
		(text) => text !== undefined && Object.keys(tagsInText(text)).length === 0
	);

const STEP = 5000;
const READ = 0.9;

/** Takes the places of a route or a track; one that cannot be is a problem of its line. */
function takeWay(
	points: readonly Element[],
	xml: Document,
	findings: Findings,
	onprogress: (i: number) => void
): void {
	for (const [i, element] of points.entries()) {
		if (i % STEP === 0) onprogress(i / points.length);
		const place = placeIn(element);
		const wrong = wrongPlace(...place);
		if (wrong === undefined) findings.track.push(place);
		else findings.wrong(xml.placeOf(element), 'a latitude of -90 … 90 and a longitude of -180 … 180', wrong);
	}
}

/** A point of a route that carries a stop of ours. */
function stopIn(element: Element): Stop | undefined {
	const own = ownIn(element, 'stop');
	if (own === undefined) return undefined;
	const read = parseStop({ ...(own as object), position: [...placeIn(element)] });
	return read.ok ? read.value : undefined;
}

/** Reads GPX 1.1 (and 1.0, which has the same waypoints, routes and tracks). */
export function readGpx(text: string, { onprogress }: ReadingContext): Imported {
	const findings = new Findings();
	const xml = readXml(text, findings, onprogress);
	const gpx = childrenOf(xml?.root, 'gpx')[0];
	if (!xml || !gpx) {
		const got = Object.keys(xml?.root ?? {}).find((name) => !name.startsWith('?'));
		findings.wrong(
			'line 1',
			'a GPX file: <gpx>, with waypoints, routes or tracks',
			got ? `<${got}>` : 'no element'
		);
		return findings.ended;
	}
	const seen = new Set<string>();
	for (const waypoint of childrenOf(gpx, 'wpt'))
		takePlace(
			findings,
			{
				path: xml.placeOf(waypoint),
				position: placeIn(waypoint),
				name: textOf(waypoint, 'name'),
				tags: tagsIn(waypoint),
				own: ownIn(waypoint, 'point'),
				besides: { note: noteIn(waypoint) }
			},
			seen
		);
	const routes = childrenOf(gpx, 'rte').flatMap((route) => childrenOf(route, 'rtept'));
	const tracks = childrenOf(gpx, 'trk').flatMap((track) =>
		childrenOf(track, 'trkseg').flatMap((segment) => childrenOf(segment, 'trkpt'))
	);
	for (const stop of routes.map(stopIn)) if (stop) findings.stops.push(stop);
	// A track says where one really goes; a route only from where to where.
	const way = tracks.length > 0 ? tracks : routes;
	takeWay(way, xml, findings, (share) => onprogress?.(READ + (1 - READ) * share));
	if (findings.nothing) findings.wrong('line 1', 'waypoints, a route or a track', 'none');
	return findings.ended;
}
