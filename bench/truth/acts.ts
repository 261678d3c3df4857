import type { Rig } from '../../src/core/logbook';
import type { Plan } from '../../src/core/plan';
import type { ServiceAct } from './trip';

/** What a plan does at the stops, tank by tank. */
export const actsOf = (services: Plan['services'], rig: Rig): readonly ServiceAct[] => {
	const fresh = rig.tanks.filter(({ holds }) => holds === 'fresh').map(({ id }) => id);
	return services.flatMap(({ atMs, water, dump }): readonly ServiceAct[] => [
		...(water
			? fresh.map((tank) => ({ atMs, tank, ...(water.to ? {} : { litres: water.litres / fresh.length }) }))
			: []),
		...(dump ?? []).map((tank) => ({ atMs, tank }))
	]);
};
