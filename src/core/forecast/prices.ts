import type { Estimate } from '../estimate/index.js';
import { litresOf, type DayAhead } from '../habits/index.js';
import { autonomyOf } from './forecast.js';

/** What one more time of a habit costs. */
export interface Price {
	readonly habit: string;
	readonly name: string;
	/** litres drawn by one time */
	readonly litres: number;
	/** hours of the stay that one more time now takes away; 0 when it touches no tank that binds */
	readonly hours: number;
}

/** Good for differences, since the same few are drawn with and without. */
export const COMPARED_PATHS = 500;

/**
 * The price of each habit: by how much the stay gets shorter by one more time of it now.
 *
 * @param days how far to look
 */
export function prices(estimate: Estimate, day: DayAhead, days: number): readonly Price[] {
	const options = { days, paths: COMPARED_PATHS };
	const now = autonomyOf(estimate, options).days;
	return day.habits.map(({ habit, flow, litresEach }) => ({
		habit: habit.id,
		name: habit.name,
		litres: litresOf(flow.drawn, litresEach.mean),
		hours: Math.max(0, 24 * (now - autonomyOf(estimate, options, { habit: habit.id }).days))
	}));
}
