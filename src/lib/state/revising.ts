import type { FindingMend } from '$core/findings';
import {
	canonical,
	rebase,
	restored,
	voided,
	type Conflict,
	type Entry,
	type EntryDraft,
	type Point
} from '$core/logbook';
import { reckonedWith } from '$core/rig';
import type { Change, Edit } from '$lib/store';
import { v7 as uuid } from 'uuid';
import type { Commands } from './commands.svelte';
import { editOf, stamped } from './edits';
import type { Act } from './history.svelte';

type Value = Change['value'];

/**
 * An edit that puts only what was changed in a record into the newest version of it; nothing where others changed the same
 * place meanwhile.
 *
 * @param known conflicts that the person has been told of: there this change stands
 * @returns the edit, and what others had changed in the same places once it has been made
 */
export function correcting(
	kind: Change['kind'],
	base: Value | undefined,
	value: Value,
	now: string,
	known: readonly Conflict[]
): { readonly edit: Edit; readonly conflicts: () => readonly Conflict[] } {
	let conflicts: readonly Conflict[] = [];
	const told = new Set(known.map(canonical));
	const edit = editOf(kind, value.id, (newest) => {
		if (!newest || !base) return stamped(value, newest, now);
		const found = rebase<Value>(base, value, newest);
		conflicts = found.conflicts.filter((one) => !told.has(canonical(one)));
		return conflicts.length > 0 ? undefined : stamped(found.value, newest, now);
	});
	return { edit, conflicts: () => conflicts };
}

/** An edit that takes an entry out of account, or brings it back. */
export const voiding = (id: string, isVoid: boolean, now: string): Edit =>
	editOf('entry', id, (newest) => newest && (isVoid ? voided : restored)(newest as Entry, now));

/** Takes back what `from` → `to` changed, in the newest version; what was changed again since stays as it is. */
const backTo = (from: Value, to: Value, newest: Value, now: string): Value | undefined => {
	const { value } = rebase<Value>(from, newest, to);
	return canonical(value) === canonical(newest) ? undefined : stamped(value, newest, now);
};

/**
 * The edits that undo an act. A new entry is voided, since entries are never erased, and a new point put out of use; a new rig
 * or trip has nothing to go back to and stays.
 */
export const undoing = ({ steps }: Act, now: string): readonly Edit[] =>
	steps.map(({ kind, before, after }) =>
		editOf(kind, after.id, (newest) => {
			if (!newest) return undefined;
			if (before) return backTo(after, before, newest, now);
			if (kind === 'entry') return (newest as Entry).void ? undefined : voided(newest as Entry, now);
			return kind === 'point'
				? stamped({ ...(newest as Point), retired: true as const }, newest, now)
				: undefined;
		})
	);

/** The edits that do an act again after it was undone. */
export const redoing = ({ steps }: Act, now: string): readonly Edit[] =>
	steps.map(({ kind, before, after }) =>
		editOf(kind, after.id, (newest) => {
			if (!newest) return stamped(after, undefined, now);
			if (before) return backTo(before, after, newest, now);
			// What came void stays so.
			if (kind === 'entry') return (after as Entry).void ? undefined : restored(newest as Entry, now);
			return kind === 'point' ? stamped(after, newest, now) : undefined;
		})
	);

/**
 * Does what mends a finding.
 *
 * @param rig in view
 * @param stands whether there is an entry of an id
 */
export function mending(
	commands: Commands,
	mend: FindingMend,
	label: string,
	rig: string,
	stands: (entry: string) => boolean
): Promise<boolean> {
	if (mend.kind === 'add') return commands.log({ ...mend.draft, source: 'hand' } as EntryDraft, label);
	if (mend.kind === 'serves') {
		const { tank, litres, at } = mend;
		return commands.change('rig', rig, (newest) => reckonedWith(newest, tank, litres, uuid(), at), label);
	}
	if (!stands(mend.entry)) return Promise.resolve(false);
	if (mend.kind === 'void') return commands.setVoid([mend.entry], true, label);
	const changed = (entry: Entry): object => {
		switch (mend.kind) {
			case 'move':
				return { at: mend.at };
			case 'value':
				return { value: mend.value };
			case 'litres':
				return { litres: mend.litres };
			case 'trust':
			case 'insist':
				// As it is written, whatever it looks like.
				return entry.kind === 'use' ? { again: true } : { trusted: true };
		}
	};
	return commands.change('entry', mend.entry, (entry) => ({ ...entry, ...changed(entry) }) as Entry, label);
}
