import { bindingLevel, levelOf, standsBehind, type Estimate } from '../estimate/index.js';
import type { Tank } from '../logbook/index.js';

/** Litres that are none. */
export const ROUNDING = 1e-6;

/** Litres that may still leave a fresh tank above its reserve, or come into a waste tank below its limit, with all that stands behind it. */
export function roomOf(estimate: Estimate, tank: Tank): number {
	const apart = levelOf(estimate, tank.id).mean - bindingLevel(estimate, tank);
	const behind = standsBehind(estimate, tank.id).reduce((sum, { litres }) => sum + litres, 0);
	return behind + Math.max(0, tank.holds === 'fresh' ? apart : -apart);
}
