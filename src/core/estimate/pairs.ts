import { entriesUntil, instantMs, type Logbook } from '../logbook/index.js';
import { estimateFrom } from './estimate.js';
import { levelOf } from './levels.js';
import { modelOf } from './model.js';
import { step } from './step.js';
import { beforeAnything } from './tally.js';

/** What a gauge showed, and what everything else says was in its tank at that moment. */
export interface KnownReading {
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
 * @throws RangeError when the logbook has no such rig
 */
export function readingsBeside(
	logbook: Logbook,
	rigId: string,
	gaugeId: string,
	atMs: number
): readonly KnownReading[] {
	const rig = logbook.rigs.find(({ id }) => id === rigId);
	if (!rig) throw new RangeError(`there is no rig ${JSON.stringify(rigId)} in the logbook`);
	const gauge = rig.instruments.find(({ id }) => id === gaugeId);
	if (!gauge) return [];
	const all = entriesUntil(logbook.entries, rigId, atMs);
	const model = modelOf(rig, logbook.trips, all);
	const none: ReadonlySet<string> = new Set();
	const found: KnownReading[] = [];
	const tally = beforeAnything(model);
	for (const entry of all) {
		const own = entry.kind === 'reading' && entry.instrument === gaugeId;
		if (!own) step(model, tally, entry, none);
		else if (tally.atMs !== undefined) {
			const level = levelOf(estimateFrom(model, tally, none, [], instantMs(entry.at)), gauge.tank);
			found.push({ entry: entry.id, at: entry.at, reads: entry.value, litres: level.mean, sd: level.sd });
		}
	}
	return found;
}
