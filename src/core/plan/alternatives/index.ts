export { carryingAt, whereIs, type Carrying } from './carrying.js';
export { canBeShorter, changedTrip, nightsAt, reordered, type TripChange } from './changes.js';
export {
	changedEstimate,
	compareTrips,
	missingFrom,
	servicesAt,
	type Compared,
	type ServiceAt,
	type Summary
} from './compare.js';
export { loadBefore, type Load } from './load.js';
export { mends, type PlanMend } from './mends.js';
export { passedBy, replanned, seenOf, type PassedBy, type PlanSeen, type Replanned } from './replanned.js';
