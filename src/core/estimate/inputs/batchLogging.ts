import { DAY_MS, MINUTE_MS } from '../../time/index.js';
import { instantMs, type Entry } from '../../logbook/index.js';
import * as PARAMETERS from '../parameters.js';

/** Lines written within so long of each other were written at one sitting, ms. */
export const SITTING_MS = PARAMETERS.sittingMinutes * MINUTE_MS;

/**
 * Whether uses are written down in batches, as in the evening for the whole day: of late, the lines of one sitting tell
 * of several uses, and there are few sittings a day.
 *
 * @param entries the rig's entries that count, in order
 */
export function writesInBatches(entries: readonly Entry[]): boolean {
	let [sittings, times, beforeMs] = [0, 0, Infinity];
	let [firstMs, lastMs] = [0, 0];
	for (let i = entries.length - 1; i >= 0; i--) {
		const entry = entries[i] as Entry;
		if (entry.kind !== 'use') continue;
		const ms = instantMs(entry.at);
		lastMs ||= ms;
		if (lastMs - ms > PARAMETERS.cadenceMemoryDays * DAY_MS) break;
		if (beforeMs - ms > SITTING_MS) sittings++;
		times += entry.times;
		beforeMs = firstMs = ms;
	}
	const days = 1 + (lastMs - firstMs) / DAY_MS;
	return (
		sittings >= PARAMETERS.batchLeastSittings &&
		times >= PARAMETERS.batchUsesPerSitting * sittings &&
		sittings <= PARAMETERS.batchMostSittingsPerDay * days
	);
}
