import { instantMs, type Ahead, type Entry, type Trip } from '../logbook/index.js';
import { DAY_MS } from '../time/index.js';
import { copyOfState, posteriorOf, type Estimate, type FilterState } from './filter/index.js';
import { logLikelihood, measurementOf, predictTo, step } from './gating/index.js';
import { withoutAhead, type Model } from './model/index.js';
import * as PARAMETERS from './parameters.js';
import { stateBefore } from './smoothing/index.js';

/** How likely each reading was, nats, by a model that goes on from a state; no more is said of a failing instrument. */
function likelihoods(
	model: Model,
	from: Readonly<FilterState>,
	later: readonly Entry[],
	failing: ReadonlySet<string>
): readonly number[] {
	const state = copyOfState(from);
	return later.flatMap((entry) => {
		if (entry.kind !== 'reading' || failing.has(entry.instrument)) {
			step(model, state, entry, failing);
			return [];
		}
		predictTo(model, state, instantMs(entry.at));
		const measurement = measurementOf(model, state, entry);
		const nats = measurement && logLikelihood(posteriorOf(state, measurement.h), measurement);
		step(model, state, entry, failing);
		return nats === undefined ? [] : [nats];
	});
}

/**
 * How much better, nats, the readings since some days began fit days as usual than what was said of those days; each weighs
 * at most `contradictedMostNats`, since an instrument may lie. 0 where nothing was read since.
 */
function natsAgainst(estimate: Estimate, ahead: Ahead, trips: readonly Trip[]): number {
	const { model, failing } = estimate;
	const { state, later } = stateBefore(estimate, instantMs(ahead.from));
	const said = likelihoods(model, state, later, failing);
	const usual = likelihoods(withoutAhead(model, trips, ahead.id), state, later, failing);
	const most = PARAMETERS.contradictedMostNats;
	return usual.reduce((sum, nats, i) => sum + Math.min(most, Math.max(-most, nats - (said[i] ?? nats))), 0);
}

/**
 * Days that were said to be unlike others, are over since a few days, and that readings contradict: they fit days as usual
 * three times better. Not those of which the person said afterwards that it was so.
 *
 * @param trips of the rig's logbook
 */
export const saidContradicted = (estimate: Estimate, trips: readonly Trip[]): readonly Ahead[] =>
	(estimate.model.rig.ahead ?? []).filter((ahead) => {
		const overMs = estimate.atMs - instantMs(ahead.to);
		return (
			overMs >= 0 &&
			overMs < PARAMETERS.contradictedDays * DAY_MS &&
			!ahead.confirmed &&
			natsAgainst(estimate, ahead, trips) > PARAMETERS.contradictedNats
		);
	});
