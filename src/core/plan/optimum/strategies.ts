import { SCHOOLS, type School, type Trip } from '../../logbook/index.js';
import { cheapestKeepingChance, toppingUp, whenDue, type PolicyFound } from './chanceConstraint.js';
import type { Stretches } from './stretches.js';
import { type PlanProblem, pricesOf, type Prices } from '../trip/index.js';

/** What counts for those who would rather stop once less, in the money of the fees: nothing else comes near it. */
const A_STOP = 1e6;
/** What counts for those who carry as little as they can, for a kilogram and kilometre. */
const A_KG_KM = 1;

/** How a school seeks its plan: by which prices, and in which way. */
export interface Strategy {
	readonly prices: Prices;
	readonly seek: (problem: PlanProblem, stretches: Stretches) => PolicyFound;
}

/** How a trip is to be planned: at the least cost where no school is chosen. */
export function strategyOf(
	trip: Pick<Trip, 'policy'>,
	school: School | undefined = trip.policy?.school
): Strategy {
	const prices = pricesOf(trip);
	switch (school) {
		case undefined:
			return { prices, seek: cheapestKeepingChance };
		case 'top-up':
			return { prices, seek: toppingUp };
		case 'when-due':
			return { prices, seek: whenDue };
		case 'light':
			return {
				prices: { ...prices, perKgKm: Math.max(prices.perKgKm, A_KG_KM) },
				seek: cheapestKeepingChance
			};
		case 'fewest-stops':
			return { prices: { ...prices, perStop: A_STOP }, seek: cheapestKeepingChance };
		case 'free-water':
			return { prices: { ...prices, freeWater: true }, seek: cheapestKeepingChance };
	}
}

/** Every way to plan a trip: at the least cost, then by each school. */
export const ALL_SCHOOLS: readonly (School | undefined)[] = [undefined, ...SCHOOLS];
