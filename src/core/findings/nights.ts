import { deviation } from 'd3-array';
import { litresRead, type Estimate } from '../estimate/index.js';
import { aheadNow, dayAhead, litresPerDay } from '../habits/index.js';
import { instantMs, type Entry, type EntryOf, type Instrument } from '../logbook/index.js';
import { meanOf } from '../numerics/index.js';
import { litresPerUnit } from '../rig/index.js';
import { DAY_MS, HOUR_MS } from '../time/index.js';

/** Water that goes while everybody sleeps: what an instrument told from evening to morning, night after night. */
export interface NightDrip {
	readonly instrument: string;
	readonly name: string;
	readonly perDayL: number;
	readonly nights: number;
	readonly sinceMs: number;
}

type Reading = EntryOf<'reading'>;

/** So many of the last days are looked at, and so many nights must agree. */
const LOOK_BACK_MS = 10 * DAY_MS;
const LEAST_NIGHTS = 3;
/** A night is read from late in the evening to the morning: hours of the day, and of its length. */
const [EVENING, AFTER_MIDNIGHT, MORNING] = [20, 2, 10];
const [SHORTEST_H, LONGEST_H] = [4, 14];
/** Less than this goes in a night by a hand that was washed, litres. */
const LEAST_L = 0.4;
/** So many standard errors of their mean the nights must be above that. */
const SURE = 3;
/** Two looks at one gauge on one night differ by less than its own doubt: most of that is the same both times. */
const SAME_ERROR = 0.3;
/** Of what is drawn in a day so much goes between the last reading of an evening and the first of the morning, as a share. */
const USUAL_SHARE = 0.05;
/** A meter is read to so much, litres. */
const METER_SD_L = 0.1;

/** What went between two readings of one instrument by what it shows, litres; nothing where it cannot tell. */
function goneL({ model }: Estimate, instrument: Instrument, from: Reading, to: Reading): number | undefined {
	if (instrument.kind !== 'meter') {
		const [before, after] = [litresRead(model, from), litresRead(model, to)];
		return before === undefined || after === undefined ? undefined : before - after;
	}
	if (to.reset || typeof from.value !== 'number' || typeof to.value !== 'number') return undefined;
	return (to.value - from.value) * (instrument.counts === 'up' ? 1 : -1) * litresPerUnit(instrument);
}

/** What was written down out of a tank between two moments, litres; nothing where it was filled, emptied or looked into. */
function writtenL(
	{ model, state, belief }: Estimate,
	between: readonly Entry[],
	tank: string
): number | undefined {
	let sum = 0;
	for (const entry of between) {
		if (entry.kind === 'use') {
			const habit = model.habits.get(entry.habit);
			const gain = habit && model.flow(habit, state).tanks.get(tank);
			const each = belief.mean[model.habitRow.get(entry.habit) ?? -1] ?? 0;
			if (gain) sum -= entry.times * (gain.perLitre * each + gain.fixed);
		} else if (!['note', 'care', 'reading', 'stop'].includes(entry.kind)) return undefined;
	}
	return sum;
}

/** What an instrument tells of each night, litres beyond what is usual in one, and how long it was. */
function nightsOf(
	estimate: Estimate,
	instrument: Instrument,
	dailyL: number
): readonly { readonly litres: number; readonly hours: number; readonly fromMs: number }[] {
	const { model, entries, atMs } = estimate;
	const { wakingDay } = model;
	const read = entries.flatMap((entry, at) =>
		entry.kind === 'reading' &&
		entry.instrument === instrument.id &&
		atMs - instantMs(entry.at) < LOOK_BACK_MS
			? [{ entry, at }]
			: []
	);
	return read.slice(1).flatMap(({ entry: to, at }, i) => {
		const before = read[i];
		if (!before) return [];
		const [fromMs, toMs] = [instantMs(before.entry.at), instantMs(to.at)];
		const hours = (toMs - fromMs) / HOUR_MS;
		const [evening, morning] = [wakingDay.hour(fromMs), wakingDay.hour(toMs)];
		const isNight = (evening >= EVENING || evening < AFTER_MIDNIGHT) && morning <= MORNING;
		if (!isNight || hours < SHORTEST_H || hours > LONGEST_H) return [];
		const gone = goneL(estimate, instrument, before.entry, to);
		const written = writtenL(estimate, entries.slice(before.at + 1, at), instrument.tank);
		if (gone === undefined || written === undefined) return [];
		return [{ litres: gone - written - USUAL_SHARE * dailyL, hours, fromMs }];
	});
}

/**
 * Instruments that tell of water going while everybody sleeps: over three nights or more, by more than what a night usually takes
 * and by more than those nights differ.
 */
export function nightDripsIn(estimate: Estimate): readonly NightDrip[] {
	const { model } = estimate;
	const dailyL = litresPerDay(estimate, dayAhead(estimate, aheadNow(estimate)));
	return [...model.instruments.values()]
		.filter((one) => (one.kind === 'meter' ? one.place === 'pump' : isFresh(estimate, one.tank)))
		.flatMap((instrument): readonly NightDrip[] => {
			const nights = nightsOf(estimate, instrument, dailyL);
			if (nights.length < LEAST_NIGHTS) return [];
			const litres = nights.map((night) => night.litres);
			const mean = meanOf(litres);
			const usableL = model.places.get(instrument.tank)?.pool.usableL ?? 0;
			const looks = instrument.kind === 'meter' ? METER_SD_L : SAME_ERROR * 0.05 * usableL;
			const error = Math.max(looks, deviation(litres) ?? 0) / Math.sqrt(nights.length);
			if (mean - SURE * error < LEAST_L) return [];
			const perDayL =
				(24 * litres.reduce((sum, one) => sum + one, 0)) / nights.reduce((sum, { hours }) => sum + hours, 0);
			const { id, name } = instrument;
			return [{ instrument: id, name, perDayL, nights: nights.length, sinceMs: nights[0]?.fromMs ?? 0 }];
		});
}

const isFresh = ({ model }: Estimate, tank: string): boolean =>
	model.rig.tanks.some(({ id, holds }) => id === tank && holds === 'fresh');
