export {
	plan,
	tripOf,
	work,
	workedPlan,
	type Effort,
	type Plan,
	type PlannedService,
	type PlanOptions,
	type Worked
} from './plan.js';
export { canBeShorter, changedTrip, nightsAt, reordered, type TripChange } from './changes.js';
export { compare, missingFrom, servicesAt, type Compared, type ServiceAt, type Summary } from './compare.js';
export { loadBefore, type Load } from './load.js';
export { livedTrip } from './livedTrip.js';
export { passedBy, replanned, seenOf, type PassedBy, type PlanSeen, type Replanned } from './replanned.js';
export { mends, type Mend } from './mends.js';
export { ALL_SCHOOLS, howOf } from './schools.js';
export { problemOf, type Problem, type ProblemOptions } from './problem.js';
export { type Shortfall } from './shortfall.js';
export { type LastChance } from './lastChance.js';
export {
	costOfServices,
	pricesOf,
	servesKind,
	SERVICE_KINDS,
	kindOf,
	type Reading,
	type ServiceKind
} from './visits.js';
export {
	levelsAlong,
	levelsAtStops,
	type LevelsAtStop,
	type LevelThen,
	type TankAlong
} from './levelsAlong.js';
export {
	autonomyFromFull,
	litresInBay,
	SETTING_OUT_DAYS,
	THOUGHT_OF,
	withIdea,
	type AutonomyFromFull,
	type RigIdea
} from './rig/index.js';
