import type { Habit } from '../../logbook/index.js';
import { Matrix, type FlowNetwork, type Gaussian } from '../../numerics/index.js';
import { DAY_MS } from '../../time/index.js';
import { forgetWeeks, forgetWriting, stepAt, weekendOf } from '../inputs/index.js';
import type { Model, Stream } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import { countsNow, recount, type FilterState } from './filterState.js';
import { countLived, exposureOf, partsOf } from './lived.js';
import { meetCrew } from './newCrew.js';
import { isQuiet } from './silence.js';
import { endSitting, propagateUnentered } from './unenteredUse.js';

/**
 * Time passes: each stream of unlogged use leaves, is counted and arrives; its rate wanders. A quarter of a day that is
 * over counts for how often things are done and written down; a day, where uses are written in batches, or much is known.
 *
 * @returns whether such a part of the day has ended
 */
export function predict(model: Model, state: FilterState, toMs: number): boolean {
	const fromMs = state.atMs;
	if (fromMs === undefined) {
		state.atMs = state.firstMs = toMs;
		return false;
	}
	if (toMs <= fromMs) return false;
	endSitting(model, state, toMs);
	const byDays = model.unenteredRow.size > 0 || state.learned.days > PARAMETERS.cadenceKnownAfterDays;
	const endMs = model.wakingDay.lastEndMs(toMs, byDays ? 1 : 4);
	if (endMs <= fromMs) {
		flowUntil(model, state, toMs);
		return false;
	}
	flowUntil(model, state, endMs);
	// While it is quiet, nothing is learned of how often things are done: perhaps nobody writes.
	if (isQuiet(model, state)) {
		flowUntil(model, state, toMs);
		return true;
	}
	if (Number.isFinite(state.learned.atMs)) {
		const days = (endMs - state.learned.atMs) / DAY_MS;
		forgetWeeks(state.weeks, days);
		forgetWriting(state.writing, days);
	}
	state.learned = countsNow(state);
	const settled = state.learned.days > PARAMETERS.paceKnownAfterDays;
	if (!settled || endMs - state.recountedMs > PARAMETERS.recountEveryDays * DAY_MS) recount(model, state);
	flowUntil(model, state, toMs);
	return true;
}

function flowUntil(model: Model, state: FilterState, toMs: number): void {
	const flows = !model.statedRate || model.statedRate.mean > 0 || model.statedRate.sd > 0;
	for (const part of partsOf(model, state, state.atMs ?? toMs, toMs)) {
		const { fromMs, days, persons, weekday, often } = part;
		const step = stepAt(model.crew, fromMs);
		if (persons !== state.crew?.persons || (step?.anew && step.ms > state.crew.sinceMs))
			meetCrew(model, state, persons, fromMs, step?.anew);
		countLived(model, state, part, 1);
		if (days === 0) continue;
		if (flows) flowFor(model, state, { days, persons, weekday }, often);
		if (model.unenteredRow.size > 0) propagateUnentered(model, state, part);
	}
	state.atMs = toMs;
}

/** Unlogged use of some days of use, by so many persons, each habit so often of its usual. */
function flowFor(
	model: Model,
	state: FilterState,
	{ days, persons, weekday }: { readonly days: number; readonly persons: number; readonly weekday: number },
	often: (habit: Habit | undefined) => number
): void {
	const { belief, unloggedL: unlogged } = state;
	const { streams } = model;
	const count = streams.length;
	const exposure = new Float64Array(count);
	let usesADay = 0;
	for (let s = 0; s < count; s++) {
		const { perPerson, lumpL, habit } = streams[s] as Stream;
		exposure[s] = often(habit) * exposureOf(days, persons, perPerson);
		usesADay += ((unlogged[s] as number) * (exposure[s] as number)) / lumpL / days;
	}
	// Rare lumps are skewed; see the table of parameters.
	const skew = 1 + PARAMETERS.rareLumpsVarianceShare / (1 + usesADay);
	const network = model.network(state);
	if (model.weekendRow === undefined) belief.propagateNetwork(network, exposure);
	else flowOnWeekday(belief, model.weekendRow, network, weekday, unlogged, exposure);
	const variances = new Float64Array(count);
	const together = new Float64Array(count);
	for (let s = 0; s < count; s++) {
		const { lumpL, broad, index, usualL } = streams[s] as Stream;
		if (broad.sd === 0 || exposure[s] === 0) continue;
		// Unlogged uses come at random, each a lump: the variance of a compound Poisson process; and each habit has its
		// busy and quiet days.
		const amount = (unlogged[s] as number) * (exposure[s] as number);
		variances[s] = amount * lumpL * skew + (PARAMETERS.habitDayFactorSd * amount) ** 2 / days;
		// A day is a busy or a quiet one for all of it.
		together[s] = (PARAMETERS.dayFactorSd * amount) / Math.sqrt(days);
		const scale = model.statedRate
			? broad.sd
			: Math.max(unlogged[s] as number, PARAMETERS.rateWalkLeastShare * usualL);
		belief.addNoiseAt(index, (PARAMETERS.rateWalkSdSharePerRootDay * scale) ** 2 * days);
	}
	belief.addNetworkNoise(network, variances, together);
}

/**
 * The same where weekends are not as other days, as far as readings have shown it: that share of what nobody writes down is one
 * more source.
 */
function flowOnWeekday(
	belief: Gaussian,
	row: number,
	{ sources, targets, gains }: FlowNetwork,
	weekday: number,
	unlogged: readonly number[],
	exposure: Float64Array
): void {
	const count = sources.length;
	const all = new Matrix(targets.length, count + 1);
	for (let t = 0; t < targets.length; t++) {
		let litres = 0;
		for (let s = 0; s < count; s++) {
			const gain = gains.at(t, s);
			all.set(t, s, gain);
			litres += gain * (unlogged[s] as number) * (exposure[s] as number);
		}
		all.set(t, count, litres);
	}
	const more = new Float64Array(count + 1);
	more.set(exposure);
	more[count] = weekendOf(weekday);
	const rows = new Int32Array(count + 1);
	rows.set(sources);
	rows[count] = row;
	belief.propagateNetwork({ sources: rows, targets, gains: all }, more);
}
