import { DAY_MS, personStretches } from '../prior/crew.js';
import type { Model, Stream } from './model.js';
import { PARAMETERS } from '../parameters.js';
import { recount, type FilterState } from './filterState.js';

/** The counted rates are looked at again after this long. */
const RECOUNT_MS = DAY_MS / 4;

/**
 * Time passes: each stream of unlogged use leaves, is counted and arrives; its rate wanders.
 *
 * @returns whether the counted rates were brought up to date on the way, as they are a few times a day
 */
export function passTime(model: Model, state: FilterState, toMs: number): boolean {
	const fromMs = state.atMs;
	if (fromMs === undefined) {
		state.atMs = state.firstMs = toMs;
		return false;
	}
	if (toMs <= fromMs) return false;
	const flows = !model.statedRate || model.statedRate.mean > 0 || model.statedRate.sd > 0;
	let at = fromMs;
	for (const [days, persons] of personStretches(model.crew, fromMs, toMs)) {
		const next = at + days * DAY_MS;
		const used = model.wake(at, next);
		state.days += used;
		state.personDays += used * persons;
		if (flows && used > 0) passDays(model, state, used, persons);
		at = next;
	}
	state.atMs = toMs;
	if (toMs - state.countedMs < RECOUNT_MS) return false;
	recount(model, state);
	return true;
}

function passDays(model: Model, state: FilterState, days: number, persons: number): void {
	const { belief } = state;
	const together: [index: number, litres: number][] = [];
	const exposureOf = ({ perPerson }: Stream): number => days * (perPerson ? persons : persons > 0 ? 1 : 0);
	let usesADay = 0;
	model.streams.forEach((stream, a) => {
		usesADay += (Math.max(0, state.unlogged[a] ?? 0) * exposureOf(stream)) / stream.lumpL / days;
	});
	// Rare lumps are skewed; see the table of noises.
	const skew = 1 + PARAMETERS.rareLumps / (1 + usesADay);
	model.streams.forEach((stream, a) => {
		const gains = stream.gains(state);
		const exposure = exposureOf(stream);
		if (gains.length === 0 || exposure === 0) return;
		belief.flow(stream.index, gains, exposure);
		if (stream.broad.sd === 0) return;
		// Unlogged uses come at random, each a lump: the variance of a compound Poisson process.
		const amount = Math.max(0, state.unlogged[a] ?? 0) * exposure;
		belief.doubt(gains, amount * stream.lumpL * skew);
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
