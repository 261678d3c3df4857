import type { Estimate } from '../estimate/index.js';
import { gainOf, litresOf, type DayAhead } from '../habits/index.js';
import type { Flow } from '../rig/index.js';
import { autonomyOf, COMPARED_PATHS, type ComparedOptions } from './forecast.js';

/** What one more time of a habit costs. */
export interface Price {
	readonly habit: string;
	readonly name: string;
	/** litres drawn by one time */
	readonly litres: number;
	/** hours of the stay that one more time now takes away; 0 when it does not touch the tank that ends it */
	readonly hours: number;
}

/** A tank that is the first in fewer of a hundred futures ends no stay. */
const BINDS = 0.02;

/**
 * The price of each habit: by how much shorter the stay lasts with one more time of it now.
 *
 * @param options how far to look, who is aboard and which measures are in force; `about` the tank that ends the stay
 */
export function prices(estimate: Estimate, day: DayAhead, options: ComparedOptions): readonly Price[] {
	const asked = { paths: COMPARED_PATHS, ...options };
	const now = autonomyOf(estimate, asked);
	/** what touches no tank that binds costs no time: it need not be lived */
	const touches = (flow: Flow): boolean =>
		[...now.binding].some(([tank, share]) => {
			if (share < BINDS) return false;
			const { perLitre, fixed } = gainOf(estimate, flow, tank);
			return perLitre !== 0 || fixed !== 0;
		});
	return day.habits.map(({ habit, flow, litresEach }) => ({
		habit: habit.id,
		name: habit.name,
		litres: litresOf(flow.drawn, litresEach.mean),
		hours: touches(flow)
			? Math.max(
					0,
					24 * (now.days - autonomyOf(estimate, { ...asked, more: [{ habit: habit.id, times: 1 }] }).days)
				)
			: 0
	}));
}
