export { livedTrip } from './livedTrip.js';
export type { Mask, Offer } from './offer.js';
export {
	loaded,
	planProblemOf,
	type Leg,
	type PlannedTank,
	type PlanProblem,
	type ProblemOptions
} from './problem.js';
export {
	costOfServices,
	opensAt,
	hasKind,
	serviceKindOf,
	HOOKUPS,
	hookupsListed,
	stopServes,
	hookupsAt,
	pricesOf,
	PLANNED_KINDS,
	servesKind,
	visitsOf,
	type Prices,
	type Reading,
	type ServiceKind,
	type ServiceVisit
} from './visits.js';
