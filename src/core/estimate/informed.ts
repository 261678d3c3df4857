import type { Gaussian } from './gaussian.js';
import type { Model } from './model.js';
import { countedNow, type Tally } from './tally.js';
import { takeIn } from './unlogged.js';

/** The belief with what the log's counts say of unlogged use: what is answered, and what readings are held against. */
export function believed(model: Model, tally: Tally): Gaussian {
	const belief = tally.belief.copy();
	if (!model.statedRate && model.streams.some(({ habit }) => habit))
		takeIn(belief, model, countedNow(model, tally));
	return belief;
}
