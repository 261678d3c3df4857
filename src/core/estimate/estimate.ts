import { entriesUntil, type Entry, type Logbook, type Rig } from '../logbook/index.js';
import { copyOfState, posterior, type Estimate, type ReplayOptions } from './filter/index.js';
import { applyEntry } from './gating/index.js';
import { modelOf, withCrew } from './model/index.js';
import { Replay } from './replay.js';

/**
 * Replays a rig's entries up to and including an instant. The order of the entries in the logbook does not matter.
 *
 * @param home the zone of the rig's person, for days without a trip; the rig's own when absent
 * @throws RangeError when the logbook has no rig of that id
 */
export function estimate(
	logbook: Logbook,
	rigId: string,
	atMs: number,
	options?: ReplayOptions & { readonly home?: string }
): Estimate {
	const rig: Rig | undefined = logbook.rigs.find(({ id }) => id === rigId);
	if (!rig) throw new RangeError(`there is no rig ${JSON.stringify(rigId)} in the logbook`);
	const entries = entriesUntil(logbook.entries, rigId, atMs);
	// Who comes or goes later is known already, and counts from then on.
	const crew = entriesUntil(
		logbook.entries.filter(({ kind }) => kind === 'crew'),
		rigId,
		Infinity
	);
	const replay = new Replay(modelOf(rig, logbook.trips, entries, { home: options?.home, crew }), options);
	return replay.to(entries, atMs);
}

/**
 * The estimate with one more entry now, without a replay, whatever time it bears: no time passes, so that nothing but
 * the entry makes a difference. Good for a preview; a stored entry is replayed in its place.
 */
export function withEntry(before: Estimate, entry: Entry): Estimate {
	const model = entry.kind === 'crew' ? withCrew(before.model, entry) : before.model;
	const state = copyOfState(before.state);
	applyEntry(model, state, entry, before.failing);
	// What was in question is as the entry has it.
	const { quiet: _quiet, ...known } = before;
	return {
		...known,
		model,
		state,
		belief: posterior(state),
		entries: [...before.entries, entry]
	};
}
