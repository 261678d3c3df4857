import { keyOf, LIST_OF, RECORD_KINDS, type Logbook } from '$core/logbook';
import { editedMs, type Change, type SecondCopy } from '$lib/store';

/** What a second copy lacks of the records that stand: all where it is new, else what a crash kept from it. */
export async function lackingIn(
	copy: SecondCopy,
	lists: Pick<Logbook, 'rigs' | 'trips' | 'points' | 'entries'>
): Promise<readonly Change[]> {
	const all = new Map(
		RECORD_KINDS.flatMap((kind) =>
			(lists[LIST_OF[kind]] as readonly Change['value'][]).map((value): [string, Change] => {
				const change = { kind, value } as Change;
				return [keyOf(change), change];
			})
		)
	);
	const lacking = await copy.missing([...all].map(([key, { value }]) => [key, editedMs(value)] as const));
	return lacking.flatMap((key) => all.get(key) ?? []);
}
