import type { Rig, Tank } from '../../logbook/index.js';
import { boxInBay, fullLitres, withItem, type Bay } from '../../rig/index.js';

/** How a rig could be changed to hold more. */
export type RigIdea =
	| { readonly kind: 'capacity'; readonly usableL: number }
	/** a tank beside it, standing level with it: one pool is what it comes to */
	| { readonly kind: 'second'; readonly litres: number };

/** The id of a tank that is only thought of. */
export const THOUGHT_OF = '~what-if';

/** The same tank, holding another amount; its measured form is not that of another tank. */
function holding(tank: Tank, usableL: number): Tank {
	const { shape: _shape, ...rest } = tank;
	return { ...rest, usableL, nominalL: Math.max(tank.nominalL, usableL) };
}

/**
 * A rig with one tank changed as thought of.
 *
 * @returns nothing when the idea is of no volume
 */
export function withIdea(rig: Rig, tank: Tank, idea: RigIdea): Rig | undefined {
	if (idea.kind === 'capacity')
		return idea.usableL > 0
			? { ...rig, tanks: [...withItem(rig.tanks, holding(tank, idea.usableL))] }
			: undefined;
	if (!(idea.litres > 0)) return undefined;
	const second: Tank = {
		id: THOUGHT_OF,
		name: 'Second',
		holds: tank.holds,
		nominalL: idea.litres,
		usableL: idea.litres,
		reserveL: 0,
		joined: tank.id
	};
	return { ...rig, tanks: [...rig.tanks, second] };
}

/** Litres of the largest box in a bay; or why there is none. */
export function litresInBay(
	bay: Bay,
	wallMm: number,
	gapMm: number
): { readonly litres: number } | { readonly problem: string } {
	try {
		return { litres: fullLitres(boxInBay(bay, wallMm, gapMm)) };
	} catch (error) {
		if (error instanceof RangeError) return { problem: error.message };
		throw error;
	}
}
