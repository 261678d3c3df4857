export { plan, workedPlan } from './payload.js';
export {
	tripNamed,
	workOut,
	type Effort,
	type Plan,
	type PlannedService,
	type PlanOptions,
	type Worked
} from './plan.js';
export {
	levelsAlong,
	levelsAtStops,
	type LevelsAtStop,
	type LevelAlong,
	type TankAlong
} from './levelsAlong.js';
export {
	costOfServices,
	opensAt,
	serviceKindOf,
	livedTrip,
	pricesOf,
	planProblemOf,
	PLANNED_KINDS,
	servesKind,
	HOOKUPS,
	hookupsListed,
	stopServes,
	type PlanProblem,
	type ProblemOptions,
	type Reading,
	type ServiceKind
} from './trip/index.js';
export { ALL_SCHOOLS, strategyOf } from './optimum/index.js';
export type { IfShut, LastChance, Shortfall } from './along/index.js';
export {
	canBeShorter,
	changedEstimate,
	carryingAt,
	changedTrip,
	compareTrips,
	loadBefore,
	mends,
	missingFrom,
	nightsAt,
	passedBy,
	reordered,
	replanned,
	seenOf,
	servicesAt,
	whereIs,
	type Carrying,
	type Compared,
	type Load,
	type PlanMend,
	type PassedBy,
	type PlanSeen,
	type Replanned,
	type ServiceAt,
	type Summary,
	type TripChange
} from './alternatives/index.js';
export {
	autonomyFromFull,
	litresInBay,
	SETTING_OUT_DAYS,
	THOUGHT_OF,
	withIdea,
	type AutonomyFromFull,
	type RigIdea
} from './rig/index.js';
