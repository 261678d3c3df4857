import type { Entry } from './types.js';

/** Milliseconds since the epoch of an ISO 8601 instant with offset. */
export const instantMs = (instant: string): number => Date.parse(instant);

const compareText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** The order of entries everywhere: by instant (not by its spelling), then by id. */
export const byTime = (a: Pick<Entry, 'at' | 'id'>, b: Pick<Entry, 'at' | 'id'>): number =>
	instantMs(a.at) - instantMs(b.at) || compareText(a.id, b.id);

/** A new list of the entries in their order. */
export const inOrder = <E extends Pick<Entry, 'at' | 'id'>>(entries: readonly E[]): readonly E[] =>
	inOrderUntil(entries, Infinity);

function inOrderUntil<E extends Pick<Entry, 'at' | 'id'>>(entries: readonly E[], atMs: number): readonly E[] {
	const keyed = entries.map((entry) => ({ entry, ms: instantMs(entry.at) })).filter(({ ms }) => !(ms > atMs));
	keyed.sort((a, b) => a.ms - b.ms || compareText(a.entry.id, b.entry.id));
	return keyed.map(({ entry }) => entry);
}

/** The entries of one rig that count: not voided, up to and including an instant, in order. */
export const entriesUntil = (entries: readonly Entry[], rig: string, atMs: number): readonly Entry[] =>
	inOrderUntil(
		entries.filter((entry) => entry.rig === rig && entry.void !== true),
		atMs
	);
