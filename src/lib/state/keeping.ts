import { keepNamed, keepStops, stopsNamed, type Entry, type Rig, type Trip } from '$core/logbook';
import { editedMs, type Change, type Edit } from '$lib/store';
import { editOf } from './edits';

/** The same edit, which keeps in a rig or a trip, retired, what entries name and it would have no more. */
export function keepingNamed(edit: Edit, entries: readonly Entry[]): Edit {
	if (edit.kind === 'rig')
		return {
			...edit,
			make: (newest: Rig | undefined) => {
				const next = edit.make(newest);
				const own = entries.filter(({ rig }) => rig === edit.id);
				return next && newest ? keepNamed(next, [newest], own) : next;
			}
		};
	if (edit.kind === 'trip')
		return {
			...edit,
			make: (newest: Trip | undefined) => {
				const next = edit.make(newest);
				return next && newest ? keepStops(next, [newest], stopsNamed(entries)) : next;
			}
		};
	return edit;
}

/** What stands of a rig or a trip, with what entries name in another version of it kept, retired. */
const withNamed = ({ kind, value }: Change, newest: Change['value'], entries: readonly Entry[]) => {
	if (kind === 'rig')
		return keepNamed(
			newest as Rig,
			[value],
			entries.filter(({ rig }) => rig === value.id)
		);
	return kind === 'trip' ? keepStops(newest as Trip, [value], stopsNamed(entries)) : newest;
};

/**
 * The edits that take in what a merge came to. A record that was edited later since then stands; what the entries
 * taken in name in it is kept.
 */
export function takingIn(changes: readonly Change[]): readonly Edit[] {
	const entries = changes.flatMap(({ kind, value }) => (kind === 'entry' ? [value] : []));
	return changes.map((change) =>
		editOf(change.kind, change.value.id, (newest) => {
			if (!newest || editedMs(newest) <= editedMs(change.value)) return change.value;
			const kept = withNamed(change, newest, entries);
			return kept === newest ? undefined : kept;
		})
	);
}
