import type { Habit } from '../../logbook/index.js';

/** Times of a habit per day at its usual cadence for a number of persons, whatever measures are in force. */
export const usualTimesPerDay = (habit: Habit, persons: number): number =>
	habit.retired ? 0 : habit.often.times * (habit.often.per === 'person-day' ? persons : 1);
