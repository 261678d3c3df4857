import type { EntryOf, Habit } from '../../logbook/index.js';
import type { Sparse } from '../../numerics/index.js';
import { SITTING_MS } from '../inputs/index.js';
import { flowGainsOf, pathsOf, unwrittenRow, type Model } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import { timesWritten } from './counts.js';
import type { FilterState } from './filterState.js';
import { exposureIn, type LivedPart } from './lived.js';

/**
 * Where a day's uses are written down in the evening, most of them have long happened before they are written. As time
 * passes what is expected to be written flows already, and is remembered as pending; the line in the log then measures
 * it, so that a reading taken in between is not undone.
 */
export function propagateUnentered(model: Model, state: FilterState, part: LivedPart): void {
	const { learned, belief, expectedUses: expected } = state;
	for (const { habit, perPerson, lumpL } of model.streams) {
		if (!habit) continue;
		const row = model.unenteredRow.get(habit.id);
		const each = model.habitRow.get(habit.id);
		if (row === undefined || each === undefined) continue;
		const times = timesWritten(learned, habit, perPerson) * exposureIn(part, habit);
		if (times === 0) continue;
		const along: Sparse = [
			...pathsOf(model, state, habit).map(([to, gain]) => [unwrittenRow(model, to), gain] as const),
			[row, 1]
		];
		addFixed(model, state, habit, times);
		const litres = times * Math.max(0, belief.mean[each] ?? 0);
		belief.propagateFlow(each, along, times);
		const differs = PARAMETERS.dayFactorSd ** 2 + PARAMETERS.habitDayFactorSd ** 2;
		belief.addNoise(along, litres * lumpL + (differs * litres ** 2) / part.days);
		expected.set(habit.id, (expected.get(habit.id) ?? 0) + times);
	}
}

/** What comes with each time beside its litres, such as what a toilet receives beside its flush. */
function addFixed(model: Model, state: FilterState, habit: Habit, times: number): void {
	const { mean } = state.belief;
	for (const [row, { fixed }] of flowGainsOf(model, model.flow(habit, state))) {
		const at = unwrittenRow(model, row);
		mean[at] = (mean[at] as number) + times * fixed;
	}
}

/** How many of the times written are those that were expected; more than that were not. */
const ofExpected = (times: number, expected: number): number =>
	Math.min(times, expected + 2 * Math.sqrt(expected));

/** While an account is kept: what was kept in mind is the habit's own once it is written. */
function bookWritten(model: Model, state: FilterState, habit: Habit, row: number): void {
	const own = model.accounts?.rows.habits.get(habit.id);
	if (own === undefined || !model.accounts) return;
	const { unwritten } = model.accounts.rows;
	const drawn = pathsOf(model, state, habit).find(([to]) => to === own)?.[1] ?? 0;
	state.belief.propagate([
		{
			row: own,
			from: [
				[own, 1],
				[row, drawn]
			],
			constant: 0
		},
		{
			row: unwritten,
			from: [
				[unwritten, 1],
				[row, -drawn]
			],
			constant: 0
		}
	]);
}

/** What was pending of a habit turns out to be so many times. */
function resolve(model: Model, state: FilterState, habit: Habit, times: number): void {
	const { belief, expectedUses: expected } = state;
	const row = model.unenteredRow.get(habit.id);
	const each = model.habitRow.get(habit.id);
	if (row === undefined || each === undefined) return;
	const before = expected.get(habit.id) ?? 0;
	if (before > 0) {
		addFixed(model, state, habit, times - before);
		const scatter = times * (1 - PARAMETERS.habitMeanVarianceShare) * habit.litresEach.sd ** 2;
		belief.condition(
			[
				[row, 1],
				[each, -times]
			],
			scatter + 1e-6,
			{ mean: 0, variance: 0 }
		);
	}
	bookWritten(model, state, habit, row);
	belief.replace(row, 0, 0);
	expected.delete(habit.id);
}

/**
 * A use is written down at a sitting.
 *
 * @returns how many of its times were not expected and happen now
 */
export function enterUses(model: Model, state: FilterState, entry: EntryOf<'use'>, habit: Habit): number {
	if (!model.unenteredRow.has(habit.id)) return entry.times;
	const atMs = state.atMs ?? 0;
	const before = state.sitting?.habits ?? [];
	state.sitting = { atMs, habits: [...before.filter((id) => id !== habit.id), habit.id] };
	if (entry.litres !== undefined) {
		// What was measured takes the place of what was expected, whole.
		resolve(model, state, habit, 0);
		return entry.times;
	}
	const times = ofExpected(entry.times, state.expectedUses.get(habit.id) ?? 0);
	resolve(model, state, habit, times);
	return entry.times - times;
}

/** The sitting is over: what was expected of habits that were not written did not happen. */
export function endSitting(model: Model, state: FilterState, toMs: number): void {
	const { sitting } = state;
	if (!sitting || toMs - sitting.atMs < SITTING_MS) return;
	state.sitting = undefined;
	for (const id of model.unenteredRow.keys()) {
		const habit = model.habits.get(id);
		if (habit && !sitting.habits.includes(id)) resolve(model, state, habit, 0);
	}
}
