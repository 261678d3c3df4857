import { bindingLevel, DAY_MS, levelOf, normalQuantile, type Estimate } from '../estimate/index.js';
import { dailyChange, dayAhead, drawnPerDay, personsNow } from '../habits/index.js';
import { tankById } from '../rig/index.js';

/** How much may be used to reach a moment, and how much is being used, litres drawn per person and day. */
export interface Ration {
	readonly untilMs: number;
	readonly allowedL: number;
	readonly usingL: number;
}

/**
 * The daily share that keeps a tank from binding before a moment, with a certainty; all habits cut alike.
 *
 * @returns `undefined` when the moment is past, nobody is aboard or the tank does not change
 */
export function ration(
	estimate: Estimate,
	tankId: string,
	untilMs: number,
	certainty: number
): Ration | undefined {
	const tank = tankById(estimate.model.rig, tankId);
	const days = (untilMs - estimate.atMs) / DAY_MS;
	const persons = personsNow(estimate);
	if (!tank || !(days > 0) || !(persons > 0)) return undefined;
	const day = dayAhead(estimate, { persons, measures: estimate.state.measures });
	const change = dailyChange(estimate, day, tankId);
	if (change.mean === 0) return undefined;
	const level = levelOf(estimate, tankId);
	const room = Math.abs(level.mean - bindingLevel(estimate, tank));
	const bound =
		tank.holds === 'fresh'
			? level.mean <= bindingLevel(estimate, tank)
			: level.mean >= bindingLevel(estimate, tank);
	const doubtL =
		normalQuantile(certainty) * Math.hypot(level.sd, days * change.driftSd, Math.sqrt(days) * change.daySd);
	const part = bound ? 0 : Math.max(0, room - doubtL) / (Math.abs(change.mean) * days);
	const usingL = drawnPerDay(day) / persons;
	return { untilMs, allowedL: usingL * part, usingL };
}
