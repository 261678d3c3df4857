import { DAY_MS, dayPlus, zonedMs, zonedTime } from '../time/index.js';
import { instantMs } from './order.js';
import type { Entry } from './types.js';

/** A log that has been silent for so long has stopped: nobody is aboard, or nobody writes, days. */
const SILENT_DAYS = 7;

/**
 * Until when a stretch is known: to its end, or, where the log stopped long before, to the end of the last day that was
 * written down. What nobody wrote down is reckoned from who is aboard: of a rig that stands at home it would tell of water that nobody drew.
 *
 * @param entries of the rig, that count, in order
 */
export function knownUntil(entries: readonly Entry[], toMs: number, timeZone: string): number {
	const last = entries.findLast(({ at }) => instantMs(at) <= toMs);
	if (!last) return toMs;
	const endMs = zonedMs(dayPlus(zonedTime(instantMs(last.at), timeZone).day, 1), timeZone);
	return toMs - endMs > SILENT_DAYS * DAY_MS ? endMs : toMs;
}
