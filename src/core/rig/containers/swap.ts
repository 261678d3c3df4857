import type { Happening, Rig, Tank } from '../../logbook/index.js';

/** A tank that can be changed for another: a jug at the tap, and the one that takes its place. */
export interface Swap {
	readonly at: Tank;
	readonly spare: Tank;
}

/**
 * What is written when an empty jug at the tap gives way to another: it was seen empty, and what the other holds stands in its
 * place. The jugs are alike; which of them bears which name matters less than what is where.
 */
export const swapOf = (at: Tank, spare: Tank): readonly [Happening, Happening] => [
	{ kind: 'mark', tank: at.id, state: 'empty' },
	{ kind: 'transfer', fromTank: spare.id, toTank: at.id, until: 'from-empty' }
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
