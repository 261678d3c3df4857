import type { Rig, Tank } from '../../logbook/index.js';
import { isFrozenAt } from '../tanks/index.js';

/** Which waste valves are left open: all that are built in, none, or those of some tanks by id. */
export type OpenValves = boolean | readonly string[];

/** Whether a tank's valve is among those that are left open; one that is carried by hand only where it is named. */
export const isDrainedBy = (
	open: OpenValves,
	{ id, holds, portable }: Pick<Tank, 'id' | 'holds' | 'portable'>
): boolean =>
	holds !== 'fresh' && (typeof open === 'boolean' ? open && portable !== true : open.includes(id));

/** Whether any valve is left open. */
export const isAnyOpen = (open: OpenValves): boolean => (typeof open === 'boolean' ? open : open.length > 0);

/** What open valves say, as text: equal for those that are alike. */
export const valvesKey = (open: OpenValves): string =>
	typeof open === 'boolean' ? String(open) : `[${[...open].sort().join(',')}]`;

const isBuiltIn = ({ retired, portable }: Tank): boolean => retired !== true && portable !== true;

/** The waste tanks whose valves are open, one by one, by id. */
export const openTanks = ({ tanks }: Pick<Rig, 'tanks'>, open: OpenValves): readonly string[] =>
	tanks.filter((tank) => tank.retired !== true && isDrainedBy(open, tank)).map(({ id }) => id);

/**
 * What is left open at a sewer hook-up: grey may be; black stays shut until it is two thirds full, since with its valve open
 * liquids run off and solids stay.
 */
export function usualValves({ tanks }: Pick<Rig, 'tanks'>): boolean | string[] {
	const waste = tanks.filter((tank) => tank.holds !== 'fresh' && isBuiltIn(tank));
	const grey = waste.filter(({ holds }) => holds === 'grey');
	return grey.length === waste.length ? true : grey.map(({ id }) => id);
}

/** The built-in tanks of a hook-up that are better left shut, of those that are open. */
export const openBlack = ({ tanks }: Pick<Rig, 'tanks'>, open: OpenValves): readonly Tank[] =>
	tanks.filter((tank) => tank.holds === 'black' && isBuiltIn(tank) && isDrainedBy(open, tank));

/** The valves that let something through at a moment: those that are open, but for frozen ones. */
export function thawedValves(rig: Pick<Rig, 'tanks'>, open: OpenValves, ms: number): OpenValves {
	const frozen = rig.tanks.filter((tank) => isDrainedBy(open, tank) && isFrozenAt(tank, ms));
	return frozen.length === 0
		? open
		: openTanks(rig, open).filter((id) => !frozen.some((tank) => tank.id === id));
}
