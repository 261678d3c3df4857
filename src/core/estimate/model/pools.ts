import type { Moments } from '../../numerics/index.js';
import type { Rig, Tank } from '../../logbook/index.js';
import { chargeOf, emptyOf, fullSdOf, usableOf, usableSdOf } from '../../rig/index.js';
import * as PARAMETERS from '../parameters.js';

/** Tanks that stand level through an open pipe are one pool; any other tank is a pool of its own. */
export interface Pool {
	readonly index: number;
	readonly tanks: readonly Tank[];
	/** what serves of it before anything is known of it, and the doubt of that; where there is doubt, it is learned */
	readonly usableL: number;
	readonly usableSdL: number;
	/** where what really serves stands in the state; absent where it was measured */
	readonly usableRow: number | undefined;
	/** how exactly "full" and "empty" are seen */
	readonly fullSdL: number;
	/** what stays when it is emptied */
	readonly emptyL: number;
	readonly emptySdL: number;
	/** what is put back after a dump, beside that */
	readonly chargeL: number;
}

/** What of a pool is a tank's: its share of the usable volume. */
export interface TankPlace {
	readonly pool: Pool;
	readonly share: number;
}

/** Tanks that stand level with each other, whichever of them says so: connected components of `joined`. */
function standingLevel(tanks: readonly Tank[]): readonly (readonly Tank[])[] {
	const group = new Map(tanks.map(({ id }) => [id, id]));
	for (const { id, joined } of tanks) {
		const [own, other] = [group.get(id), group.get(joined ?? id)];
		if (own !== undefined && other !== undefined)
			for (const [member, of] of group) if (of === other) group.set(member, own);
	}
	const groups = new Map<string, Tank[]>();
	for (const tank of tanks) {
		const of = group.get(tank.id) ?? tank.id;
		groups.set(of, [...(groups.get(of) ?? []), tank]);
	}
	return [...groups.values()];
}

/**
 * What is in a tank called empty, and the doubt of that: what a dump leaves, or the drops in a jug poured out.
 *
 * @param exact everything is written down and known by the rig's own word: empty is empty
 */
function emptied(tank: Tank, exact: boolean): Moments {
	if (tank.holds !== 'fresh') return { mean: emptyOf(tank), sd: PARAMETERS.residualSdShare * emptyOf(tank) };
	const drops = PARAMETERS.jugDropsShare * usableOf(tank);
	return tank.portable && !exact ? { mean: drops, sd: drops } : { mean: 0, sd: 0 };
}

/** The pools of a rig; their levels come first in the state, then what is learned of their volumes. */
export function poolsOf(rig: Rig): readonly Pool[] {
	const groups = standingLevel(rig.tanks);
	const exact = rig.unlogged?.mean === 0 && rig.unlogged.sd === 0;
	const sum = (tanks: readonly Tank[], of: (tank: Tank) => number): number =>
		tanks.reduce((total, tank) => total + of(tank), 0);
	let next = groups.length;
	return groups.map((tanks, index): Pool => {
		const usableL = sum(tanks, usableOf);
		const usableSdL = sum(tanks, usableSdOf);
		return {
			index,
			tanks,
			usableL,
			usableSdL,
			usableRow: usableSdL > 0 ? next++ : undefined,
			fullSdL: sum(tanks, fullSdOf),
			emptyL: sum(tanks, (tank) => emptied(tank, exact).mean),
			emptySdL: sum(tanks, (tank) => emptied(tank, exact).sd),
			chargeL: sum(tanks, chargeOf)
		};
	});
}
