import type { EntryOf } from '../../logbook/index.js';
import * as PARAMETERS from '../../parameters.js';
import type { FilterState, Measurement, Model } from '../filter/index.js';
import { isFresh, type Innovation } from './innovation.js';

type Reading = EntryOf<'reading'>;

/** A gauge gives reason for suspicion: it is looked at without itself (see `Replay`). */
export function hint(state: FilterState, gauge: string): void {
	const atMs = state.atMs ?? 0;
	state.hinted.set(gauge, { sinceMs: state.hinted.get(gauge)?.sinceMs ?? atMs, lastMs: atMs });
}

/**
 * How strained a gauge's readings are of late (Page's cumulative sum, 1954, of −ln of each one's chance): readings
 * that are each just possible, one after the other, are not those of an honest gauge. While the gauge counts it
 * drags the belief along, so that a small strain only asks for a look without it.
 */
export function strainOf(
	state: FilterState,
	{ instrument }: Reading,
	chance: number,
	shadow: boolean
): number {
	const surprise = -Math.log(Math.max(chance, 1e-12));
	const before = state.strain.get(instrument) ?? { sum: 0, hint: 0 };
	const now = {
		sum: Math.max(0, Math.min(before.sum, PARAMETERS.strain) + surprise - PARAMETERS.strainSlack),
		hint: Math.max(0, Math.min(before.hint, 2 * PARAMETERS.hint) + surprise - PARAMETERS.hintSlack)
	};
	state.strain.set(instrument, now);
	if (!shadow && now.hint > PARAMETERS.hint) hint(state, instrument);
	return now.sum;
}

/**
 * Readings that lie a little lower, time after time, than the meter's account (a cumulative sum of deviations): water
 * goes where nothing counts it, or does not arrive where it should. Once the sum is reached it is noted, and from there
 * on the account of this tank is worth less.
 */
export function lossOf(
	model: Model,
	state: FilterState,
	{ instrument }: Reading,
	{ pool, giveWay }: Measurement,
	{ gapL, sdL }: Innovation
): void {
	const counts = model.rig.instruments.some(
		({ id, kind }) => kind === 'meter' && model.counted.has(id) && state.meterBase.has(id)
	);
	if (!counts) return;
	const atMs = state.atMs ?? 0;
	const before = state.drift.get(instrument) ?? { sum: 0, litres: 0, sinceMs: atMs };
	const sum = Math.max(0, before.sum - gapL / sdL - PARAMETERS.driftSlack);
	const now =
		sum === 0 ? { sum, litres: 0, sinceMs: atMs } : { ...before, sum, litres: before.litres - gapL };
	if (sum < PARAMETERS.drift) return void state.drift.set(instrument, now);
	state.imbalances.push({
		kind: isFresh(model, pool) ? 'leak' : 'not-arriving',
		pool,
		afterMs: now.sinceMs,
		beforeMs: atMs,
		litres: now.litres
	});
	state.belief.doubt(giveWay, now.litres ** 2);
	state.drift.set(instrument, { sum: 0, litres: 0, sinceMs: atMs });
}
