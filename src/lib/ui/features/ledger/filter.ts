import type { Entry, Rig } from '$core/logbook';
import { tanksTouched } from '$core/rig';

/** Which entries the ledger shows; an empty text lets all through. */
export interface LedgerFilter {
	readonly tank: string;
	readonly kind: string;
	readonly by: string;
	readonly withVoid: boolean;
}

export const UNFILTERED: LedgerFilter = { tank: '', kind: '', by: '', withVoid: false };

/** Whether a filter lets an entry through. */
export const passes = (
	{ tank, kind, by, withVoid }: LedgerFilter,
	entry: Entry,
	rig: Rig | undefined
): boolean =>
	(withVoid || entry.void !== true) &&
	(kind === '' || entry.kind === kind) &&
	(by === '' || entry.by === by) &&
	(tank === '' || (rig !== undefined && tanksTouched(rig, entry).includes(tank)));
