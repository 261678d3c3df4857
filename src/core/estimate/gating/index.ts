export { overdueEntries } from './imbalances.js';
export { logLikelihood } from './innovation.js';
export { alternativeLevel, likelyMissedEntries } from './missedEntryHypothesis.js';
export { measurementOf } from './readInstrument.js';
export { applyEntry, predictTo, step } from './step.js';
