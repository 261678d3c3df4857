import { instantMs } from '../order.js';
import { itemsIn } from '../parts.js';
import type { Entry, Logbook, Point, Rig, Trip } from '../types.js';
import { tripInUse } from '../trips.js';
import { canonical } from './canonical.js';
import { inUse } from './inUse.js';
import { keepForms, keepNamed, keepStops, stopsNamed } from './keepNamed.js';

export interface Revisable {
	readonly id: string;
	readonly edited?: string | undefined;
}

const whenMs = (instant: string | undefined): number =>
	instant === undefined ? -Infinity : instantMs(instant);

/** What a person made a record be: parts that are only kept because entries name them say nothing of it. */
function textOf(record: Revisable): string {
	if ('tanks' in record) return canonical(inUse(record as Rig));
	return canonical('stops' in record ? tripInUse(record as Trip) : record);
}

/**
 * Which of two revisions of a record stands: the later `edited`; with none or equal ones the one from the file
 * exported later; failing that, the greater canonical text, so that the answer never depends on the order of
 * the two arguments.
 */
export function later<R extends Revisable>(a: R, aFile: string, b: R, bFile: string): R {
	const byEdit = whenMs(a.edited) - whenMs(b.edited);
	if (byEdit > 0 || byEdit < 0) return byEdit > 0 ? a : b;
	const [textA, textB] = [textOf(a), textOf(b)];
	if (textA === textB) return canonical(a) > canonical(b) ? a : b;
	const byFile = instantMs(aFile) - instantMs(bFile);
	if (byFile !== 0) return byFile > 0 ? a : b;
	return textA > textB ? a : b;
}

const sortedById = <R extends Revisable>(list: readonly R[]): readonly R[] =>
	[...list].sort((x, y) => (x.id < y.id ? -1 : 1));

function mergeList<R extends Revisable>(
	a: readonly R[],
	aFile: string,
	b: readonly R[],
	bFile: string
): readonly R[] {
	const merged = new Map(a.map((record) => [record.id, record]));
	for (const record of b) {
		const mine = merged.get(record.id);
		merged.set(record.id, mine ? later(mine, aFile, record, bFile) : record);
	}
	return sortedById([...merged.values()]);
}

const versionsOf = <R extends Revisable>(lists: readonly (readonly R[])[], id: string): readonly R[] =>
	lists.flatMap((list) => list.filter((record) => record.id === id));

/** Keeps in rigs and trips what entries name and the later revision has no more. */
export function keepUsed(
	rigs: readonly Rig[],
	trips: readonly Trip[],
	entries: readonly Entry[],
	from: readonly Logbook[]
) {
	const own = new Map<string, Entry[]>();
	for (const entry of entries) {
		const list = own.get(entry.rig);
		if (list) list.push(entry);
		else own.set(entry.rig, [entry]);
	}
	const kept = rigs.map((rig) => {
		const earlier = versionsOf(
			from.map((logbook) => logbook.rigs),
			rig.id
		);
		const named = keepForms(rig, earlier, own.get(rig.id) ?? []);
		return { rig: keepNamed(named.rig, earlier, named.entries), entries: named.entries };
	});
	const stops = stopsNamed(entries);
	return {
		rigs: kept.map(({ rig }) => rig),
		trips: trips.map((trip) =>
			keepStops(
				trip,
				versionsOf(
					from.map((logbook) => logbook.trips),
					trip.id
				),
				stops
			)
		),
		entries: sortedById(kept.flatMap((one) => one.entries))
	};
}

/**
 * Two logbooks as one, by id, nothing lost: commutative and idempotent. Lists come sorted by id. Unknown
 * fields of the file itself are kept from both, the later export winning. What the later revision of a rig or a trip
 * has no more and entries still name stays in it, retired.
 */
export function mergeLogbooks(a: Logbook, b: Logbook): Logbook {
	const byExport = instantMs(a.exportedAt) - instantMs(b.exportedAt);
	const aIsLater = byExport > 0 || (byExport === 0 && canonical(a) > canonical(b));
	const [first, second] = aIsLater ? [b, a] : [a, b];
	const lists = <R extends Revisable>(pick: (logbook: Logbook) => readonly R[]): readonly R[] =>
		mergeList(pick(a), a.exportedAt, pick(b), b.exportedAt);
	const kept = keepUsed(
		lists<Rig>((logbook) => logbook.rigs),
		lists<Trip>((logbook) => logbook.trips),
		lists<Entry>((logbook) => logbook.entries),
		[first, second]
	);
	return { ...first, ...second, ...kept, points: lists<Point>((logbook) => logbook.points) };
}

/** How one list would change in a merge, by id. */
export interface ListChange {
	readonly added: readonly string[];
	readonly changed: readonly string[];
	readonly kept: number;
}

const compareLists = <R extends Revisable>(mine: readonly R[], merged: readonly R[]): ListChange => {
	const before = new Map(mine.map((record) => [record.id, record]));
	const added = merged.filter(({ id }) => !before.has(id));
	const changed = merged.filter((record) => {
		const was = before.get(record.id);
		return was !== undefined && was !== record && canonical(was) !== canonical(record);
	});
	return {
		added: added.map(({ id }) => id),
		changed: changed.map(({ id }) => id),
		kept: merged.length - added.length - changed.length
	};
};

/** A part of a rig, or a stop, that a merge takes out of use and keeps because entries name it. */
export interface Retired {
	readonly of: string;
	readonly name: string;
}

/** What a merge would do, before it is done. */
export type MergePreview = Readonly<Record<'rigs' | 'trips' | 'points' | 'entries', ListChange>> & {
	readonly retired: readonly Retired[];
};

function retiredBy(mine: Logbook, merged: Logbook): readonly Retired[] {
	const before = new Set(
		[...mine.rigs, ...mine.trips].flatMap((record) =>
			itemsIn(record).flatMap(({ id, retired }) => (retired ? [`${record.id}|${id}`] : []))
		)
	);
	return [...merged.rigs, ...merged.trips].flatMap((record) =>
		itemsIn(record).flatMap(({ id, name, retired }) =>
			retired && !before.has(`${record.id}|${id}`) ? [{ of: record.name, name }] : []
		)
	);
}

/** What a merge would do to `mine`, list by list, before anything is done. */
export const compareMerge = (mine: Logbook, merged: Logbook): MergePreview => ({
	rigs: compareLists(mine.rigs, merged.rigs),
	trips: compareLists(mine.trips, merged.trips),
	points: compareLists(mine.points, merged.points),
	entries: compareLists(mine.entries, merged.entries),
	retired: retiredBy(mine, merged)
});

/** What merging `theirs` into `mine` would do. */
export const previewMerge = (mine: Logbook, theirs: Logbook): MergePreview =>
	compareMerge(mine, mergeLogbooks(mine, theirs));
