import type { Entry } from './types.js';

/** The names that stand under entries, in the order of the alphabet. */
export const writersOf = (entries: readonly Entry[]): readonly string[] =>
	[...new Set(entries.flatMap(({ by }) => by ?? []))].sort();
