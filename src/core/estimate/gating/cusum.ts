import type { EntryOf } from '../../logbook/index.js';
import { historyOf, remember, type FilterState } from '../filter/index.js';
import type { Measurement, Model } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import { isFresh, type Innovation } from './innovation.js';

type Reading = EntryOf<'reading'>;

/** A gauge gives reason for suspicion: it is looked at without itself (see `Replay`). */
export function suspectGauge(state: FilterState, gauge: string): void {
	const atMs = state.atMs ?? 0;
	const sinceMs = historyOf(state, gauge).suspicion?.sinceMs ?? atMs;
	remember(state, gauge, { suspicion: { sinceMs, lastMs: atMs } });
}

/**
 * How strained a gauge's readings are of late (Page's cumulative sum, 1954, of −ln of each one's chance): readings
 * that are each just possible, one after the other, are not those of an honest gauge. While the gauge counts it
 * drags the belief along, so that a small strain only asks for a look without it.
 */
export function strainCusum(
	state: FilterState,
	{ instrument }: Reading,
	chance: number,
	shadow: boolean
): number {
	const surprise = -Math.log(Math.max(chance, 1e-12));
	const before = historyOf(state, instrument).strain ?? { strainNats: 0, suspicionNats: 0 };
	const strainNats = Math.max(
		0,
		Math.min(before.strainNats, PARAMETERS.strainCusumLimitNats) + surprise - PARAMETERS.strainCusumSlackNats
	);
	const suspicionNats = Math.max(
		0,
		Math.min(before.suspicionNats, 2 * PARAMETERS.suspicionCusumLimitNats) +
			surprise -
			PARAMETERS.suspicionCusumSlackNats
	);
	remember(state, instrument, { strain: { strainNats, suspicionNats } });
	if (!shadow && suspicionNats > PARAMETERS.suspicionCusumLimitNats) suspectGauge(state, instrument);
	return strainNats;
}

/**
 * Readings that lie a little lower, time after time, than the meter's account (a cumulative sum of deviations): water
 * goes where nothing counts it, or does not arrive where it should. Once the sum is reached it is noted, and from there
 * on the account of this tank is worth less.
 */
export function lossCusum(
	model: Model,
	state: FilterState,
	{ instrument }: Reading,
	{ pool, giveWay }: Measurement,
	{ gapL, sdL }: Innovation
): void {
	const counts = model.rig.instruments.some(
		({ id, kind }) => kind === 'meter' && historyOf(state, id).countsFrom !== undefined
	);
	if (!counts) return;
	const atMs = state.atMs ?? 0;
	const before = historyOf(state, instrument).loss ?? { sumSds: 0, litres: 0, sinceMs: atMs };
	const sumSds = Math.max(0, before.sumSds - gapL / sdL - PARAMETERS.lossCusumSlackSds);
	const loss =
		sumSds === 0 ? { sumSds, litres: 0, sinceMs: atMs } : { ...before, sumSds, litres: before.litres - gapL };
	if (sumSds < PARAMETERS.lossCusumLimitSds) return remember(state, instrument, { loss });
	state.imbalances.push({
		kind: isFresh(model, pool) ? 'leak' : 'not-arriving',
		pool,
		afterMs: loss.sinceMs,
		beforeMs: atMs,
		litres: loss.litres
	});
	state.belief.addNoise(giveWay, loss.litres ** 2);
	remember(state, instrument, { loss: { sumSds: 0, litres: 0, sinceMs: atMs } });
}
