import { personsAt, type Estimate } from '../estimate/index.js';
import { instantMs, type Entry, type EntryOf, type Meter } from '../logbook/index.js';
import { litresPerUnit } from '../rig/index.js';
import { DAY_MS, splitAt } from '../time/index.js';

/** What a meter counted while nobody was aboard. */
export interface Drip {
	readonly instrument: string;
	readonly name: string;
	readonly litres: number;
	readonly perDayL: number;
	readonly sinceMs: number;
	readonly untilMs: number;
}

/** A drip is brought up for so long, ms; less than so much is a tap that was wrung out, litres and litres a day. */
const LOOK_BACK_MS = 8 * DAY_MS;
const LEAST_L = 1;
const LEAST_A_DAY_L = 0.3;
/** Somebody was there for at most so much of the time between two readings. */
const MOST_ABOARD = 0.25;

/** Times of which somebody said that nobody was there. */
const awayTimes = (entries: readonly Entry[]): readonly (readonly [fromMs: number, toMs: number])[] =>
	entries.flatMap((entry) =>
		entry.kind === 'gap' && entry.lived === 'away'
			? [[instantMs(entry.since), instantMs(entry.at)] as const]
			: []
	);

/** Days between two instants in which somebody was aboard. */
function daysAboard({ model, entries }: Estimate, fromMs: number, toMs: number): number {
	const away = awayTimes(entries);
	const cuts = [...model.crew.steps.map(({ ms }) => ms), ...away.flat()].map((ms) => ({ ms }));
	return splitAt(
		fromMs,
		toMs,
		cuts.sort((a, b) => a.ms - b.ms)
	).reduce(
		(sum, [from, to]) =>
			personsAt(model.crew, from) > 0 && !away.some(([a, b]) => a <= from && to <= b)
				? sum + (to - from) / DAY_MS
				: sum,
		0
	);
}

/**
 * Meters at the pump that went on while nobody was aboard, between the last two readings: something drips.
 *
 * @param dailyL litres a day that are drawn while somebody is aboard
 */
export function dripsIn(estimate: Estimate, dailyL: number): readonly Drip[] {
	const { model, entries, atMs } = estimate;
	return model.rig.instruments
		.filter((one): one is Meter => one.kind === 'meter' && one.place === 'pump')
		.flatMap((meter): readonly Drip[] => {
			const read = entries.filter(
				(entry): entry is EntryOf<'reading'> => entry.kind === 'reading' && entry.instrument === meter.id
			);
			const [before, last] = read.slice(-2);
			if (
				!before ||
				!last ||
				last.reset ||
				typeof before.value !== 'number' ||
				typeof last.value !== 'number'
			)
				return [];
			const [sinceMs, untilMs] = [instantMs(before.at), instantMs(last.at)];
			const days = (untilMs - sinceMs) / DAY_MS;
			const aboard = daysAboard(estimate, sinceMs, untilMs);
			const used = entries.some(
				({ kind, at }) => kind === 'use' && instantMs(at) > sinceMs && instantMs(at) < untilMs
			);
			if (atMs - untilMs > LOOK_BACK_MS || used || !(days > 0) || aboard > MOST_ABOARD * days) return [];
			const counted = (last.value - before.value) * (meter.counts === 'up' ? 1 : -1);
			// What those who were there for an hour or two may have drawn is theirs.
			const litres = counted * litresPerUnit(meter) - 2 * dailyL * aboard;
			const perDayL = litres / (days - aboard);
			return litres >= LEAST_L && perDayL >= LEAST_A_DAY_L
				? [{ instrument: meter.id, name: meter.name, litres, perDayL, sinceMs, untilMs }]
				: [];
		});
}
