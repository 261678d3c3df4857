export { bindsByPath, lastChances, shareBy, type LastChance } from './lastChance.js';
export { shortfallOf, type Shortfall } from './shortfall.js';
