import { PARTS, type Item } from '../parts.js';
import type { Rig } from '../types.js';

/** A rig without what is retired: what forms offer, what is drawn, what is reckoned with ahead. */
export function inUse(rig: Rig): Rig {
	if (PARTS.every((part) => (rig[part] as readonly Item[]).every(({ retired }) => !retired))) return rig;
	return PARTS.reduce<Rig>(
		(next, part) => ({
			...next,
			[part]: (next[part] as readonly Item[]).filter(({ retired }) => !retired)
		}),
		rig
	);
}
