import { instantMs, type Entry } from '../../logbook/index.js';
import { initialState, type FilterState } from '../filter/index.js';
import { goOnFrom, type Estimate } from './estimateAt.js';
import { step } from './step.js';

/**
 * A copy of the state after the last entry before a moment, from the last checkpoint on the way there, and the entries from that
 * moment on: the replay that is under way stays where it is.
 */
export function asItBegan(
	estimate: Estimate,
	fromMs: number
): { readonly state: FilterState; readonly later: readonly Entry[] } {
	const { model, failing, entries } = estimate;
	const { count, state } = goOnFrom(
		estimate,
		initialState,
		(checkpoint) => (checkpoint.state.atMs ?? 0) < fromMs
	);
	const later: Entry[] = [];
	for (const entry of entries.slice(count))
		if (instantMs(entry.at) < fromMs) step(model, state, entry, failing);
		else later.push(entry);
	return { state, later };
}
