import { instantMs } from '../order.js';
import type { Entry } from '../types.js';

/** An `edited` instant that is later than the record's own last one, even when the clock has gone back. */
export function nextEdited(record: { readonly edited?: string | undefined }, now: string): string {
	const last = record.edited === undefined ? -Infinity : instantMs(record.edited);
	return instantMs(now) > last ? now : new Date(last + 1).toISOString();
}

/** The same entry with the id it has, a later `edited`, and new content: a correction. */
export const corrected = <E extends Entry>(before: Entry, content: E, now: string): E => ({
	...content,
	id: before.id,
	edited: nextEdited(before, now)
});

/** The entry taken out of account; it stays in the logbook. */
export const voided = (entry: Entry, now: string): Entry => ({
	...entry,
	void: true,
	edited: nextEdited(entry, now)
});

/** A voided entry brought back. */
export function restored(entry: Entry, now: string): Entry {
	const { void: _gone, ...rest } = entry;
	return { ...rest, edited: nextEdited(entry, now) } as Entry;
}
