import type { Gaussian } from './gaussian.js';
import type { Model } from './model.js';
import { countedNow, type FilterState } from './filterState.js';
import { takeIn } from '../prior/unloggedUse.js';

/** The belief with what the log's counts say of unlogged use: what is answered, and what readings are held against. */
export function posterior(model: Model, state: FilterState): Gaussian {
	const belief = state.belief.copy();
	if (!model.statedRate && model.streams.some(({ habit }) => habit))
		takeIn(belief, model, countedNow(model, state));
	return belief;
}
