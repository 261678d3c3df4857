import type { Rig, Tank } from '../../logbook/index.js';

/** What serves of a tank that is known by its plate, and the doubt of that, as shares of the plate (file format). */
const BY_PLATE = {
	fresh: { mean: 0.92, sd: 0.05 },
	waste: { mean: 1.01, sd: 0.06 }
} as const;
const byPlate = ({ holds }: Tank): { readonly mean: number; readonly sd: number } =>
	holds === 'fresh' ? BY_PLATE.fresh : BY_PLATE.waste;

/** What really serves of a tank, litres: its measured usable volume, or what its plate makes one expect. */
export const usableOf = (tank: Tank): number => tank.usableL ?? byPlate(tank).mean * tank.nominalL;

/** The doubt of that, litres: none when it was measured. */
export const usableSdOf = (tank: Tank): number =>
	tank.usableL === undefined ? byPlate(tank).sd * tank.nominalL : 0;

/** How exactly a sight of "full" is one, litres (one standard deviation): 0.6 % of what serves (file format). */
export const fullSdOf = (tank: Tank): number => 0.006 * usableOf(tank);

/** What is in a tank when it is called empty, litres: nothing to draw, or what stays when all has run out. */
export const emptyOf = (tank: Tank): number => (tank.holds === 'fresh' ? 0 : (tank.residualL ?? 0));

/** Water that is put back into a waste tank after a dump, litres. */
export const chargeOf = ({ holds, chargeL = 0 }: Tank): number => (holds === 'fresh' ? 0 : chargeL);

/** What is in a waste tank after a dump, litres: what stays, and what is put back. */
export const dumpedOf = (tank: Tank): number => emptyOf(tank) + chargeOf(tank);

/** Litres at which a tank binds: fresh down to its reserve; waste up to its usable volume less the room to keep. */
export const bindsAt = (tank: Tank): number =>
	tank.holds === 'fresh' ? tank.reserveL : Math.max(0, usableOf(tank) - tank.reserveL);

/** What only stands behind another tank, a supply to be poured into it or a spare to stand in for it: it never ends a stay by itself. */
export const isCarried = (rig: Rig, tank: Tank): boolean =>
	(tank.feeds !== undefined && !rig.outlets.some(({ from }) => from === tank.id)) ||
	(tank.relieves !== undefined && !rig.outlets.some(({ to }) => to === tank.id));

/** A tank that ends no stay and is served by no plan: a carried supply, or one that is out of use. */
export const neverBinds = (rig: Rig, tank: Tank): boolean => tank.retired === true || isCarried(rig, tank);

/**
 * Litres usable for a depth's volume in the tank's shape: what lies below the pump's suction is not counted.
 */
export const fromShapeLitres = (tank: Tank, litres: number): number =>
	Math.max(0, litres - (tank.deadL ?? 0));

/** The tank of a rig by its id; nothing where it has none. */
export const tankById = (rig: Pick<Rig, 'tanks'>, id: string): Tank | undefined =>
	rig.tanks.find((tank) => tank.id === id);
