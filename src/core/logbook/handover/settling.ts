import { instantMs } from '../order.js';
import { canonical } from '../revisions/canonical.js';
import { later } from '../revisions/merge.js';
import { rebase, type Conflict } from '../revisions/rebase.js';
import { nextEdited } from '../revisions/revise.js';
import type { AnyRecord } from '../kinds.js';

/** What a person says of one thing that comes: whose version is kept; whether two entries are of one thing. */
export type Choice = 'mine' | 'theirs' | 'one' | 'two';

/** Two versions of a record. */
interface Pair {
	readonly mine: AnyRecord;
	readonly theirs: AnyRecord;
	/** where they were made apart, a version that both knew */
	readonly base: AnyRecord | undefined;
	/** whether a version names only what is there */
	readonly isSound: (value: AnyRecord) => boolean;
}

/** What comes of two versions. */
export interface Settled {
	readonly value: AnyRecord;
	/** whose it is; with both, what either changed is in it */
	readonly kept: 'mine' | 'theirs' | 'both';
	/** places that both changed in different ways: there the later edit stands */
	readonly places: readonly Conflict[];
}

/** Files say when they were made, devices do not: of equal edits what is in them decides, alike on all devices. */
export const NO_FILE = '1970-01-01T00:00:00Z';

/** Both as one: what either changed since a version that both knew, and where both did, as the later edit has it. */
function bothOf({ mine, theirs, base, isSound }: Pair, winner: AnyRecord): Settled {
	const kept = winner === mine ? 'mine' : 'theirs';
	if (!base) return { value: winner, kept, places: [] };
	const { value, conflicts } = rebase<AnyRecord>(base, winner, winner === mine ? theirs : mine);
	const { edited, ...rest } = winner;
	const { edited: _other, ...joined } = inOrder(value);
	// What the one took away may be what the other's part needs: then the later edit stands as it is.
	if (canonical(joined) === canonical(rest) || !isSound(value))
		return { value: winner, kept, places: conflicts };
	// Later than either, and the same instant on whatever device it is worked out.
	return {
		value: { ...joined, edited: nextEdited(winner, edited ?? NO_FILE) } as AnyRecord,
		kept: 'both',
		places: conflicts
	};
}

/** Stops of both, in the order in which one arrives. */
const inOrder = (value: AnyRecord): AnyRecord =>
	'stops' in value
		? { ...value, stops: [...value.stops].sort((a, b) => instantMs(a.arrive) - instantMs(b.arrive)) }
		: value;

/**
 * What stands of two versions of a record: both as one where a version that both knew is there, else the later edit; or the one
 * that somebody chose, as an edit of now.
 */
export function settled(pair: Pair, choice: Choice | undefined, now: string): Settled {
	const { mine, theirs } = pair;
	const winner = later<AnyRecord>(mine, NO_FILE, theirs, NO_FILE);
	if (choice !== 'mine' && choice !== 'theirs') return bothOf(pair, winner);
	const [value, other] = choice === 'mine' ? [mine, theirs] : [theirs, mine];
	return {
		value: value === winner ? value : { ...value, edited: nextEdited(other, now) },
		kept: choice,
		places: []
	};
}
