import type { Habit, Rig } from '../../logbook/index.js';
import type { Gaussian } from '../../numerics/index.js';
import type { HabitCount } from '../inputs/index.js';
import type { Model } from '../model/index.js';
import * as PARAMETERS from '../parameters.js';
import { countedStreams } from './countMeasurements.js';

/** What was lived and written down up to a moment. */
export interface Counts {
	readonly atMs: number;
	/** times each habit was logged */
	readonly times: ReadonlyMap<string, number>;
	readonly days: number;
	readonly personDays: number;
	/** for habits that rise with heat or exertion, or that a measure makes rarer: each day counted as often as they are done in it */
	readonly risen: ReadonlyMap<string, number>;
}

/** Those who are aboard. */
export interface CrewAboard {
	readonly persons: number;
	readonly sinceMs: number;
	/** how much what was learned before still says of them, a share */
	readonly kept: number;
}

/** The last use of a habit that was written down. */
export interface LastUse {
	readonly entry: string;
	readonly atMs: number;
	readonly times: number;
	readonly by: string | undefined;
}

/** What was lived and written down. */
export type LivedCounts = Omit<Counts, 'atMs'>;

/** Some counts less a part of others. */
export function countsLess(all: LivedCounts, others: LivedCounts, part: number): LivedCounts {
	const less = (from: ReadonlyMap<string, number>, by: ReadonlyMap<string, number>): Map<string, number> =>
		new Map([...from].map(([id, count]) => [id, Math.max(0, count - part * (by.get(id) ?? 0))]));
	return {
		times: less(all.times, others.times),
		days: Math.max(0, all.days - part * others.days),
		personDays: Math.max(0, all.personDays - part * others.personDays),
		risen: less(all.risen, others.risen)
	};
}

/** Whether a habit is done more often in heat or at work, or more rarely by a measure. */
export const changesOften = ({ measures }: Rig, { id, rises, often }: Habit): boolean =>
	rises !== undefined ||
	often.weekdays !== undefined ||
	measures.some(({ habit, effect }) => habit === id && effect.kind === 'rarer');

/** The days or person-days in which a habit was to be done so often as usual. */
export const exposureTo = (
	{ days, personDays, risen }: Omit<Counts, 'atMs' | 'times'>,
	habit: Habit | undefined,
	perPerson: boolean
): number => (habit && risen.get(habit.id)) ?? (perPerson ? personDays : days);

/** How many times of a habit are written down in a day or person-day, as counted. */
export function timesWritten(counts: Counts, habit: Habit, perPerson: boolean): number {
	const lived = exposureTo(counts, habit, perPerson);
	return lived > 0 ? (counts.times.get(habit.id) ?? 0) / lived : 0;
}

/** The habits that the log's counts speak of, with what was counted of each. */
export const countedHabits = (
	model: Model,
	belief: Gaussian,
	counts: Omit<Counts, 'atMs'>
): readonly HabitCount[] =>
	countedStreams(model).map(({ habit, usual, cadenceSd, perPerson, perDay }) => ({
		usual,
		cadenceSd,
		perDay,
		times: habit ? (counts.times.get(habit.id) ?? 0) : 0,
		exposure: exposureTo(counts, habit, perPerson),
		// What the rig says was so at the beginning; evidence since then fades, and so must that.
		wanderedSd: PARAMETERS.rateWalkSdSharePerRootDay * Math.sqrt(counts.days),
		litres: Math.max(0, belief.mean[(habit && model.habitRow.get(habit.id)) ?? -1] ?? 0)
	}));
