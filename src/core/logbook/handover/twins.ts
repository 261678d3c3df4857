import { MINUTE_MS } from '../../time/index.js';
import { deedOf, isMeant } from '../deed.js';
import { instantMs } from '../order.js';
import type { Entry } from '../types.js';

/** So near to each other two people log what they did together, ms. */
const WITHIN_MS = 10 * MINUTE_MS;
/** Two who measure the same thing come so near to each other, as a share. */
const SAME_SHARE = 0.25;

const litresOf = (entry: Entry): number | undefined =>
	'litres' in entry && typeof entry.litres === 'number' ? entry.litres : undefined;

const nearLitres = (a: Entry, b: Entry): boolean => {
	const [one, two] = [litresOf(a), litresOf(b)];
	return one === undefined || two === undefined || Math.abs(one - two) <= SAME_SHARE * Math.max(one, two);
};

const counts = (entry: Entry): boolean => entry.void !== true && !isMeant(entry);

/** Whether two entries may be one thing that both logged. */
export const mayBeSame = (a: Entry, b: Entry): boolean =>
	a.rig === b.rig &&
	a.id !== b.id &&
	counts(a) &&
	counts(b) &&
	deedOf(a) !== undefined &&
	deedOf(a) === deedOf(b) &&
	Math.abs(instantMs(a.at) - instantMs(b.at)) <= WITHIN_MS &&
	nearLitres(a, b);

/** Two entries, each by another person, that may be of one thing. */
export interface Twin {
	readonly mine: Entry;
	readonly theirs: Entry;
}

const idsOf = ({ mine, theirs }: Twin): string => [mine.id, theirs.id].sort().join('|');

/** Pairs up entries of two people that may be of one thing, nearest in time first, each once. */
export function twinsAmong(mine: readonly Entry[], theirs: readonly Entry[]): readonly Twin[] {
	const byDeed = new Map<string, Entry[]>();
	for (const entry of mine) {
		const deed = counts(entry) ? deedOf(entry) : undefined;
		if (deed !== undefined) byDeed.set(deed, [...(byDeed.get(deed) ?? []), entry]);
	}
	const apart = ({ mine: a, theirs: b }: Twin): number => Math.abs(instantMs(a.at) - instantMs(b.at));
	const pairs = theirs
		.flatMap((one) =>
			(byDeed.get(deedOf(one) ?? '') ?? []).map((other): Twin => ({ mine: other, theirs: one }))
		)
		.filter((pair) => mayBeSame(pair.mine, pair.theirs))
		// By ids whichever side they are on, so that both people pair the same.
		.sort((a, b) => apart(a) - apart(b) || (idsOf(a) < idsOf(b) ? -1 : 1));
	const taken = new Set<string>();
	return pairs.filter(({ mine: a, theirs: b }) => {
		if (taken.has(a.id) || taken.has(b.id)) return false;
		taken.add(a.id).add(b.id);
		return true;
	});
}

/**
 * Which of two entries of one thing stays: the one with measured litres, else the earlier one, else by id; so that both people
 * keep the same.
 */
export function stays({ mine, theirs }: Twin): Entry {
	const tells = (entry: Entry): number => (litresOf(entry) === undefined ? 1 : 0);
	const order =
		tells(mine) - tells(theirs) ||
		instantMs(mine.at) - instantMs(theirs.at) ||
		(mine.id < theirs.id ? -1 : 1);
	return order < 0 ? mine : theirs;
}

/** An entry that somebody says is another one than the one beside it. */
export const asAnother = (entry: Entry): Entry =>
	entry.kind === 'use'
		? { ...entry, again: true }
		: entry.kind === 'fill' || entry.kind === 'dump' || entry.kind === 'transfer'
			? { ...entry, trusted: true }
			: entry;
