import type { Happening, Rig, Tank } from '../../logbook/index.js';
import { usableOf } from '../tanks/index.js';

/** A tank that can be changed for another: a jug at the tap, and the one that takes its place. */
export interface Swap {
	readonly at: Tank;
	readonly spare: Tank;
}

/**
 * What is poured, or counted as poured: all that is there, or as much as there is room for, and the rest stays where it is.
 *
 * @param fromL what is in it, litres; all it can hold where nothing is known
 * @param roomL what the other can take, litres
 */
export const pourOf = (
	from: Tank,
	to: Tank,
	{ fromL = usableOf(from), roomL }: { readonly fromL?: number | undefined; readonly roomL: number }
): Happening => ({
	kind: 'transfer',
	fromTank: from.id,
	toTank: to.id,
	until: fromL > roomL ? 'to-full' : 'from-empty'
});

/**
 * What is written when an empty jug at the tap gives way to another: it was seen empty, and what the other holds stands in its
 * place; what is more than that place can hold stays in the other. Which of them bears which name matters less than what is where.
 *
 * @param spareL what the other holds, litres; all it can where nothing is known
 */
export const swapOf = (at: Tank, spare: Tank, spareL?: number): readonly [Happening, Happening] => [
	{ kind: 'mark', tank: at.id, state: 'empty' },
	// What a jug of the same size holds always has room.
	pourOf(spare, at, { fromL: spareL, roomL: usableOf(spare) > usableOf(at) ? usableOf(at) : Infinity })
];

/** Less than this is a jug that stands empty, litres. */
const EMPTY_L = 1;

/**
 * The swaps that can be meant: a portable tank that others feed, by one of those that is not empty; the fullest first.
 *
 * @param levels litres believed in each tank; a jug of which nothing is known may be full
 */
export function swapsOf(rig: Rig, levels: ReadonlyMap<string, number> = new Map()): readonly Swap[] {
	const holds = ({ id }: Tank): number => levels.get(id) ?? Infinity;
	return rig.tanks
		.flatMap((spare): readonly Swap[] => {
			const at = rig.tanks.find(({ id, portable }) => id === spare.feeds && portable === true);
			return at && !at.retired && !spare.retired && holds(spare) >= EMPTY_L ? [{ at, spare }] : [];
		})
		.sort((a, b) => (holds(a.spare) === holds(b.spare) ? 0 : holds(b.spare) - holds(a.spare)));
}
