import type { Habit } from '../../logbook/index.js';
import { lnGamma } from '../../numerics/index.js';
import * as PARAMETERS from '../parameters.js';

/** The days of a week, Monday first. */
export const WEEK = [0, 1, 2, 3, 4, 5, 6] as const;
/** Saturday and Sunday, where most are free. */
const WEEKEND_FROM = 5;

/** Factors of the days of a week on how often something is done, Monday first; once in the mean of a week that is as usual. */
export type WeekFactors = readonly number[];

/** What was lived and written down, by day of the week, Monday first; what is older weighs less. */
export interface WeekCounts {
	/** days lived with a log */
	readonly days: Float64Array;
	/** times each habit was logged */
	readonly times: Map<string, Float64Array>;
}

export const noWeeks = (): WeekCounts => ({ days: new Float64Array(7), times: new Map() });

export const copyOfWeeks = ({ days, times }: WeekCounts): WeekCounts => ({
	days: days.slice(),
	times: new Map([...times].map(([id, own]) => [id, own.slice()]))
});

/** What is older weighs less, in place: how much of it after so many days. */
export function forgetWeeks({ days, times }: WeekCounts, afterDays: number): void {
	const left = Math.exp(-afterDays / PARAMETERS.weekMemoryDays);
	for (const list of [days, ...times.values()]) for (const d of WEEK) list[d] = left * (list[d] as number);
}

/** How alike days of a week may be: the weight of a flat week in times, and how common each is before anything is known. */
const ALIKE: readonly (readonly [times: number, chance: number])[] = [
	[1, 0.06],
	[4, 0.14],
	[20, 0.3],
	[200, 0.5]
];

/** Log likelihood of times by day of the week whose shares are Dirichlet about some shares, less constants. */
function logChance(times: readonly number[], shares: readonly number[], weight: number): number {
	const all = times.reduce((sum, n) => sum + n, 0);
	return times.reduce(
		(sum, n, d) => {
			const a = weight * (shares[d] as number);
			return a > 0 ? sum + lnGamma(a + n) - lnGamma(a) : sum;
		},
		lnGamma(weight) - lnGamma(weight + all)
	);
}

/**
 * Factors of weekdays, shrunken towards what is usual: the shares of the days are Dirichlet about the usual ones, weighted by
 * how alike days may be, which is weighed by the counts (a mixture of Dirichlets; what is done on Saturdays alone is soon known
 * to be, and what falls as it comes stays flat).
 *
 * @param times counted by day of the week, as if they came at random
 * @param days lived by day of the week
 * @param usual the factors before anything is known
 */
export function weekFactors(
	times: readonly number[],
	days: ArrayLike<number>,
	usual: WeekFactors
): WeekFactors {
	const due = WEEK.map((d) => (usual[d] as number) * (days[d] as number));
	const all = due.reduce((sum, one) => sum + one, 0);
	const counted = times.reduce((sum, n) => sum + n, 0);
	if (!(all > 0) || !(counted > 0)) return usual;
	const shares = due.map((one) => one / all);
	const logs = ALIKE.map(([weight]) => logChance(times, shares, weight));
	const most = Math.max(...logs);
	const chances = ALIKE.map(([, chance], i) => chance * Math.exp((logs[i] as number) - most));
	const sum = chances.reduce((total, chance) => total + chance, 0);
	const found = WEEK.map((d) => {
		const share = shares[d] as number;
		if (!(share > 0)) return usual[d] as number;
		const now = ALIKE.reduce(
			(total, [weight], i) =>
				total +
				(((chances[i] as number) / sum) * (weight * share + (times[d] as number))) / (weight + counted),
			0
		);
		return ((usual[d] as number) * now) / share;
	});
	// A week is as much as it was usual, whatever its days are.
	const mean = (factors: WeekFactors): number => factors.reduce((total, one) => total + one, 0) / 7;
	const level = mean(found) > 0 ? mean(usual) / mean(found) : 1;
	return found.map((one) => one * level);
}

const FLAT: WeekFactors = [1, 1, 1, 1, 1, 1, 1];

/** What a rig says of a habit's days. */
export const usualWeek = ({ often }: Habit): WeekFactors => often.weekdays ?? FLAT;

/**
 * The factors of each habit's days as the log has them so far: of all habits together first, then of each about those; what
 * the rig calls exact stays as it says. Habits whose days are all alike are left out.
 */
export function weeksOf(
	habits: readonly Habit[],
	{ days, times }: WeekCounts
): ReadonlyMap<string, WeekFactors> {
	const lived = days.reduce((sum, one) => sum + one, 0);
	const known = lived >= PARAMETERS.weeksKnownAfterDays;
	/** as if they came at random: days differ, so that counts spread more than a Poisson's */
	const counted = new Map(
		habits.map((habit) => {
			const own = [...(times.get(habit.id) ?? new Float64Array(7))];
			const perDay = lived > 0 ? own.reduce((sum, n) => sum + n, 0) / lived : 0;
			const spread = 1 + perDay * (PARAMETERS.dayFactorSd ** 2 + PARAMETERS.habitDayFactorSd ** 2);
			return [habit.id, own.map((n) => n / spread)] as const;
		})
	);
	const plain = habits.filter(({ often, retired }) => !often.weekdays && !retired);
	// What all do more of is shared by day, so that the busiest habit does not speak for all.
	const together = WEEK.map((d) =>
		plain.reduce((sum, { id }) => sum + ((counted.get(id) as readonly number[])[d] as number), 0)
	);
	const house = known ? weekFactors(together, days, FLAT) : FLAT;
	return new Map(
		habits.flatMap((habit): readonly (readonly [string, WeekFactors])[] => {
			const exact = habit.often.sd === 0;
			const usual = habit.often.weekdays || exact ? usualWeek(habit) : house;
			const own =
				known && !exact ? weekFactors(counted.get(habit.id) as readonly number[], days, usual) : usual;
			return own.some((one) => Math.abs(one - 1) > 0.01) ? [[habit.id, own]] : [];
		})
	);
}

/** A part of a week: its days by how much of a usual day's use falls into each. */
export type WeekParts = readonly (readonly [weekday: number, share: number])[];

/** How much of its usual is done of a habit in a part of a week. */
export const inWeek = (factors: WeekFactors | undefined, parts: WeekParts): number =>
	factors ? parts.reduce((sum, [d, share]) => sum + share * (factors[d] as number), 0) : 1;

/** How far a day is a weekend's, against the mean of a week: what is more on weekends is less on other days. */
export const weekendOf = (weekday: number): number => (weekday >= WEEKEND_FROM ? 5 / 7 : -2 / 7);
