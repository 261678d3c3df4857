export { plan, type Plan, type PlannedService, type ServiceKind } from './plan.js';
export { expectedAt, type Course, type Shortfall, type TankService } from './course.js';
export { guardedLevel, needsOf, servesKind, type Level, type Need, type Needs } from './stretch.js';
export { aboardAtStops, type AboardAtStop } from './aboard.js';
