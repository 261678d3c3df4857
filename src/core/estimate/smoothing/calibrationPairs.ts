import { entriesUntil, instantMs, type Logbook } from '../../logbook/index.js';
import { estimateFrom, initialState, levelWithin, placeOf } from '../filter/index.js';
import { step } from '../gating/index.js';
import { modelOf } from '../model/index.js';

/** What a gauge showed, and what everything else says was in its tank at that moment. */
export interface CalibrationPair {
	readonly entry: string;
	readonly at: string;
	readonly reads: string | number;
	readonly litres: number;
	readonly sd: number;
}

/**
 * The readings of one gauge beside the level that all other entries give for the same moment: pairs to learn its
 * curve from, the gauge itself left out so that it cannot vouch for itself.
 *
 * @param home the zone of the rig's person; the rig's own when absent
 * @throws RangeError when the logbook has no such rig
 */
export function calibrationPairs(
	logbook: Logbook,
	rigId: string,
	gaugeId: string,
	atMs: number,
	home?: string
): readonly CalibrationPair[] {
	const rig = logbook.rigs.find(({ id }) => id === rigId);
	if (!rig) throw new RangeError(`there is no rig ${JSON.stringify(rigId)} in the logbook`);
	const gauge = rig.instruments.find(({ id }) => id === gaugeId);
	if (!gauge) return [];
	const all = entriesUntil(logbook.entries, rigId, atMs);
	const model = modelOf(rig, logbook.trips, all, { home });
	const none: ReadonlySet<string> = new Set();
	const found: CalibrationPair[] = [];
	const state = initialState(model);
	for (const entry of all) {
		const own = entry.kind === 'reading' && entry.instrument === gaugeId;
		if (!own) step(model, state, entry, none);
		else if (state.atMs !== undefined) {
			const { belief } = estimateFrom(model, state, none, [], instantMs(entry.at));
			const level = levelWithin(placeOf(model, gauge.tank), belief);
			found.push({ entry: entry.id, at: entry.at, reads: entry.value, litres: level.mean, sd: level.sd });
		}
	}
	return found;
}
