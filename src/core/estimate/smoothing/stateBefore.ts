import { instantMs, type Entry } from '../../logbook/index.js';
import { continueFrom, type Estimate, type FilterState } from '../filter/index.js';
import { step } from '../gating/index.js';

/**
 * A copy of the state after the last entry before a moment, from the last checkpoint on the way there, and the entries from that
 * moment on: the replay that is under way stays where it is.
 */
export function stateBefore(
	estimate: Estimate,
	fromMs: number
): { readonly state: FilterState; readonly later: readonly Entry[] } {
	const { model, failing, entries } = estimate;
	const { count, state } = continueFrom(estimate, (checkpoint) => (checkpoint.state.atMs ?? 0) < fromMs);
	const later: Entry[] = [];
	for (const entry of entries.slice(count))
		if (instantMs(entry.at) < fromMs) step(model, state, entry, failing);
		else later.push(entry);
	return { state, later };
}
