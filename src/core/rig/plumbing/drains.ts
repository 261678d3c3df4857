import type { Rig, Tank } from '../../logbook/index.js';

/** How a waste tank is emptied by what it is: through an outlet and a hose, through a deck fitting, carried and poured. */
export type Manner = 'hose' | 'deck' | 'cassette' | 'bottle' | 'carried';

/** Whether nothing flushes into it: a bottle of a composting toilet gets what people add and no water. */
const isBottle = ({ habits, outlets }: Pick<Rig, 'habits' | 'outlets'>, tank: Tank): boolean => {
	if (tank.holds !== 'black') return false;
	const into = outlets.filter(({ to, retired }) => to === tank.id && !retired);
	const ids = new Set(into.map(({ id }) => id));
	const uses = habits.filter(({ outlet, retired }) => ids.has(outlet) && !retired);
	return (
		uses.length > 0 &&
		into.every(({ from }) => from === 'outside') &&
		uses.every(({ litresEach, addsL = 0 }) => litresEach.mean === 0 || addsL === 0)
	);
};

/** How a tank is emptied. A spare is emptied as what it stands in for. */
export function mannerOf(rig: Rig, tank: Tank): Manner {
	if (tank.portable) {
		const used = rig.tanks.find(({ id }) => id === tank.relieves) ?? tank;
		if (tank.holds === 'grey') return 'carried';
		return isBottle(rig, used) ? 'bottle' : 'cassette';
	}
	return rig.kind === 'boat' ? 'deck' : 'hose';
}

/**
 * The outlet through which a waste tank is emptied: equal for tanks that share one. As the rig says; else the built-in tanks of a
 * camper share one, and those of a boat none.
 */
export const drainOf = ({ kind }: Pick<Rig, 'kind'>, { id, drain, portable }: Tank): string =>
	drain === undefined ? (portable || kind === 'boat' ? `own ${id}` : 'built-in') : `named ${drain}`;
