export { plan, servicesUsed, type Plan, type PlannedService, type ServiceKind } from './plan.js';
export { expectedAt, type Course, type Shortfall, type TankService } from './course.js';
export { guardedLevel, needsOf, servesKind, type Level, type Need, type Needs } from './stretch.js';
export { litresInBay, THOUGHT_OF, withIdea, type RigIdea } from './change.js';
export { setOut, SETTING_OUT_DAYS, type SettingOut } from './whatIf.js';
export { aboardAtStops, type AboardAtStop } from './aboard.js';
