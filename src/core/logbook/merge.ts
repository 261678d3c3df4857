import { instantMs } from './order.js';
import type { Entry, Logbook, Point, Rig, Trip } from './types.js';

interface Revisable {
	readonly id: string;
	readonly edited?: string | undefined;
}

/** JSON with sorted keys: equal for equal values, however they were written down. */
export const canonical = (value: unknown): string =>
	JSON.stringify(value, (_, part: unknown) =>
		typeof part === 'object' && part !== null && !Array.isArray(part)
			? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
			: part
	);

const whenMs = (instant: string | undefined): number =>
	instant === undefined ? -Infinity : instantMs(instant);

/**
 * Which of two revisions of a record stands: the later `edited`; with none or equal ones the one from the file
 * exported later; failing that, the greater canonical text, so that the answer never depends on the order of
 * the two arguments.
 */
function later<R extends Revisable>(a: R, aFile: string, b: R, bFile: string): R {
	const byEdit = whenMs(a.edited) - whenMs(b.edited);
	if (byEdit > 0 || byEdit < 0) return byEdit > 0 ? a : b;
	const [textA, textB] = [canonical(a), canonical(b)];
	if (textA === textB) return a;
	const byFile = instantMs(aFile) - instantMs(bFile);
	if (byFile !== 0) return byFile > 0 ? a : b;
	return textA > textB ? a : b;
}

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
	return [...merged.values()].sort((x, y) => (x.id < y.id ? -1 : 1));
}

/**
 * Two logbooks as one, by id, nothing lost: commutative and idempotent. Lists come sorted by id. Unknown
 * fields of the file itself are kept from both, the later export winning.
 */
export function mergeLogbooks(a: Logbook, b: Logbook): Logbook {
	const byExport = instantMs(a.exportedAt) - instantMs(b.exportedAt);
	const aIsLater = byExport > 0 || (byExport === 0 && canonical(a) > canonical(b));
	const [first, second] = aIsLater ? [b, a] : [a, b];
	const lists = <R extends Revisable>(pick: (logbook: Logbook) => readonly R[]): readonly R[] =>
		mergeList(pick(a), a.exportedAt, pick(b), b.exportedAt);
	return {
		...first,
		...second,
		rigs: lists<Rig>((logbook) => logbook.rigs),
		trips: lists<Trip>((logbook) => logbook.trips),
		points: lists<Point>((logbook) => logbook.points),
		entries: lists<Entry>((logbook) => logbook.entries)
	};
}

/** How one list would change in a merge, by id. */
export interface ListChange {
	readonly added: readonly string[];
	readonly changed: readonly string[];
	readonly kept: number;
}

const compareLists = <R extends Revisable>(mine: readonly R[], merged: readonly R[]): ListChange => {
	const before = new Map(mine.map((record) => [record.id, canonical(record)]));
	const added = merged.filter(({ id }) => !before.has(id));
	const changed = merged.filter(
		(record) => before.has(record.id) && before.get(record.id) !== canonical(record)
	);
	return {
		added: added.map(({ id }) => id),
		changed: changed.map(({ id }) => id),
		kept: merged.length - added.length - changed.length
	};
};

/** What merging `theirs` into `mine` would do, list by list, before anything is done. */
export function previewMerge(
	mine: Logbook,
	theirs: Logbook
): Readonly<Record<'rigs' | 'trips' | 'points' | 'entries', ListChange>> {
	const merged = mergeLogbooks(mine, theirs);
	return {
		rigs: compareLists(mine.rigs, merged.rigs),
		trips: compareLists(mine.trips, merged.trips),
		points: compareLists(mine.points, merged.points),
		entries: compareLists(mine.entries, merged.entries)
	};
}
