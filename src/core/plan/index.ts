export { plan, servicesUsed, type Plan, type PlannedService, type ServiceKind } from './plan.js';
export { expectedAt, type TankSchedule, type Shortfall, type TankService } from './tankSchedule.js';
export { guardedLevel, needsOf, servesKind, type Level, type Need, type Needs } from './stretch.js';
export { litresInBay, THOUGHT_OF, withIdea, type RigIdea } from './change.js';
export { autonomyFromFull, SETTING_OUT_DAYS, type AutonomyFromFull } from './whatIf.js';
export { levelsAtStops, type LevelsAtStop } from './levelsAtStops.js';
