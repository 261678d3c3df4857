import { entriesUntil, instantMs, type Entry, type Logbook, type Rig } from '../logbook/index.js';
import type { Gaussian } from './filter/gaussian.js';
import { posterior } from './filter/posterior.js';
import { modelOf, type Model } from './filter/model.js';
import { copyOfState, type FilterState } from './filter/filterState.js';
import { Replay, type ReplayOptions } from './past/replay.js';
import { step } from './past/step.js';
import { passTime } from './filter/timeUpdate.js';

/** What is believed of a rig at an instant, with all that is needed to go on from there. */
export interface Estimate {
	readonly model: Model;
	/** the replay's own record; `belief` is what is answered from */
	readonly state: Readonly<FilterState>;
	/** the joint belief at the instant, unlogged use as the log's counts have it */
	readonly belief: Gaussian;
	/** instruments called failing: none of their readings count */
	readonly failing: ReadonlySet<string>;
	readonly atMs: number;
	/** the entries it rests on, in order */
	readonly entries: readonly Entry[];
}

/** The estimate at an instant from a replay that has come to its last entry before it. */
export function estimateFrom(
	model: Model,
	last: FilterState,
	failing: ReadonlySet<string>,
	entries: readonly Entry[],
	atMs: number
): Estimate {
	const state = copyOfState(last);
	passTime(model, state, atMs);
	return { model, state, belief: posterior(model, state), failing, atMs, entries };
}

/**
 * Replays a rig's entries up to and including an instant. The order of the entries in the logbook does not matter.
 *
 * @throws RangeError when the logbook has no rig of that id
 */
export function estimate(logbook: Logbook, rigId: string, atMs: number, options?: ReplayOptions): Estimate {
	const rig: Rig | undefined = logbook.rigs.find(({ id }) => id === rigId);
	if (!rig) throw new RangeError(`there is no rig ${JSON.stringify(rigId)} in the logbook`);
	const entries = entriesUntil(logbook.entries, rigId, atMs);
	const replay = new Replay(modelOf(rig, logbook.trips, entries), options);
	return replay.to(entries, atMs);
}

/**
 * The estimate with one more entry at its end, without a replay. The entry's time is taken as now when it lies
 * before: good for a preview; a stored entry is replayed in its place.
 */
export function withEntry(before: Estimate, entry: Entry): Estimate {
	const { model, failing } = before;
	const state = copyOfState(before.state);
	step(model, state, entry, failing);
	return {
		model,
		failing,
		state,
		belief: posterior(model, state),
		atMs: Math.max(before.atMs, instantMs(entry.at)),
		entries: [...before.entries, entry]
	};
}
