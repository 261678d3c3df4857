import { editedMs } from './edited';
import type { FilePort } from './files';
import type { Turns } from './turns';

/** A record by its key in the store. */
export type KeptCopy = readonly [key: string, value: unknown];

/** A record's key, and when it was last edited, ms. */
export type Stamp = readonly [key: string, editedMs: number];

/** A copy of the records beside the store, on a port of small files. */
export interface SecondCopy {
	/** Notes records that were put, in a file of their own. */
	add(records: readonly KeptCopy[]): Promise<void>;
	/** Everything noted, the later of each record. */
	read(): Promise<readonly KeptCopy[]>;
	/** Those keys of a list whose record, as old as it is said to be, is not in the copy. */
	missing(stamps: readonly Stamp[]): Promise<readonly string[]>;
	clear(): Promise<void>;
}

const WHOLE = 'whole-';
const PART = 'part-';
/** So many small files are gathered into one. */
const MOST_PARTS = 100;

const isKept = (one: unknown): one is KeptCopy =>
	Array.isArray(one) && one.length === 2 && typeof one[0] === 'string';

/** What one file says; one that a crash cut short says nothing. */
function keptIn(text: string | undefined): readonly KeptCopy[] {
	try {
		const read: unknown = JSON.parse(text ?? '');
		return Array.isArray(read) ? read.filter(isKept) : [];
	} catch (error) {
		console.warn('A file of the second copy was cut short and is skipped.', error);
		return [];
	}
}

/**
 * Each change is one small file, written whole or not at all; now and then all are gathered into one. Files may come
 * in any order and be there twice: of each record the later `edited` counts, then the later file. So several tabs can
 * write at once, the clock may jump, and a crash at any point loses nothing.
 *
 * @param turns gathering is done by one tab at a time
 */
export function secondCopy(files: FilePort, turns: Turns): SecondCopy {
	let written = 0;
	const nameOf = (kind: string): string =>
		`${kind}${String(Date.now()).padStart(15, '0')}-${String(++written).padStart(6, '0')}-${crypto.randomUUID()}`;
	const readAll = async (names: readonly string[]): Promise<readonly KeptCopy[]> => {
		const records = new Map<string, unknown>();
		const sorted = [...names].sort((a, b) => order(a) - order(b) || (a < b ? -1 : 1));
		for (const name of sorted)
			for (const [key, value] of keptIn(await files.read(name)))
				if (editedMs(value) >= editedMs(records.get(key))) records.set(key, value);
		return [...records];
	};
	const gather = (): Promise<void> =>
		turns(async () => {
			const names = await files.names();
			if (names.length <= MOST_PARTS) return;
			await files.write(nameOf(WHOLE), JSON.stringify(await readAll(names)));
			for (const name of names) await files.remove(name);
		});
	return {
		async add(records) {
			if (records.length === 0) return;
			await files.write(nameOf(PART), JSON.stringify(records));
			if (written % MOST_PARTS === 0) await gather();
		},
		read: async () => readAll(await files.names()),
		async missing(stamps) {
			// Asked once a start: a tab that is closed after a few entries never comes to gather by itself.
			await gather();
			const kept = new Map(await readAll(await files.names()));
			return stamps.flatMap(([key, ms]) => (kept.has(key) && editedMs(kept.get(key)) >= ms ? [] : [key]));
		},
		clear: () =>
			turns(async () => {
				for (const name of await files.names()) await files.remove(name);
			})
	};
}

/** Gathered files come before the single ones that follow them. */
const order = (name: string): number => (name.startsWith(WHOLE) ? 0 : 1);
