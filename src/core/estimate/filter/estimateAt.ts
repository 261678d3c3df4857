import type { Entry } from '../../logbook/index.js';
import type { Gaussian } from '../../numerics/index.js';
import type { Model } from '../model/index.js';
import { copyOfState, initialState, type FilterState } from './filterState.js';
import { posterior } from './posterior.js';
import { predict } from './predict.js';
import { settleQuiet, type QuietNow } from './silence.js';

/** The state after so many entries: a place from which a replay can go on. */
export interface Checkpoint {
	readonly count: number;
	readonly state: FilterState;
}

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
	/** how many times as wide forecasts from here are drawn as they would be, by their own record; as they are when absent */
	readonly inflation?: number;
	/** where more is quiet than the log explains: what is believed of that, and the belief without it */
	readonly quiet?: QuietNow & { readonly plain: Gaussian };
	/** states on the way here, rising: a look into the past begins at one of them and leaves it as it is */
	readonly checkpoints: readonly Checkpoint[];
}

/** The estimate at an instant from the state after its last entry before it. */
export function estimateFrom(
	model: Model,
	last: FilterState,
	failing: ReadonlySet<string>,
	entries: readonly Entry[],
	atMs: number,
	checkpoints: readonly Checkpoint[] = []
): Estimate {
	const state = copyOfState(last);
	predict(model, state, atMs);
	const plain = posterior(state);
	const quiet = settleQuiet(model, state, 'asked');
	if (!quiet) return { model, state, belief: plain, failing, atMs, entries, checkpoints };
	return {
		...{ model, state, belief: posterior(state), failing, atMs, entries, checkpoints },
		quiet: { ...quiet, plain }
	};
}

/** A copy of the last state on the way that fits, to go on from; the very beginning where none does. */
export function continueFrom(
	{ checkpoints, model }: Pick<Estimate, 'checkpoints' | 'model'>,
	fits: (checkpoint: Checkpoint) => boolean
): Checkpoint {
	const from = checkpoints.findLast(fits);
	return from
		? { count: from.count, state: copyOfState(from.state) }
		: { count: 0, state: initialState(model) };
}
