import type { Logbook } from '../types.js';
import { LIST_OF, RECORD_KINDS } from '../kinds.js';
import { referenceFaults } from './references.js';

/** A logbook that can be read back, and the records that had to be left out of it because they name nothing there. */
export interface Readable {
	readonly logbook: Logbook;
	readonly unfit: readonly { readonly id: string }[];
}

/**
 * Leaves out what would make a file unreadable: entries of a rig that could not be read itself, for one. They are
 * given back beside it, so that they can be kept in another place of the file.
 */
export function readable(logbook: Logbook): Readable {
	const faults = referenceFaults(logbook);
	if (faults.length === 0) return { logbook, unfit: [] };
	const unfit: { readonly id: string }[] = [];
	const lists = RECORD_KINDS.map((kind) => {
		const list = LIST_OF[kind];
		const out = new Set(faults.flatMap(([of, i]) => (of === list ? [i] : [])));
		const records: readonly { readonly id: string }[] = logbook[list];
		unfit.push(...records.filter((_, i) => out.has(i)));
		return [list, records.filter((_, i) => !out.has(i))] as const;
	});
	// What named a record that has just been left out names nothing now.
	const next = readable({ ...logbook, ...Object.fromEntries(lists) } as Logbook);
	return { logbook: next.logbook, unfit: [...unfit, ...next.unfit] };
}
