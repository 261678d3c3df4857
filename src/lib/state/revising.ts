import { canonical, rebase, restored, voided, type Conflict, type Entry } from '$core/logbook';
import type { Change, Edit } from '$lib/store';
import { editOf, stamped } from './edits';
import type { Act } from './history.svelte';

type Value = Change['value'];

/** A record as it comes out when what was changed from `base` to `value` is put into the newest version of it. */
export interface Onto {
	readonly value: Value;
	readonly conflicts: readonly Conflict[];
}
export const onto = (base: Value, value: Value, newest: Value): Onto => rebase<Value>(base, value, newest);

/** Takes back what `from` → `to` changed, in the newest version; what was changed again since stays as it is. */
const backTo = (from: Value, to: Value, newest: Value, now: string): Value | undefined => {
	const { value } = rebase<Value>(from, newest, to);
	return canonical(value) === canonical(newest) ? undefined : stamped(value, newest, now);
};

/**
 * The edits that undo an act. A new entry is voided, since entries are never erased; a new rig, trip or point has
 * nothing to go back to and stays.
 */
export const undoing = ({ steps }: Act, now: string): readonly Edit[] =>
	steps.map(({ kind, before, after }) =>
		editOf(kind, after.id, (newest) => {
			if (!newest) return undefined;
			if (before) return backTo(after, before, newest, now);
			return kind === 'entry' ? voided(newest as Entry, now) : undefined;
		})
	);

/** The edits that do an act again after it was undone. */
export const redoing = ({ steps }: Act, now: string): readonly Edit[] =>
	steps.map(({ kind, before, after }) =>
		editOf(kind, after.id, (newest) => {
			if (!newest) return stamped(after, undefined, now);
			if (before) return backTo(before, after, newest, now);
			return kind === 'entry' ? restored(newest as Entry, now) : undefined;
		})
	);
