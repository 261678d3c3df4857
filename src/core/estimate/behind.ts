import type { Tank } from '../logbook/index.js';
import { behind, tankById } from '../rig/index.js';
import type { Estimate } from './filter/index.js';
import { bindingLevel, levelOf } from './levels.js';

/** What stands behind a tank and has something to give: water, or room for waste. */
export interface Behind {
	readonly tank: Tank;
	/** litres down to its own reserve, or up to its own brim */
	readonly litres: number;
}

/** Less than this stands empty, or full, litres. */
const LEAST_L = 0.5;

/** What stands behind a tank, in the order in which it comes in; what has nothing to give is left out. */
export function standsBehind(estimate: Estimate, tankId: string): readonly Behind[] {
	const { rig, places } = estimate.model;
	const tank = tankById(rig, tankId);
	if (!tank) return [];
	return behind(
		rig,
		tank,
		places.get(tankId)?.pool.tanks.map(({ id }) => id)
	)
		.map((one) => {
			const litres = levelOf(estimate, one.id).mean - bindingLevel(estimate, one);
			return { tank: one, litres: one.holds === 'fresh' ? litres : -litres };
		})
		.filter(({ litres }) => litres >= LEAST_L);
}
