export { livedTrip } from './livedTrip.js';
export type { Mask, Offer } from './offer.js';
export {
	loaded,
	problemOf,
	type Leg,
	type PlannedTank,
	type Problem,
	type ProblemOptions
} from './problem.js';
export {
	costOfServices,
	hasKind,
	kindOf,
	pricesOf,
	SERVICE_KINDS,
	servesKind,
	visitsOf,
	type Prices,
	type Reading,
	type ServiceKind,
	type Visit
} from './visits.js';
