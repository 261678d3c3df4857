export { plan, tripOf, work, type Effort, type Plan, type PlannedService, type Worked } from './plan.js';
export { problemOf, type Problem, type ProblemOptions } from './problem.js';
export { type Shortfall } from './shortfall.js';
export { type LastChance } from './lastChance.js';
export { servesKind, SERVICE_KINDS, kindOf, type Reading, type ServiceKind } from './visits.js';
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
