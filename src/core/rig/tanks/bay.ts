import type { Shape } from '../../logbook/index.js';

/** Inside of a bay, millimetres. */
export interface Bay {
	readonly lengthMm: number;
	readonly widthMm: number;
	readonly heightMm: number;
}

/**
 * The largest box that fits a bay with walls of a thickness and a gap left all round for getting it in.
 *
 * @throws RangeError when nothing is left inside
 */
export function boxInBay(bay: Bay, wallMm: number, gapMm = 0): Extract<Shape, { form: 'box' }> {
	if (!(wallMm >= 0 && gapMm >= 0))
		throw new RangeError(`wall ${wallMm} mm and gap ${gapMm} mm must be 0 or more`);
	const inside = (mm: number): number => mm - 2 * (wallMm + gapMm);
	const box = {
		form: 'box',
		lengthMm: inside(bay.lengthMm),
		widthMm: inside(bay.widthMm),
		heightMm: inside(bay.heightMm)
	} as const;
	if (!(Math.min(box.lengthMm, box.widthMm, box.heightMm) > 0))
		throw new RangeError(`walls of ${wallMm} mm and a gap of ${gapMm} mm leave no room in this bay`);
	return box;
}
