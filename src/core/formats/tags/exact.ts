import { parseRecord, type Point } from '../../logbook/index.js';
import { Findings } from '../imported.js';
import type { LatLon } from '../../places/index.js';
import { madeId } from '../madeId.js';
import { nameByTags, readTags, tagsOf, type Tags } from './openMapTags.js';

/** The name under which files of open formats carry a record of ours as it is, beside what others understand. */
export const OWN = 'dipsometer';

const RANGE = 'a longitude of -180 … 180 and a latitude of -90 … 90, in this order';
const MOST_LAT = 90;
const MOST_LON = 180;

/** What is wrong with a position, where something is; swapped coordinates are named as such. */
export function wrongPlace(lon: number, lat: number): string | undefined {
	if (!Number.isFinite(lon) || !Number.isFinite(lat)) return 'no numbers';
	if (Math.abs(lat) <= MOST_LAT && Math.abs(lon) <= MOST_LON) return undefined;
	const swapped = Math.abs(lon) <= MOST_LAT && Math.abs(lat) <= MOST_LON;
	return `longitude ${lon}, latitude ${lat}${swapped ? ': perhaps the two are swapped' : ''}`;
}

/** A place as a file of an open format gives it. */
export interface TaggedPlaces {
	/** where in the file */
	readonly path: string;
	readonly position: LatLon;
	readonly name: string | undefined;
	readonly tags: Tags;
	/** an id that the file itself gives it */
	readonly id?: string | undefined;
	/** a record of ours that it carries */
	readonly own?: unknown;
	/** what the format itself has for fields of a point, where the tags say nothing of them */
	readonly besides?: Partial<Point>;
}

const said = (value: unknown): string => JSON.stringify(value);

/** The record of ours that a place carries, where it still says what the tags beside it say; else what the tags say counts. */
function ownPoint({ own, tags, position, name }: TaggedPlaces): Point | undefined {
	if (typeof own !== 'object' || own === null) return undefined;
	const read = parseRecord('point', { ...own, position: [...position] });
	if (!read.ok) return undefined;
	const point = read.value;
	const [theirs, ours] = [readTags(tags), readTags(tagsOf(point))];
	const renamed = name === undefined ? point : { ...point, name };
	return said(theirs) === said(ours) ? renamed : { ...renamed, ...theirs };
}

/** Takes a place into what was found: as a point, or as a problem at its path. */
export function takePlace(findings: Findings, found: TaggedPlaces, seen: Set<string>): void {
	const { path, position, tags } = found;
	const wrong = wrongPlace(...position);
	if (wrong !== undefined) return findings.wrong(path, RANGE, wrong);
	const own = ownPoint(found);
	if (own && !seen.has(own.id)) {
		seen.add(own.id);
		findings.points.push(own);
		return;
	}
	const name = found.name?.trim() || nameByTags(tags) || 'A place without a name';
	const id = found.id !== undefined && found.id !== '' && !seen.has(found.id) ? found.id : undefined;
	if (id !== undefined) seen.add(id);
	const told = Object.fromEntries(
		Object.entries({ ...found.besides, ...readTags(tags) }).filter(([, value]) => value !== undefined)
	);
	const point = {
		id: id ?? madeId(said([name, position]), seen),
		name,
		position: [...position],
		...told
	};
	const read = parseRecord('point', point);
	if (read.ok) findings.points.push(read.value);
	else
		for (const problem of read.problems)
			findings.wrong(`${path}, ${problem.path}`, problem.expected, problem.got);
}
