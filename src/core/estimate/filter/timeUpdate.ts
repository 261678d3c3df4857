import { DAY_MS, personStretches } from '../prior/crew.js';
import { PARAMETERS } from '../parameters.js';
import { countsNow, recount, type FilterState } from './filterState.js';
import type { Model } from './model.js';
import { endSitting, passPending } from './pending.js';
import type { Stream } from './streams.js';

/**
 * Time passes: each stream of unlogged use leaves, is counted and arrives; its rate wanders. A quarter of a day that is
 * over counts for how often things are done and written down; a day, where uses are written in batches.
 *
 * @returns whether such a part of the day has ended
 */
export function passTime(model: Model, state: FilterState, toMs: number): boolean {
	const fromMs = state.atMs;
	if (fromMs === undefined) {
		state.atMs = state.firstMs = toMs;
		return false;
	}
	if (toMs <= fromMs) return false;
	endSitting(model, state, toMs);
	const endMs = model.diurnalUse.lastEndMs(toMs, model.pending.size > 0 ? 1 : 4);
	if (endMs <= fromMs) {
		flowUntil(model, state, toMs);
		return false;
	}
	flowUntil(model, state, endMs);
	state.learned = countsNow(state);
	recount(model, state);
	flowUntil(model, state, toMs);
	return true;
}

function flowUntil(model: Model, state: FilterState, toMs: number): void {
	const fromMs = state.atMs ?? toMs;
	const flows = !model.statedRate || model.statedRate.mean > 0 || model.statedRate.sd > 0;
	let at = fromMs;
	for (const [days, persons] of personStretches(model.crew, fromMs, toMs)) {
		const next = at + days * DAY_MS;
		const used = model.diurnalUse.days(at, next);
		state.days += used;
		state.personDays += used * persons;
		if (flows && used > 0) flowFor(model, state, used, persons);
		if (model.pending.size > 0 && used > 0) passPending(model, state, used, persons);
		at = next;
	}
	state.atMs = toMs;
}

/** Unlogged use of some days of use, by so many persons. */
function flowFor(model: Model, state: FilterState, days: number, persons: number): void {
	const { belief } = state;
	const together: [index: number, litres: number][] = [];
	const exposureOf = ({ perPerson }: Stream): number => days * (perPerson ? persons : persons > 0 ? 1 : 0);
	let usesADay = 0;
	model.streams.forEach((stream, a) => {
		usesADay += ((state.unlogged[a] ?? 0) * exposureOf(stream)) / stream.lumpL / days;
	});
	// Rare lumps are skewed; see the table of parameters.
	const skew = 1 + PARAMETERS.rareLumps / (1 + usesADay);
	model.streams.forEach((stream, a) => {
		const gains = stream.gains(state);
		const exposure = exposureOf(stream);
		if (gains.length === 0 || exposure === 0) return;
		belief.flow(stream.index, gains, exposure);
		if (stream.broad.sd === 0) return;
		// Unlogged uses come at random, each a lump: the variance of a compound Poisson process; and each habit has its
		// busy and quiet days.
		const amount = (state.unlogged[a] ?? 0) * exposure;
		belief.doubt(gains, amount * stream.lumpL * skew + (PARAMETERS.habitDayDiffers * amount) ** 2 / days);
		for (const [index, gain] of gains) {
			const sum = together.find(([of]) => of === index);
			if (sum) sum[1] += amount * gain;
			else together.push([index, amount * gain]);
		}
		const scale = model.statedRate ? stream.broad.sd : stream.broad.sd / PARAMETERS.broad;
		belief.doubt([[stream.index, 1]], (PARAMETERS.rateWalk * scale) ** 2 * days);
	});
	// A day is a busy or a quiet one for all of it.
	belief.doubt(together, PARAMETERS.dayDiffers ** 2 / days);
}
