import type { Estimate } from '../estimate/index.js';
import { gainOf, litresOf, type DayAhead } from '../habits/index.js';
import { daysOfOne } from './forecast.js';

/** What one more time of a habit costs. */
export interface Price {
	readonly habit: string;
	readonly name: string;
	/** litres drawn by one time */
	readonly litres: number;
	/** hours of the stay that one more time now takes away; 0 when it does not touch the tank that ends it */
	readonly hours: number;
}

/** Good for differences, since the same few are drawn with and without. */
export const COMPARED_PATHS = 1000;

/**
 * The price of each habit: by how much shorter the tank that ends the stay lasts with one more time of it now.
 *
 * @param days how far to look
 * @param about the tank that ends the stay; without one nothing costs time
 */
export function prices(
	estimate: Estimate,
	day: DayAhead,
	days: number,
	about: string | undefined
): readonly Price[] {
	const lasts = (tank: string, habit?: string): number =>
		daysOfOne(
			estimate,
			{ days, paths: COMPARED_PATHS, about: tank },
			habit === undefined ? undefined : { habit }
		);
	const now = about === undefined ? days : lasts(about);
	return day.habits.map(({ habit, flow, litresEach }) => {
		const there = about === undefined ? 0 : litresOf(gainOf(estimate, flow, about), litresEach.mean);
		return {
			habit: habit.id,
			name: habit.name,
			litres: litresOf(flow.drawn, litresEach.mean),
			hours: about === undefined || there === 0 ? 0 : Math.max(0, 24 * (now - lasts(about, habit.id)))
		};
	});
}
