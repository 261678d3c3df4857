import { bindingLevel, levelOf, standsBehind, type Behind, type Estimate } from '../../estimate/index.js';
import { aheadNow } from './cadence.js';
import { dailyParts, dayAhead, type DailyPart } from './daily.js';
import { neverBinds, tankById } from '../../rig/index.js';

/** The sum behind the days that a tank lasts, as one would do it on paper. */
export interface WhyLasting {
	readonly levelL: number;
	/** where it binds: a fresh tank's reserve, a waste tank's volume less the room to keep */
	readonly limitL: number;
	/** what stands behind it */
	readonly behind: readonly Behind[];
	/** litres from the level to there, with what stands behind it; 0 when it is there already */
	readonly roomL: number;
	/** litres a day towards it */
	readonly perDayL: number;
	/** what of the day goes towards it, most first; parts that do not touch the tank are left out */
	readonly parts: readonly DailyPart[];
}

const TOUCHES_L = 0.005;

/**
 * Why a tank lasts as long as it does: its room, and what an average day of this crew takes of it.
 *
 * @returns nothing for a tank that never binds, or that the rig does not have
 */
export function whyLasting(estimate: Estimate, tankId: string): WhyLasting | undefined {
	const { model } = estimate;
	const tank = tankById(model.rig, tankId);
	if (!tank || neverBinds(model.rig, tank)) return undefined;
	const day = dayAhead(estimate, aheadNow(estimate));
	const towards = tank.holds === 'fresh' ? -1 : 1;
	const parts = dailyParts(estimate, day, tankId)
		.map((part) => ({ ...part, litres: towards * part.litres }))
		.filter(({ litres }) => Math.abs(litres) > TOUCHES_L)
		.sort((a, b) => b.litres - a.litres);
	const levelL = levelOf(estimate, tankId).mean;
	const limitL = bindingLevel(estimate, tank);
	const behind = standsBehind(estimate, tankId);
	const behindL = behind.reduce((sum, { litres }) => sum + litres, 0);
	return {
		levelL,
		limitL,
		behind,
		roomL: Math.max(0, towards * (limitL - levelL) + behindL),
		perDayL: parts.reduce((sum, { litres }) => sum + litres, 0),
		parts
	};
}
