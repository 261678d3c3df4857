export { autonomyFromFull, SETTING_OUT_DAYS, type AutonomyFromFull } from './autonomyFromFull.js';
export { litresInBay, THOUGHT_OF, withIdea, type RigIdea } from './change.js';
