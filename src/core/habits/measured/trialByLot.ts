import { seeded } from '../../numerics/index.js';
import { dayPlus, zonedIso, zonedMs } from '../../time/index.js';
import { instantMs, type EntryDraft, type EntryOf } from '../../logbook/index.js';

/** Days of a trial: in each pair of days one is with the measure and one without. */
export const TRIAL_DAYS = [6, 8, 10, 14] as const;

/** A day of use begins: nobody has washed yet. */
const BEGINS_HOUR = 5;

/**
 * Which days of a trial are with the measure, drawn by lot within each pair of days, so that weather and mood fall on
 * either side alike.
 *
 * @param days an even number
 */
export function daysByLot(seed: number, days: number): readonly boolean[] {
	const random = seeded(seed);
	return Array.from({ length: Math.floor(days / 2) }, () => {
		const first = (random.bits() & 1) === 1;
		return [first, !first];
	}).flat();
}

/**
 * The entries that switch a measure on and off through a trial, from the next morning on; the last one ends it as it was
 * before.
 *
 * @param trial the id that its entries bear
 * @param before whether the measure is on now
 */
export function trialEntries(
	{ measure, trial, before }: { readonly measure: string; readonly trial: string; readonly before: boolean },
	lot: readonly boolean[],
	nowMs: number,
	timeZone: string
): readonly EntryDraft[] {
	const today = zonedIso(nowMs, timeZone).slice(0, 10);
	const at = (day: number): string =>
		zonedIso(zonedMs(dayPlus(today, day + 1), timeZone, BEGINS_HOUR), timeZone);
	const switched = [...lot, before].map((on, day): EntryDraft => ({
		kind: 'measure',
		measure,
		on,
		at: at(day),
		trial
	}));
	// A day that goes on as the one before needs no entry, but the first and the last mark the trial.
	return switched.filter((_, i) => i === 0 || i === lot.length || lot[i] !== lot[i - 1]);
}

/**
 * What ends a trial before its time: the entries to come are taken back, and the measure is switched to what the last of
 * them would have left it at.
 *
 * @param own the entries of the trial
 * @param on whether the measure is on now
 * @returns the ids to be taken back, and how to switch; nothing to switch when it is so already
 */
export function endingTrial(
	own: readonly EntryOf<'measure'>[],
	nowMs: number,
	on: boolean
): { readonly ahead: readonly string[]; readonly switchTo?: boolean } {
	const ahead = own.filter(({ at }) => instantMs(at) > nowMs);
	const after = ahead.at(-1)?.on ?? on;
	return { ahead: ahead.map(({ id }) => id), ...(after === on ? {} : { switchTo: after }) };
}
