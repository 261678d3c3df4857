import * as PARAMETERS from '../parameters.js';
import type { DayAhead } from '../habits/index.js';
import type { Draws } from './draws.js';
import type { Ways } from './lanes.js';
import { normalAt, streamOf, type Variable } from './random.js';

/** Who is aboard on a day ahead, as a share of those the day was made for. */
export type Aboard = (dayIndex: number) => number;

/** The days of all paths: each begins for all of them, and is then lived path by path. */
export interface Days {
	/** the next day begins */
	dawn(): void;
	/** lives the day of one path and fills in each lane's change, litres */
	live(path: number, change: Float64Array): void;
}

/** Sums of fractions that should come to a whole number of times come a hair short of it. */
const EXACT = 1e-9;

/** The chances of one variable, a slot of the normal table for each path, new on every day. */
interface Chance {
	readonly slots: Uint16Array;
	draw(): void;
}

function chanceOf(seed: number, variable: Variable, index: number, paths: number): Chance {
	const random = streamOf(seed, variable, index);
	const slots = new Uint16Array(paths);
	return {
		slots,
		// Every path gets its number on every day, needed or not, so that none gets another's.
		draw: () => {
			for (let path = 0; path < paths; path++) slots[path] = random.slot();
		}
	};
}

/** Days of whole times at their cadence, each with its scatter, and of use that nobody writes down. */
export function daysOf(
	day: DayAhead,
	ways: Ways,
	draws: Draws,
	aboard: Aboard,
	paths: number,
	seed: number
): Days {
	const { ofHabit, ofStream, perLitre, beside, count } = ways;
	const { habits, unlogged, dispersion } = day;
	const busy = PARAMETERS.habitDayDiffers ** 2;
	const common = chanceOf(seed, 'day', 0, paths);
	const times = habits.map((_, i) => chanceOf(seed, 'times', i, paths));
	const amounts = Array.from({ length: count }, (_, i) => chanceOf(seed, 'amount', i, paths));
	const timesSlots = times.map(({ slots }) => slots);
	const amountSlots = amounts.map(({ slots }) => slots);
	const loose = habits.map(({ cadence }) => cadence.sd > 0);
	const scatters = Float64Array.from(habits, ({ scatterL }) => scatterL ** 2);
	const lumps = Float64Array.from(unlogged, ({ lumpL }) => lumpL);
	const counts = new Float64Array(habits.length);
	const means = new Float64Array(count);
	const variances = new Float64Array(count);
	/** how many are aboard today for each habit and each stream, as a share of those the day was made for */
	const habitAboard = new Float64Array(habits.length);
	const streamAboard = new Float64Array(unlogged.length);
	let index = -1;

	function liveHabits(path: number, differs: number): void {
		for (let h = 0; h < counts.length; h++) {
			const rate = ((draws.timesPerDay[h] as Float64Array)[path] as number) * (habitAboard[h] as number);
			const phase = draws.phase[h] as Float64Array;
			const at = phase[path] as number;
			let more = rate;
			if (loose[h]) {
				const spread = Math.sqrt(rate * (dispersion + busy * rate));
				more = rate * differs + spread * normalAt((timesSlots[h] as Uint16Array)[path] as number);
				if (more < 0) more = 0;
			}
			// The phase is where the cadence stands; it walks on with the scatter of single days.
			const done = Math.floor(at + more + EXACT);
			phase[path] = at + more - done;
			counts[h] = done;
			if (done === 0) continue;
			const way = ofHabit[h] as number;
			means[way] = (means[way] as number) + done * ((draws.litresEach[h] as Float64Array)[path] as number);
			variances[way] = (variances[way] as number) + done * (scatters[h] as number);
		}
	}

	function liveUnlogged(path: number, differs: number): void {
		for (let u = 0; u < lumps.length; u++) {
			const lumpL = lumps[u] as number;
			const usual = ((draws.unlogged[u] as Float64Array)[path] as number) * (streamAboard[u] as number);
			const way = ofStream[u] as number;
			if (lumpL === 0) {
				means[way] = (means[way] as number) + usual;
				continue;
			}
			const today = usual * differs;
			means[way] = (means[way] as number) + today;
			// Lumps at random, the variance of a compound Poisson day; and busy and quiet days.
			variances[way] = (variances[way] as number) + today * lumpL + busy * usual * usual;
		}
	}

	return {
		dawn() {
			index++;
			common.draw();
			for (const chance of times) chance.draw();
			for (const chance of amounts) chance.draw();
			const share = aboard(index);
			habits.forEach(({ perPerson }, h) => (habitAboard[h] = perPerson ? share : share > 0 ? 1 : 0));
			unlogged.forEach(({ perPerson }, u) => (streamAboard[u] = perPerson ? share : share > 0 ? 1 : 0));
		},
		live(path, change) {
			const lanes = change.length;
			change.fill(0);
			means.fill(0);
			variances.fill(0);
			const differs = Math.max(0, 1 + PARAMETERS.dayDiffers * normalAt(common.slots[path] as number));
			liveHabits(path, differs);
			liveUnlogged(path, differs);
			for (let w = 0; w < count; w++) {
				const variance = variances[w] as number;
				let litres = means[w] as number;
				if (variance > 0) {
					litres += Math.sqrt(variance) * normalAt((amountSlots[w] as Uint16Array)[path] as number);
					if (litres < 0) litres = 0;
				}
				if (litres === 0) continue;
				for (let i = 0; i < lanes; i++)
					change[i] = (change[i] as number) + (perLitre[w * lanes + i] as number) * litres;
			}
			for (const { habit, lane, litres } of beside)
				change[lane] = (change[lane] as number) + litres * (counts[habit] as number);
		}
	};
}
