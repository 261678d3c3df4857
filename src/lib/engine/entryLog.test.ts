import fc from 'fast-check';
import { expect, it } from 'vitest';
import { anyEntries } from '../../../tests/helpers/logbooks.js';
import { entriesUntil, type Entry } from '../../core/logbook/index.js';
import { EntryLog } from './entryLog.js';

it('holds what a sorted filter of the whole logbook gives, whatever was put in what order', () => {
	fc.assert(
		fc.property(anyEntries, anyEntries, fc.integer({ min: 0, max: 10 }), (first, then, day) => {
			const log = new EntryLog(first);
			const all = new Map(first.map((entry): [string, Entry] => [entry.id, entry]));
			for (const entry of then) {
				log.put(entry);
				all.set(entry.id, entry);
			}
			const atMs = Date.UTC(2027, 4, 1 + day);
			expect(log.until('rig', atMs)).toEqual(entriesUntil([...all.values()], 'rig', atMs));
		})
	);
});
