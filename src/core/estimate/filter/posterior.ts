import type { FilterState } from './filterState.js';
import type { Gaussian } from './gaussian.js';
import type { Model } from './model.js';
import { conditionOnCounts } from './rates.js';

/** The belief with what the log's counts say of unlogged use: what is answered, and what readings are held against. */
export function posterior(model: Model, { belief, counted }: FilterState): Gaussian {
	const informed = belief.copy();
	conditionOnCounts(informed, model, counted);
	return informed;
}
