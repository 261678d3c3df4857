import { entriesUntil, instantMs, type Logbook } from '../logbook/index.js';
import { step, type Estimate } from './estimate.js';
import { levelOf } from './levels.js';
import { modelOf } from './model.js';
import { beforeAnything, type Tally } from './tally.js';
import { passTime } from './moves.js';

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
	const isOwn = (entry: (typeof all)[number]): boolean =>
		entry.kind === 'reading' && entry.instrument === gaugeId;
	const others = all.filter((entry) => !isOwn(entry));
	const model = modelOf(rig, logbook.trips, others, atMs);
	const found: KnownReading[] = [];
	let tally: Tally = beforeAnything(model);
	for (const entry of all) {
		if (!isOwn(entry)) {
			tally = step(model, tally, entry);
			continue;
		}
		if (entry.kind !== 'reading' || tally.atMs === undefined) continue;
		tally = passTime(model, tally, instantMs(entry.at));
		const then: Estimate = { model, tally, atMs: instantMs(entry.at), entries: [] };
		const level = levelOf(then, gauge.tank);
		found.push({ entry: entry.id, at: entry.at, reads: entry.value, litres: level.mean, sd: level.sd });
	}
	return found;
}
