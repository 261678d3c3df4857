import { keepNamed, keepStops, stopsNamed, type Entry, type Rig, type Trip } from '$core/logbook';
import type { Edit } from '$lib/store';

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
