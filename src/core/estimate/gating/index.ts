export { alternativeLevel, likelyMissedEntries } from './missedEntryHypothesis.js';
export { applyEntry, predictTo, step } from './step.js';
