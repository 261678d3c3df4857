import type { Rig, Tank } from '../../logbook/index.js';
import { behind, isCarried, usableOf } from '../../rig/index.js';

/** What of a planned fill goes into one tank: all there is room for, or so many litres. */
export type PlannedFill =
	{ readonly tank: string; readonly to: 'full' } | { readonly tank: string; readonly litres: number };

/** Less room than this is none, litres. */
const LEAST_L = 0.5;

/** The fresh tanks of a rig that a plan fills: those that are drawn from, each with what is poured into it after it. */
function filledInOrder(rig: Rig): readonly Tank[] {
	const drawn = rig.tanks.filter((tank) => tank.holds === 'fresh' && !tank.retired && !isCarried(rig, tank));
	return [...new Set(drawn.flatMap((tank) => [tank, ...behind(rig, tank)]))];
}

/**
 * What a planned fill puts where: the tanks that are drawn from first, then the jugs that feed them; none where there is no room.
 *
 * @param water litres in all, or all to the brim
 * @param levels litres in each tank as one begins
 */
export function plannedFills(
	rig: Rig,
	water: { readonly litres: number; readonly to?: 'full' },
	levels: ReadonlyMap<string, number>
): readonly PlannedFill[] {
	const roomOf = (tank: Tank): number => Math.max(0, usableOf(tank) - (levels.get(tank.id) ?? 0));
	const withRoom = filledInOrder(rig).filter((tank) => roomOf(tank) >= LEAST_L);
	if (water.to === 'full') return withRoom.map(({ id }) => ({ tank: id, to: 'full' }));
	let left = water.litres;
	return withRoom.flatMap((tank, i): readonly PlannedFill[] => {
		// What is left over because less is aboard than there was to be goes into the last.
		const litres = i === withRoom.length - 1 ? left : Math.min(left, roomOf(tank));
		left -= litres;
		return litres >= LEAST_L / 10 ? [{ tank: tank.id, litres: Number(litres.toFixed(1)) }] : [];
	});
}
