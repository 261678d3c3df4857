import { normalAt, uniformAt } from '../../numerics/index.js';

import type { Habit } from '../../logbook/index.js';
import {
	dayFactorSd,
	habitDayFactorSd,
	inWeek,
	riseOf,
	weekendOf,
	type WeekFactors
} from '../../estimate/index.js';
import type { DayAhead } from '../../habits/index.js';
import type { Draws } from './draws.js';
import { chanceStream, type Variable } from './commonRandomNumbers.js';
import type { DayPart } from './steps.js';

/**
 * What all paths use, step by step: how often each habit is done and how many litres that takes, before any measure, and
 * what goes unwritten. Each list is by habit (or stream) and then by path, and is filled anew with each step.
 */
export interface Uses {
	readonly times: readonly Float64Array[];
	readonly litres: readonly Float64Array[];
	readonly unlogged: readonly Float64Array[];
	/** times that measures of rarity spare, by habit: what people add comes all the same */
	readonly spared: readonly Float64Array[];
	/** litres that flow in, by source */
	readonly inflow: readonly Float64Array[];
	/** lives a step of some of the paths */
	live(step: DayPart, active: ArrayLike<number>): void;
}

/** Sums of fractions that should come to a whole number of times come a hair short of it. */
const EXACT = 1e-9;

/** The chances of one variable, a slot of the normal table for each path, new on every draw. */
interface Chance {
	readonly slots: Uint16Array;
	draw(): void;
}

function chanceOf(seed: number, variable: Variable, index: number, paths: number): Chance {
	const random = chanceStream(seed, variable, index);
	const slots = new Uint16Array(paths);
	return {
		slots,
		// Every path gets its number each time, needed or not, so that none gets another's.
		draw: () => {
			for (let path = 0; path < paths; path++) slots[path] = random.slot();
		}
	};
}

/**
 * An amount that is never negative and comes in lumps: a gamma of a mean and variance (Wilson and Hilferty 1931); where it
 * is less than a lump a day, one lump or none. A normal cut off at nothing would have too large a mean.
 */
function lumpsAt(slot: number, mean: number, variance: number): number {
	const shape = (mean * mean) / variance;
	if (shape < 1) return uniformAt(slot) > 1 - shape ? mean / shape : 0;
	const root = 1 - 1 / (9 * shape) + normalAt(slot) / (3 * Math.sqrt(shape));
	return root > 0 ? mean * root ** 3 : 0;
}

/** Who is aboard, for something done by each or once for all, as a share of those a day was made for. */
export const aboard = (
	perPerson: boolean,
	{ persons }: Pick<DayPart, 'persons'>,
	day: Pick<DayAhead, 'persons'>
): number => (persons <= 0 ? 0 : perPerson ? persons / day.persons : 1);

/** How much of a usual day's times, or litres, a part of a day has: by who is aboard, where, and on which days of the week. */
export function oftenOn(
	{
		habit,
		perPerson,
		week
	}: {
		readonly habit: Habit | undefined;
		readonly perPerson: boolean;
		readonly week: WeekFactors | undefined;
	},
	step: Pick<DayPart, 'persons' | 'climate' | 'week' | 'said'>,
	day: Pick<DayAhead, 'persons'>
): number {
	const aboardOf = aboard(perPerson, step, day);
	if (!habit) return aboardOf;
	const said = step.said.get(habit.id);
	// Times that are said are all there are: none of its usual, written down or not.
	if (said && 'timesPerDay' in said) return 0;
	return aboardOf * riseOf(habit, step.climate) * inWeek(week, step.week) * (said?.factor ?? 1);
}

/** How often a day something is done by what was said of it; nothing where nothing was. */
export function timesSaid(habit: Habit, { said, persons }: Pick<DayPart, 'said' | 'persons'>): number {
	const one = said.get(habit.id);
	return one && 'timesPerDay' in one && persons > 0 ? one.timesPerDay : 0;
}

/** How far a part of a day is a weekend's. */
export const weekendIn = ({ week }: Pick<DayPart, 'week'>): number =>
	week.reduce((sum, [weekday, share]) => sum + share * weekendOf(weekday), 0);

/** How much more or less goes unlogged on a path on such a day. */
export const onWeekend = ({ weekend }: Pick<Draws, 'weekend'>, path: number, share: number): number =>
	weekend ? Math.max(0, 1 + (weekend[path] as number) * share) : 1;

/**
 * Whole times at their cadence, each with its scatter, and use that nobody writes down. A habit that is done more rarely
 * goes along the same chances more slowly, so that no path uses more for it.
 *
 * @param rarer by habit: a factor on how often it is done, all measures of rarity together; a habit without one is not lived
 * @param evenly spread over the day instead of in whole times: for sums over many days
 */
