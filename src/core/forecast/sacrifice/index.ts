export { EXACT_UP_TO, effortOf, forItsEffort, type MeasureSet } from './sets.js';
export { hoursGiven, sacrifice, type Sacrifice, type SacrificeOptions } from './sacrifice.js';
