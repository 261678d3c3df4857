import type { EntryOf, Habit } from '../../logbook/index.js';
import type { Sparse } from '../../numerics/index.js';
import { HOUR_MS, MINUTE_MS } from '../../time/index.js';
import { personsAt } from '../inputs/index.js';
import { drawnOf, writesAll, type Model } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import { timesWritten } from './counts.js';
import { noteSlip, type FilterState } from './filterState.js';

/** What a measured amount is good for when the entry does not say, litres, as a standard deviation. */
const sdOfMeasuredUse = (litres: number): number =>
	Math.max(PARAMETERS.usedLeastSdL, PARAMETERS.usedSdShare * litres);

/**
 * The chance that a use is one that stands in the log already: two people wrote down the same. Another one within minutes is
 * the likelier to be real the more often it is done.
 */
export function twiceChance(
	model: Model,
	{ lastUses, written, atMs = 0, learned }: FilterState,
	{ times, litres, by, again }: EntryOf<'use'>,
	habit: Habit
): number {
	const before = lastUses.get(habit.id);
	const minutes = before ? (atMs - before.atMs) / MINUTE_MS : Infinity;
	if (!before || before.times !== times || litres !== undefined || minutes > PARAMETERS.twiceMinutes)
		return 0;
	if (model.unenteredRow.size > 0 || writesAll(model)) return 0;
	// Who writes the same twice means it, and so does who sees it in the log.
	if (again || (by !== undefined && by === before.by)) return 0;
	const byBoth = by !== undefined && before.by !== undefined;
	// How often it has happened in this log counts beside what was thought of it before.
	const { twiceChance: prior, twicePriorUses: along } = PARAMETERS;
	const seen = (prior * along + written.twice) / (along + written.uses);
	const slip = byBoth ? PARAMETERS.twiceByBothChance * (seen / prior) : seen;
	const aDay = Math.max(
		PARAMETERS.twiceLeastADay,
		timesWritten(learned, habit, habit.often.per === 'person-day') *
			(habit.often.per === 'person-day' ? Math.max(1, personsAt(model.crew, atMs)) : 1)
	);
	const real = (aDay * PARAMETERS.twiceMinutes * MINUTE_MS) / (PARAMETERS.wakingHours * HOUR_MS);
	return slip / (slip + real);
}

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
	const atMs = state.atMs ?? 0;
	const twice = twiceChance(model, state, entry, habit);
	const once = 1 - twice;
	const { written } = state;
	state.written = { uses: written.uses + 1, twice: written.twice + twice };
	const before = state.lastUses.get(habit.id);
	if (before && once < 0.5) noteSlip(state, { kind: 'twice', entry: entry.id, other: before.entry, atMs });
	state.lastUses.set(habit.id, { entry: entry.id, atMs, times: entry.times, by: entry.by });
	state.times.set(habit.id, (state.times.get(habit.id) ?? 0) + once * entry.times);
	const week = state.weeks.times.get(habit.id) ?? new Float64Array(7);
	const weekday = model.wakingDay.weekday(state.atMs ?? 0);
	week[weekday] = (week[weekday] as number) + once * entry.times;
	state.weeks.times.set(habit.id, week);
	for (const [row, fixed] of beside) belief.mean[row] = (belief.mean[row] as number) + once * n * fixed;
	if (entry.litres === undefined) {
		belief.propagateFlow(h, paths, once * n * f, once * n * c);
		const litres = n * (f * Math.max(0, belief.mean[h] ?? 0) + c);
		return belief.addNoise(paths, once * scatter + once * (1 - once) * litres ** 2);
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
