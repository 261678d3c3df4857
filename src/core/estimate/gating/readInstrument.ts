import type { EntryOf, Meter } from '../../logbook/index.js';
import { historyOf, remember, type DoubtCause, type FilterState } from '../filter/index.js';
import {
	displaySd,
	gaugeMeasurement,
	meterMeasurement,
	rodLitres,
	rodMeasurement,
	type Model
} from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import { assessReading } from './assessReading.js';

type Reading = EntryOf<'reading'>;

/** The meter was set: it counts from the value shown now, and what it had counted is forgotten. */
function restart(model: Model, state: FilterState, meter: Meter, value: number): void {
	const counted = model.countedRow.get(meter.id);
	if (counted === undefined) return;
	state.belief.replace(counted, 0, 0);
	remember(state, meter.id, { countsFrom: value });
}

/** How much a display rolled over by, displayed units; 0 when it did not. */
function rolledBy(before: number, value: number): number {
	const round = 10 ** Math.ceil(Math.log10(before + 1e-9));
	return round >= PARAMETERS.rolloverLeastUnits &&
		before >= PARAMETERS.rolloverFromShare * round &&
		value < PARAMETERS.rolloverToShare * round
		? round
		: 0;
}

const leaveOut = (state: FilterState, { id, instrument }: Reading, cause: DoubtCause): void =>
	void state.doubts.push({ entry: id, instrument, cause });

function readMeter(model: Model, state: FilterState, entry: Reading, meter: Meter): void {
	const { value } = entry;
	if (typeof value !== 'number') return;
	const base = historyOf(state, meter.id).countsFrom;
	if (entry.reset || base === undefined) return restart(model, state, meter, value);
	const counted = state.belief.mean[model.countedRow.get(meter.id) ?? -1] ?? 0;
	const before = base + counted / (meter.unitL * (meter.scale ?? 1));
	// From the next round on it counts from as much less, so that it may roll over again and again.
	const countsFrom = meter.counts === 'up' ? base - rolledBy(before, value) : base;
	remember(state, meter.id, { countsFrom });
	const measurement = meterMeasurement(model, state, meter, countsFrom, value);
	if (measurement.from < -displaySd(meter, value)) {
		leaveOut(state, entry, { kind: 'reset', shows: value, from: base, counts: meter.counts });
		return restart(model, state, meter, value);
	}
	assessReading(model, state, { entry, measurement, kind: 'meter', shadow: false });
}

/**
 * A reading as a measurement of the joint belief.
 *
 * @param failing instruments that are judged and not used
 */
export function readInstrument(
	model: Model,
	state: FilterState,
	entry: Reading,
	failing: ReadonlySet<string>
): void {
	const instrument = model.instruments.get(entry.instrument);
	if (!instrument) return;
	if (typeof entry.value === 'number' && entry.value < 0)
		return leaveOut(state, entry, { kind: 'below-nothing', shows: entry.value });
	if (instrument.kind === 'meter') return readMeter(model, state, entry, instrument);
	const place = model.places.get(instrument.tank);
	if (!place) return;
	if (instrument.kind === 'gauge') {
		const measurement = gaugeMeasurement(model, place, instrument, entry.value);
		if (!measurement) return leaveOut(state, entry, { kind: 'off-curve' });
		const shadow = failing.has(instrument.id);
		return assessReading(model, state, { entry, measurement, kind: 'gauge', shadow });
	}
	const dipped = rodLitres(model, instrument, entry);
	if (!dipped) return leaveOut(state, entry, { kind: 'no-shape' });
	assessReading(model, state, {
		entry,
		measurement: rodMeasurement(place, dipped),
		kind: 'rod',
		shadow: false
	});
}
