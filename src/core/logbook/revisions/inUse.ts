import { itemsOf, PARTS } from '../parts.js';
import type { Rig } from '../types.js';

/** Things without those that are kept only because entries name them. */
export const notRetired = <T extends { readonly retired?: true | undefined }>(
	list: readonly T[]
): readonly T[] => (list.some(({ retired }) => retired) ? list.filter(({ retired }) => !retired) : list);

/** A rig without what is retired: what forms offer, what is drawn, what is reckoned with ahead. */
export function inUse(rig: Rig): Rig {
	if (PARTS.every((part) => itemsOf(rig, part).every(({ retired }) => !retired))) return rig;
	return PARTS.reduce<Rig>(
		(next, part) => ({
			...next,
			...(next[part] ? { [part]: itemsOf(next, part).filter(({ retired }) => !retired) } : {})
		}),
		rig
	);
}
