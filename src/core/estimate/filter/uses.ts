import type { EntryOf, Habit } from '../../logbook/index.js';
import type { Sparse } from '../../numerics/index.js';
import { drawnOf, type Model } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import type { FilterState } from './filterState.js';

/** What a measured amount is good for when the entry does not say, litres, as a standard deviation. */
const sdOfMeasuredUse = (litres: number): number =>
	Math.max(PARAMETERS.usedLeastSdL, PARAMETERS.usedSdShare * litres);

/**
 * A logged use: the litres are the habit's, or, when measured, what was measured, and then they teach the habit.
 *
 * @param n how many of its times happen now
 */
export function applyUse(
	model: Model,
	state: FilterState,
	entry: EntryOf<'use'>,
	habit: Habit,
	n = entry.times
): void {
	const { belief } = state;
	const flow = model.flow(habit, state);
	const h = model.habitRow.get(habit.id) ?? 0;
	const { perLitre: f, fixed: c } = flow.drawn;
	const scatter = n * (1 - PARAMETERS.habitMeanVarianceShare) * (f * habit.litresEach.sd) ** 2;
	const { paths, beside } = drawnOf(model, flow);
	state.times.set(habit.id, (state.times.get(habit.id) ?? 0) + entry.times);
	const week = state.weeks.times.get(habit.id) ?? new Float64Array(7);
	const weekday = model.wakingDay.weekday(state.atMs ?? 0);
	week[weekday] = (week[weekday] as number) + entry.times;
	state.weeks.times.set(habit.id, week);
	for (const [row, fixed] of beside) belief.mean[row] = (belief.mean[row] as number) + n * fixed;
	if (entry.litres === undefined) {
		belief.propagateFlow(h, paths, n * f, n * c);
		return belief.addNoise(paths, scatter);
	}
	const measuredL = entry.litres;
	const direction: Sparse = [[model.movedRow, 1], ...paths];
	belief.replace(model.movedRow, 0, 0);
	for (const [row, k] of direction) belief.mean[row] = (belief.mean[row] ?? 0) + k * measuredL;
	belief.addNoise(direction, (entry.sdL ?? sdOfMeasuredUse(measuredL)) ** 2);
	if (habit.litresEach.sd > 0 && n > 0 && f > 0)
		belief.condition(
			[
				[model.movedRow, 1],
				[h, -n * f]
			],
			scatter,
			{ mean: n * c, variance: 0 }
		);
}
