import type { Rig } from '../types.js';

/** The lists of which a rig is made. */
export type Part = 'tanks' | 'outlets' | 'instruments' | 'habits' | 'measures' | 'containers' | 'care';
export type Item = { readonly id: string; readonly retired?: true | undefined };

export const PARTS: readonly Part[] = [
	'tanks',
	'outlets',
	'instruments',
	'habits',
	'measures',
	'containers',
	'care'
];

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
