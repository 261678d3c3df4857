import type { Estimate } from '../estimate/index.js';
import { dailyChange, gainOf, litresOf, type DayAhead } from './daily.js';

/** What one more time of a habit costs. */
export interface Price {
	readonly habit: string;
	readonly name: string;
	/** litres drawn by one time */
	readonly litres: number;
	/** hours of autonomy that one more time takes from the tank that binds; 0 when it does not touch it */
	readonly hours: number;
}

/**
 * The price of each habit against the tank that binds: its litres there over what that tank changes in an hour.
 *
 * @param bindingTank id of the tank that binds first; without one nothing costs time
 */
export function prices(estimate: Estimate, day: DayAhead, bindingTank: string | undefined): readonly Price[] {
	const daily = bindingTank === undefined ? 0 : dailyChange(estimate, day, bindingTank).mean;
	return day.habits.map(({ habit, flow, litresEach }) => {
		const there =
			bindingTank === undefined ? 0 : litresOf(gainOf(estimate, flow, bindingTank), litresEach.mean);
		return {
			habit: habit.id,
			name: habit.name,
			litres: litresOf(flow.drawn, litresEach.mean),
			hours: daily !== 0 ? Math.max(0, (24 * there) / daily) : 0
		};
	});
}