export function usesOf(
	day: DayAhead,
	draws: Draws,
	paths: number,
	seed: number,
	rarer: readonly (number | undefined)[],
	evenly = false
): Uses {
	const { habits, unlogged, sources, dispersion } = day;
	const busy = habitDayFactorSd ** 2;
	const common = chanceOf(seed, 'day', 0, paths);
	const times = habits.map(() => new Float64Array(paths));
	const litres = habits.map(() => new Float64Array(paths));
	const left = unlogged.map(() => new Float64Array(paths));
	const spared = habits.map(() => new Float64Array(paths));
	const inflow = sources.map(() => new Float64Array(paths));
	const timesChance = habits.map((_, i) => chanceOf(seed, 'times', i, paths));
	const amountChance = habits.map((_, i) => chanceOf(seed, 'amount', i, paths));
	const leftChance = unlogged.map((_, i) => chanceOf(seed, 'left', i, paths));
	const inflowChance = sources.map((_, i) => chanceOf(seed, 'inflow by day', i, paths));
	const phases = draws.phase.map((phase) => phase.slice());
	let dayIndex = -1;

	/** the day is a busy or a quiet one for all of it */
	const differs = (path: number): number =>
		Math.max(0, 1 + dayFactorSd * normalAt(common.slots[path] as number));

	function liveHabit(h: number, step: DayPart, active: ArrayLike<number>): void {
		const { scatterL, cadence } = habits[h] as DayAhead['habits'][number];
		const share = step.length * oftenOn(habits[h] as DayAhead['habits'][number], step, day);
		const factor = rarer[h] as number;
		const said = step.length * timesSaid((habits[h] as DayAhead['habits'][number]).habit, step);
		const [ofTimes, ofAmount] = [timesChance[h] as Chance, amountChance[h] as Chance];
		const loose = cadence.sd > 0;
		if (loose) ofTimes.draw();
		if (scatterL > 0) ofAmount.draw();
		const [perDay, each] = [draws.timesPerDay[h] as Float64Array, draws.litresEach[h] as Float64Array];
		const [phase, count, used, unused] = [
			phases[h] as Float64Array,
			times[h] as Float64Array,
			litres[h] as Float64Array,
			spared[h] as Float64Array
		];
		for (let k = 0; k < active.length; k++) {
			const path = active[k] as number;
			const rate = (perDay[path] as number) * share;
			let more = rate;
			if (loose) {
				more = rate * differs(path);
				more += Math.sqrt(rate * (dispersion + busy * rate)) * normalAt(ofTimes.slots[path] as number);
				if (more < 0) more = 0;
			}
			// The phase is where the cadence stands; it walks on with the scatter of single days.
			const come = more * factor + said;
			const at = (phase[path] as number) + come;
			const done = evenly ? come : Math.floor(at + EXACT);
			if (!evenly) phase[path] = at - done;
			count[path] = done;
			unused[path] = factor < 1 ? more * (1 - factor) : 0;
			let amount = done * (each[path] as number);
			if (scatterL > 0 && done > 0) {
				amount += Math.sqrt(done) * scatterL * normalAt(ofAmount.slots[path] as number);
				if (amount < 0) amount = 0;
			}
			used[path] = amount;
		}
	}

	function liveUnlogged(u: number, step: DayPart, active: ArrayLike<number>): void {
		const { lumpL } = unlogged[u] as DayAhead['unlogged'][number];
		const share = step.length * oftenOn(unlogged[u] as DayAhead['unlogged'][number], step, day);
		const weekend = weekendIn(step);
		const [rates, used, chance] = [
			draws.unlogged[u] as Float64Array,
			left[u] as Float64Array,
			leftChance[u] as Chance
		];
		if (lumpL > 0) chance.draw();
		for (let k = 0; k < active.length; k++) {
			const path = active[k] as number;
			const usual = (rates[path] as number) * share * onWeekend(draws, path, weekend);
			if (lumpL === 0 || usual === 0) {
				used[path] = usual;
				continue;
			}
			const today = usual * differs(path);
			// Lumps at random, the variance of a compound Poisson day; and busy and quiet days.
			const variance = today * lumpL + busy * usual * usual;
			used[path] = today === 0 ? 0 : lumpsAt(chance.slots[path] as number, today, variance);
		}
	}

	/** What flows in while anybody is there. */
	function liveInflow(s: number, { length, persons }: DayPart, active: ArrayLike<number>): void {
		const { lumpL } = sources[s] as DayAhead['sources'][number];
		const [rates, come, chance] = [
			draws.inflow[s] as Float64Array,
			inflow[s] as Float64Array,
			inflowChance[s] as Chance
		];
		if (lumpL > 0) chance.draw();
		for (let k = 0; k < active.length; k++) {
			const path = active[k] as number;
			const usual = persons > 0 ? length * (rates[path] as number) : 0;
			come[path] =
				lumpL === 0 || usual === 0 ? usual : lumpsAt(chance.slots[path] as number, usual, usual * lumpL);
		}
	}

	return {
		times,
		litres,
		unlogged: left,
		spared,
		inflow,
		live(step, active) {
			if (step.day !== dayIndex) common.draw();
			dayIndex = step.day;
			for (let h = 0; h < habits.length; h++) if (rarer[h] !== undefined) liveHabit(h, step, active);
			for (let u = 0; u < unlogged.length; u++) liveUnlogged(u, step, active);
			for (let s = 0; s < sources.length; s++) liveInflow(s, step, active);
		}
	};
}
