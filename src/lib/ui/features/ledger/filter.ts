import type { Entry, Rig } from '$core/logbook';
import { isLoss, tanksTouched } from '$core/rig';
import { KIND_WORDS } from '$core/words';

/** Which entries the ledger shows; an empty text lets all through. */
export interface LedgerFilter {
	readonly tank: string;
	readonly kind: string;
	readonly by: string;
	readonly withVoid: boolean;
}

export const UNFILTERED: LedgerFilter = { tank: '', kind: '', by: '', withVoid: false };

/** Before the id of a source, or of water that leaves by another way, where a kind is asked for. */
const [FROM, LOSS] = ['from:', 'loss:'] as const;

const isOfKind = (entry: Entry, kind: string): boolean => {
	if (kind.startsWith(FROM)) return entry.kind === 'fill' && entry.from === kind.slice(FROM.length);
	if (kind.startsWith(LOSS)) return entry.kind === 'use' && entry.habit === kind.slice(LOSS.length);
	return entry.kind === kind;
};

/** What can be asked for as a kind: the kinds of entries, each source of the rig, and each way in which water was lost. */
export const kindsOf = (
	rig: Rig | undefined
): readonly { readonly value: string; readonly label: string }[] => [
	...Object.entries(KIND_WORDS).map(([value, label]) => ({ value, label })),
	...(rig?.sources ?? []).map(({ id, name }) => ({ value: `${FROM}${id}`, label: `In: ${name}` })),
	...(rig?.habits ?? [])
		.filter((habit) => rig !== undefined && isLoss(rig, habit))
		.map(({ id, name }) => ({ value: `${LOSS}${id}`, label: `Out: ${name}` }))
];

/** What the ledger calls an entry: its kind, or the way in which water came in or left. */
export function kindWord(entry: Entry, rig: Rig | undefined): string {
	if (entry.kind === 'fill' && entry.from !== undefined) return 'In';
	const habit = entry.kind === 'use' ? rig?.habits.find(({ id }) => id === entry.habit) : undefined;
	return rig && habit && isLoss(rig, habit) ? 'Out' : KIND_WORDS[entry.kind];
}

/** The filter that an address asks for: `?kind=dump`. */
export const filterFrom = (params: URLSearchParams): LedgerFilter => ({
	...UNFILTERED,
	kind: params.get('kind') ?? '',
	tank: params.get('tank') ?? ''
});

/** Whether a filter lets an entry through. */
export const passes = (
	{ tank, kind, by, withVoid }: LedgerFilter,
	entry: Entry,
	rig: Rig | undefined
): boolean =>
	(withVoid || entry.void !== true) &&
	(kind === '' || isOfKind(entry, kind)) &&
	(by === '' || entry.by === by) &&
	(tank === '' || (rig !== undefined && tanksTouched(rig, entry).includes(tank)));
