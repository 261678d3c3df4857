export { estimate, step, withEntry, type Estimate } from './estimate.js';
export { levelOf, readLevels, type Basis, type Levels, type TankLevel } from './levels.js';
export { crewOf, DAY_MS, personDays, personsAt, type Crew } from './crew.js';
export { normalCdf, normalPdf, normalQuantile, truncate, type Moments, type Truncated } from './normal.js';
export { gaugeBand } from './readings.js';
export type { Model, Place, Pool } from './model.js';
export type { Doubt, Tally } from './tally.js';
export { readingsBeside, type KnownReading } from './pairs.js';
