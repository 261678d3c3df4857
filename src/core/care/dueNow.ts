import type { TaskDue } from './due.js';
import type { FrostNight } from './frost.js';

/** As warm as this, water ages faster and what is for the summer is due, °C. */
const SUMMER_C = 25;
/** What is done before frost, or in the heat, holds for so long where the task does not say, days. */
const HOLDS_DAYS = 7;

/** What the weather asks for. */
export interface Weather {
	readonly frost: readonly FrostNight[];
	/** the heat of these days, where it is known */
	readonly maxC?: number;
}

/**
 * The tasks that want doing now: overdue ones; those of the frost while it freezes, those of the summer while it is hot. What
 * is for the lay-up alone waits for it.
 */
export const dueNow = (tasks: readonly TaskDue[], { frost, maxC }: Weather): readonly TaskDue[] =>
	tasks.filter(({ task, overdue, sinceDays = Infinity }) => {
		const lately = sinceDays < (task.every?.days ?? HOLDS_DAYS);
		switch (task.season) {
			case 'frost':
				return frost.length > 0 && !lately;
			case 'summer':
				return (maxC ?? -Infinity) >= SUMMER_C && !lately;
			case 'lay-up':
				return overdue && task.every !== undefined;
			case undefined:
				return overdue;
		}
	});

/** The task that is due next, of those that are not overdue; nothing where none has a date. */
export const nextDue = (tasks: readonly TaskDue[]): TaskDue | undefined =>
	tasks
		.filter(({ dueMs, overdue }) => dueMs !== undefined && !overdue)
		.reduce<TaskDue | undefined>(
			(first, one) => (first && (first.dueMs ?? 0) <= (one.dueMs ?? 0) ? first : one),
			undefined
		);
