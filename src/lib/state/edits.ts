import { nextEdited } from '$core/logbook';
import type { Change, Edit } from '$lib/store';

type Value = Change['value'];

/** A record as changed now: later than the newest version, so that it wins a merge too. */
export const stamped = <T extends { readonly edited?: string | undefined }>(
	value: T,
	newest: { readonly edited?: string | undefined } | undefined,
	now: string
): T => ({ ...value, edited: nextEdited(newest ?? {}, now) });

/** Edits that put records as they are. */
export const puttingEdits = (changes: readonly Change[]): readonly Edit[] =>
	changes.map(({ kind, value }) => editOf(kind, value.id, () => value));

/** An edit of any kind, when it is known that its record is of that kind. */
export const editOf = (
	kind: Change['kind'],
	id: string,
	make: (newest: Value | undefined) => Value | undefined
): Edit => ({ kind, id, make }) as Edit;
