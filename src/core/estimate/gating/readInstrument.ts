import type { EntryOf, Meter } from '../../logbook/index.js';
import { historyOf, remember, type DoubtCause, type FilterState } from '../filter/index.js';
import {
	displaySd,
	gaugeMeasurement,
	meterMeasurement,
	rodLitres,
	rodMeasurement,
	type Measurement,
	type Model
} from '../model/index.js';
import { litresPerUnit, rolledBy } from '../../rig/index.js';
import { assessReading } from './assessReading.js';
import { restart, seemsReset, weighReset } from './meterReset.js';

type Reading = EntryOf<'reading'>;

const leaveOut = (state: FilterState, { id, instrument }: Reading, cause: DoubtCause): void =>
	void state.doubts.push({ entry: id, instrument, cause });

/** The displayed value from which a meter counts by now; nothing before it was first read. */
function countsFromNow(model: Model, state: FilterState, meter: Meter, value: number): number | undefined {
	const base = historyOf(state, meter.id).countsFrom;
	if (base === undefined || meter.counts === 'down') return base;
	const counted = state.belief.mean[model.countedRow.get(meter.id) ?? -1] ?? 0;
	// From the next round on it counts from as much less, so that it may roll over again and again.
	return base - rolledBy(base + counted / litresPerUnit(meter), value);
}

function readMeter(model: Model, state: FilterState, entry: Reading, meter: Meter): void {
	const { value } = entry;
	if (typeof value !== 'number') return;
	if (!entry.reset) weighReset(model, state, meter, value);
	const base = historyOf(state, meter.id).countsFrom;
	const countsFrom = countsFromNow(model, state, meter, value);
	if (entry.reset || base === undefined || countsFrom === undefined)
		return restart(model, state, meter, value);
	remember(state, meter.id, { countsFrom });
	const measurement = meterMeasurement(model, state, meter, countsFrom, value);
	if (measurement.from < -displaySd(meter, value)) {
		const odd = { entry: entry.id, shows: value, countsFrom };
		return leaveOut(state, entry, seemsReset(model, state, meter, odd));
	}
	if (measurement.to > measurement.from) remember(state, meter.id, { leastL: measurement.from });
	assessReading(model, state, { entry, measurement, kind: 'meter', shadow: false });
}

/**
 * What a reading says of the state as it stands, without being weighed; nothing where it says nothing of it: a meter's first
 * value, one that was set, a value that its curve has not.
 */
export function measurementOf(model: Model, state: FilterState, entry: Reading): Measurement | undefined {
	const { value } = entry;
	const instrument = model.instruments.get(entry.instrument);
	if (!instrument || (typeof value === 'number' && value < 0)) return undefined;
	if (instrument.kind === 'meter') {
		if (typeof value !== 'number' || entry.reset) return undefined;
		const countsFrom = countsFromNow(model, state, instrument, value);
		if (countsFrom === undefined) return undefined;
		const measurement = meterMeasurement(model, state, instrument, countsFrom, value);
		return measurement.from < 0 ? undefined : measurement;
	}
	const place = model.places.get(instrument.tank);
	if (!place) return undefined;
	if (instrument.kind === 'gauge') return gaugeMeasurement(model, place, instrument, entry);
	const dipped = rodLitres(model, instrument, entry);
	return dipped && rodMeasurement(place, dipped);
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
		const measurement = gaugeMeasurement(model, place, instrument, entry);
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
