import { instantMs, type Entry, type EntryOf } from '../logbook/index.js';
import { MINUTE_MS } from '../time/index.js';
import type { Group } from './grouping.js';
import { sameStretch } from './stretch.js';

/** Who writes as they go is within so many minutes; now and then it is much later. */
const SOON_MIN = 5;
const LATE_MIN = 40;
const LATE = 0.12;
/** Who writes more times at once means no use of that moment. */
const MOST_TIMES = 20;
/** Beyond that nobody means this use, ms. */
const FARTHEST_MS = 90 * MINUTE_MS;
/** Of what is written, so much stands under a name that was not meant. */
export const MISNAMED = 0.05;

/** One use that somebody wrote down, or said yes to. */
export interface Example {
	readonly atMs: number;
	readonly habit: string;
	readonly entry: string;
	/** it was heard, and somebody said that it was this one */
	readonly heard?: { readonly fromMs: number; readonly toMs: number };
}

/** Whether somebody stands behind a use: it was written by hand, or heard and nodded at, or corrected. */
const isTold = ({ heard, edited }: EntryOf<'use'>): boolean =>
	heard?.unasked !== true || edited !== undefined;

/** The uses that people wrote by hand or nodded at, each time for itself. */
export const examplesIn = (entries: readonly Entry[]): readonly Example[] =>
	entries
		.filter((entry): entry is EntryOf<'use'> => entry.kind === 'use' && !entry.void && isTold(entry))
		.flatMap((entry) =>
			Array.from({ length: Math.min(MOST_TIMES, Math.max(1, Math.round(entry.times))) }, () => ({
				atMs: instantMs(entry.at),
				habit: entry.habit,
				entry: entry.id,
				...(entry.heard
					? { heard: { fromMs: instantMs(entry.heard.from), toMs: instantMs(entry.heard.until) } }
					: {})
			}))
		);

/** How likely it is that a use of then is written so, a logarithm; 0 for one written on the spot. */
function nearness(group: Group, { atMs, heard }: Example): number {
	// What was heard and nodded at is this one, or another one.
	if (heard) return sameStretch(group, heard) > 0 ? 0 : -Infinity;
	const off = (atMs < group.fromMs ? group.fromMs - atMs : Math.max(0, atMs - group.toMs)) / MINUTE_MS;
	return Math.log(
		(1 - LATE) * Math.exp(-off / SOON_MIN) + (LATE * SOON_MIN * Math.exp(-off / LATE_MIN)) / LATE_MIN
	);
}

/** An example that is taken for a use, and how sure that is: the logarithm of the odds. */
export interface Matched {
	readonly example: Example;
	readonly nearness: number;
}

/**
 * Which use each example is: the pairs that fit best by time and by what the habit is like, one example to one use.
 *
 * @param logChance of a habit for a group by all but what is written
 */
export function matchExamples(
	examples: readonly Example[],
	groups: readonly Group[],
	logChance: (group: Group, habit: string) => number
): ReadonlyMap<Group, Matched> {
	const pairs: { example: Example; group: Group; near: number; score: number }[] = [];
	let from = 0;
	const inTime = [...groups].sort((a, b) => a.fromMs - b.fromMs);
	for (const example of [...examples].sort((a, b) => a.atMs - b.atMs)) {
		while (from < inTime.length && (inTime[from]?.toMs ?? 0) < example.atMs - 2 * FARTHEST_MS) from++;
		for (let i = from; i < inTime.length; i++) {
			const group = inTime[i];
			if (!group || group.fromMs > example.atMs + FARTHEST_MS) break;
			if (group.toMs < example.atMs - FARTHEST_MS) continue;
			const near = nearness(group, example);
			if (near > -Infinity)
				pairs.push({ example, group, near, score: near + Math.max(logChance(group, example.habit), -12) });
		}
	}
	const matched = new Map<Group, Matched>();
	const used = new Set<Example>();
	for (const { example, group, near, score } of pairs.sort((a, b) => b.score - a.score)) {
		if (score < -9) break;
		if (used.has(example) || matched.has(group)) continue;
		used.add(example);
		matched.set(group, { example, nearness: near });
	}
	return matched;
}
