import type { Meter } from '../../logbook/index.js';
import { historyOf, posteriorOf, remember, type DoubtCause, type FilterState } from '../filter/index.js';
import { meterMeasurement, type Model } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import { innovationOf } from './innovation.js';

/** The meter was set: it counts from the value shown now, and what it had counted is forgotten. */
export function restart(model: Model, state: FilterState, meter: Meter, value: number): void {
	const counted = model.countedRow.get(meter.id);
	if (counted === undefined) return;
	state.belief.replace(counted, 0, 0);
	remember(state, meter.id, { countsFrom: value, leastL: undefined });
}

/** From which value a meter may count, and how much more or less has passed since than its row of the state says, litres. */
interface Count {
	readonly countsFrom: number;
	readonly more: { readonly mean: number; readonly variance: number };
}
const NO_MORE: Count['more'] = { mean: 0, variance: 0 };

/** How many deviations a figure would be off if the meter counts so. */
function deviations(model: Model, state: FilterState, meter: Meter, value: number, count: Count): number {
	const measurement = meterMeasurement(model, state, meter, count.countsFrom, value);
	if (measurement.to < 0) return Infinity;
	const { mean, variance } = posteriorOf(state, measurement.h);
	const { gapL, sdL } = innovationOf(
		{ mean: mean + count.more.mean, variance: Math.max(0, variance + count.more.variance) },
		measurement
	);
	return Math.abs(gapL) / sdL;
}

/** Figures that somebody may have meant who wrote another: its point a place on or back, or two of its digits changed over. */
function figuresNear(shows: number): readonly number[] {
	const digits = String(shows);
	const changed = [...digits].slice(1).map((digit, i) => {
		const before = digits[i] as string;
		return Number(digits.slice(0, i) + digit + before + digits.slice(i + 2));
	});
	return [shows / 10, shows * 10, ...changed].filter((one) => Number.isFinite(one) && one !== shows);
}

/** The figure most likely meant by one that does not fit, where there is one that does. */
export function meantBy(
	model: Model,
	state: FilterState,
	meter: Meter,
	countsFrom: number,
	shows: number
): number | undefined {
	const [nearest] = figuresNear(shows)
		.map((figure) => ({
			figure,
			off: deviations(model, state, meter, figure, { countsFrom, more: NO_MORE })
		}))
		.sort((a, b) => a.off - b.off);
	return nearest && nearest.off <= PARAMETERS.mistypedWithinSds ? nearest.figure : undefined;
}

/**
 * A figure on the wrong side of the one that a meter counts from: it was set without a word of it, or the figure was mistyped, where a
 * likely slip of the pen explains it. The next reading may tell otherwise.
 *
 * @returns why the reading is left out
 */
export function seemsReset(
	model: Model,
	state: FilterState,
	meter: Meter,
	{
		entry,
		shows,
		countsFrom
	}: { readonly entry: string; readonly shows: number; readonly countsFrom: number }
): DoubtCause {
	const counted = model.countedRow.get(meter.id) ?? -1;
	const passed = posteriorOf(state, [[counted, 1]]);
	const meant = meantBy(model, state, meter, countsFrom, shows);
	if (meant === undefined) restart(model, state, meter, shows);
	remember(state, meter.id, { odd: { entry, shows, countsFrom, passed } });
	return meant === undefined
		? { kind: 'reset', shows, from: countsFrom, counts: meter.counts }
		: { kind: 'mistyped', shows, meant };
}

/** The reading after one that was on the wrong side: whether it goes on from that one, or from those before it. */
export function weighReset(model: Model, state: FilterState, meter: Meter, value: number): void {
	const { odd, countsFrom } = historyOf(state, meter.id);
	const counted = model.countedRow.get(meter.id);
	if (!odd || countsFrom === undefined || counted === undefined) return;
	remember(state, meter.id, { odd: undefined });
	const { belief } = state;
	const { passed, shows } = odd;
	const wasSet = countsFrom === shows;
	const other: Count = wasSet
		? { countsFrom: odd.countsFrom, more: passed }
		: { countsFrom: shows, more: { mean: -passed.mean, variance: -passed.variance } };
	const off = deviations(model, state, meter, value, other);
	const offAsIs = deviations(model, state, meter, value, { countsFrom, more: NO_MORE });
	if (!(off <= PARAMETERS.gateSds && off < offAsIs)) return;
	const mean = (belief.mean[counted] as number) + other.more.mean;
	if (wasSet) {
		belief.mean[counted] = mean;
		belief.addNoiseAt(counted, passed.variance);
	} else belief.replace(counted, mean, Math.sqrt(Math.max(0, belief.sdOf(counted) ** 2 - passed.variance)));
	remember(state, meter.id, { countsFrom: other.countsFrom });
	const cause: DoubtCause = wasSet
		? { kind: 'mistyped', shows }
		: { kind: 'reset', shows, from: odd.countsFrom, counts: meter.counts };
	state.doubts = state.doubts.map((doubt) => (doubt.entry === odd.entry ? { ...doubt, cause } : doubt));
}
