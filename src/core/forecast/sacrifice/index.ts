export { EXACT_UP_TO, effortOf, type MeasureSet } from './sets.js';
export { sacrifice, type Sacrifice, type SacrificeOptions } from './sacrifice.js';
