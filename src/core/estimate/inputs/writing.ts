import { DAY_MS, HOUR_MS, type WakingDay } from '../../time/index.js';
import * as PARAMETERS from '../parameters.js';
import { SITTING_MS } from './batchLogging.js';

/** Parts of the local day by which it is known when somebody writes. */
const PARTS = 8;
const HOURS_OF_PART = 24 / PARTS;

/** When uses were written down: at how many sittings in each part of the local day; what is older weighs less. */
export interface WritingCounts {
	readonly sittings: Float64Array;
	/** waking days in which somebody wrote */
	days: number;
	/** when the last use was written down, ms */
	lastMs: number | undefined;
	/** times that nobody wrote for a while: how many, and of how many of them a person said that one lived on, or was away */
	silences: number;
	lived: number;
	away: number;
}

export const noWriting = (): WritingCounts => ({
	sittings: new Float64Array(PARTS),
	days: 0,
	lastMs: undefined,
	silences: 0,
	lived: 0,
	away: 0
});

export const copyOfWriting = (counts: WritingCounts): WritingCounts => ({
	...counts,
	sittings: counts.sittings.slice()
});

/** What is older weighs less, in place: how much of it after so many days. */
export function forgetWriting(counts: WritingCounts, afterDays: number): void {
	const left = Math.exp(-afterDays / PARAMETERS.writingMemoryDays);
	for (let part = 0; part < PARTS; part++) counts.sittings[part] = left * (counts.sittings[part] as number);
	counts.days *= left;
}

const partAt = (wakingDay: WakingDay, ms: number): number =>
	Math.min(PARTS - 1, Math.floor(wakingDay.hour(ms) / HOURS_OF_PART));

/** A use was written down; some waking days since the last one were of a silence. */
export function noteWriting(
	counts: WritingCounts,
	wakingDay: WakingDay,
	ms: number,
	silentDays: number
): void {
	const { lastMs } = counts;
	counts.lastMs = ms;
	if (lastMs !== undefined && ms - lastMs < SITTING_MS) return;
	const part = partAt(wakingDay, ms);
	counts.sittings[part] = (counts.sittings[part] as number) + 1;
	if (lastMs !== undefined) counts.days += Math.max(0, wakingDay.days(lastMs, ms) - silentDays);
}

/** Sittings a day, as they were. */
export const sittingsADay = ({ sittings, days }: WritingCounts): number =>
	sittings.reduce((sum, count) => sum + count, 0) / (days + PARAMETERS.writingPriorDays);

/** A time cut where parts of the local day end, with the sittings that each part would have brought. */
export function writingExpected(
	counts: WritingCounts,
	wakingDay: WakingDay,
	fromMs: number,
	toMs: number
): readonly { readonly fromMs: number; readonly toMs: number; readonly sittings: number }[] {
	const prior = PARAMETERS.writingPriorDays;
	const aDay = sittingsADay(counts);
	const parts: { fromMs: number; toMs: number; sittings: number }[] = [];
	for (let at = fromMs; at < toMs;) {
		const part = partAt(wakingDay, at);
		const leftMs = (HOURS_OF_PART * (part + 1) - wakingDay.hour(at)) * HOUR_MS;
		const next = Math.min(toMs, at + Math.max(leftMs, 1));
		// Before it is known when somebody writes, it is as water is used.
		const usual = (prior * aDay * wakingDay.days(at, next)) / (counts.days + prior);
		const seen =
			((counts.sittings[part] as number) / (counts.days + prior)) * ((next - at) / (DAY_MS / PARTS));
		parts.push({ fromMs: at, toMs: next, sittings: seen + usual });
		at = next;
	}
	return parts;
}
