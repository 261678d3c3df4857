import { PARAMETERS } from '../estimate/index.js';
import type { DayAhead } from '../habits/index.js';
import type { Draws } from './draws.js';
import type { Ways } from './lanes.js';
import { normalAt, streamOf, type Random, type Variable } from './random.js';

/** Who is aboard on a day ahead, as a share of those the day was made for. */
export type Aboard = (dayIndex: number) => number;

/** The chances of one variable on one day, a slot of the normal table for each path. */
class DaysOfChance {
	readonly #random: Random;
	readonly slots: Uint16Array;

	constructor(seed: number, variable: Variable, index: number, paths: number) {
		this.#random = streamOf(seed, variable, index);
		this.slots = new Uint16Array(paths);
	}

	/** Every path gets its number on every day, needed or not, so that none gets another's. */
	dawn(): void {
		for (let path = 0; path < this.slots.length; path++) this.slots[path] = this.#random.slot();
	}

	of(path: number): number {
		return normalAt(this.slots[path] as number);
	}
}

/** Lives days of paths: whole times at their cadence, each with its scatter. */
export class Days {
	readonly #day: DayAhead;
	readonly #ways: Ways;
	readonly #draws: Draws;
	readonly #aboard: Aboard;
	readonly #common: DaysOfChance;
	readonly #times: readonly DaysOfChance[];
	readonly #amounts: readonly DaysOfChance[];
	readonly #counts: Float64Array;
	readonly #means: Float64Array;
	readonly #variances: Float64Array;
	#index = -1;

	constructor(day: DayAhead, ways: Ways, draws: Draws, aboard: Aboard, paths: number, seed: number) {
		this.#day = day;
		this.#ways = ways;
		this.#draws = draws;
		this.#aboard = aboard;
		this.#common = new DaysOfChance(seed, 'day', 0, paths);
		this.#times = day.habits.map((_, i) => new DaysOfChance(seed, 'times', i, paths));
		this.#amounts = Array.from({ length: ways.count }, (_, i) => new DaysOfChance(seed, 'amount', i, paths));
		this.#counts = new Float64Array(day.habits.length);
		this.#means = new Float64Array(ways.count);
		this.#variances = new Float64Array(ways.count);
	}

	/** The next day begins, for all paths. */
	dawn(): void {
		this.#index++;
		for (const chance of [this.#common, ...this.#times, ...this.#amounts]) chance.dawn();
	}

	/** Lives the day of one path and fills in each lane's change, litres. */
	live(path: number, change: Float64Array): void {
		const { perLitre, beside, count } = this.#ways;
		const lanes = change.length;
		change.fill(0);
		this.#means.fill(0);
		this.#variances.fill(0);
		const aboard = this.#aboard(this.#index);
		const differs = Math.max(0, 1 + PARAMETERS.dayDiffers * this.#common.of(path));
		this.#liveHabits(path, differs, aboard);
		this.#liveUnlogged(path, differs, aboard);
		for (let w = 0; w < count; w++) {
			const variance = this.#variances[w] as number;
			const mean = this.#means[w] as number;
			const chance = this.#amounts[w] as DaysOfChance;
			const litres = variance > 0 ? Math.max(0, mean + Math.sqrt(variance) * chance.of(path)) : mean;
			if (litres === 0) continue;
			for (let i = 0; i < lanes; i++)
				change[i] = (change[i] as number) + (perLitre[w * lanes + i] as number) * litres;
		}
		for (const { habit, lane, litres } of beside)
			change[lane] = (change[lane] as number) + litres * (this.#counts[habit] as number);
	}

	#liveHabits(path: number, differs: number, aboard: number): void {
		const { timesPerDay, phase, litresEach } = this.#draws;
		const { habits, dispersion } = this.#day;
		for (let h = 0; h < habits.length; h++) {
			const { cadence, perPerson, scatterL } = habits[h] as DayAhead['habits'][number];
			const rate = (timesPerDay[h]?.[path] as number) * (perPerson ? aboard : aboard > 0 ? 1 : 0);
			const stands = phase[h] as Float64Array;
			const at = stands[path] as number;
			let more = rate;
			if (cadence.sd > 0) {
				const spread = Math.sqrt(dispersion * rate + (PARAMETERS.habitDayDiffers * rate) ** 2);
				more = Math.max(0, rate * differs + spread * (this.#times[h] as DaysOfChance).of(path));
			}
			// The phase is where the cadence stands; it walks on with the scatter of single days.
			const times = Math.floor(at + more + EXACT);
			stands[path] = at + more - times;
			this.#counts[h] = times;
			if (times === 0) continue;
			const way = this.#ways.ofHabit[h] as number;
			this.#means[way] = (this.#means[way] as number) + times * (litresEach[h]?.[path] as number);
			this.#variances[way] = (this.#variances[way] as number) + times * scatterL ** 2;
		}
	}

	#liveUnlogged(path: number, differs: number, aboard: number): void {
		const { unlogged } = this.#draws;
		for (let u = 0; u < unlogged.length; u++) {
			const { lumpL, perPerson } = this.#day.unlogged[u] as DayAhead['unlogged'][number];
			const perDay = (unlogged[u]?.[path] as number) * (perPerson ? aboard : aboard > 0 ? 1 : 0);
			const way = this.#ways.ofStream[u] as number;
			const today = lumpL > 0 ? perDay * differs : perDay;
			this.#means[way] = (this.#means[way] as number) + today;
			// Lumps at random, the variance of a compound Poisson day; and busy and quiet days.
			const busy = lumpL > 0 ? (PARAMETERS.habitDayDiffers * perDay) ** 2 : 0;
			this.#variances[way] = (this.#variances[way] as number) + today * lumpL + busy;
		}
	}
}

/** Sums of fractions that should come to a whole number of times come a hair short of it. */
const EXACT = 1e-9;
