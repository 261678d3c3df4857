import {
	compareMerge,
	LIST_OF,
	mergeLogbooks,
	parseLogbookText,
	RECORD_KINDS,
	type Logbook,
	type MergePreview,
	type Refusal
} from '$core/logbook';
import type { Change } from '$lib/store';

/** What a file would change here, or what is wrong with it. */
export type ReadIn =
	Refusal | { readonly ok: true; readonly preview: MergePreview; readonly changes: readonly Change[] };

/** The records of a merged logbook that are new or not as they were. */
const changesIn = (merged: Logbook, preview: MergePreview): readonly Change[] =>
	RECORD_KINDS.flatMap((kind): readonly Change[] => {
		const { added, changed } = preview[LIST_OF[kind]];
		const differ = new Set([...added, ...changed]);
		return (merged[LIST_OF[kind]] as readonly Change['value'][])
			.filter(({ id }) => differ.has(id))
			.map((value) => ({ kind, value }) as Change);
	});

/** What taking another logbook in would change. */
export function takeIn(mine: Logbook, theirs: Logbook): Extract<ReadIn, { ok: true }> {
	const merged = mergeLogbooks(mine, theirs);
	const preview = compareMerge(mine, merged);
	return { ok: true, preview, changes: changesIn(merged, preview) };
}

/**
 * Reads the text of a file against the logbook that is here.
 *
 * @param onprogress told how much of the file has been looked at, 0 … 1
 */
export function readIn(text: string, mine: Logbook, onprogress?: (done: number) => void): ReadIn {
	const parsed = parseLogbookText(text, onprogress ? { onprogress } : {});
	return parsed.ok ? takeIn(mine, parsed.value) : parsed;
}
