export { ifShutOf, type IfShut } from './ifShut.js';
export { bindsByPath, lastChances, shareBy, type LastChance } from './lastChance.js';
export { shortfallOf, type Shortfall } from './shortfall.js';
