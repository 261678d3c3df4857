export { applyMark, checkPossible } from './imbalances.js';
export { alternativeLevel, likelyMissedEntries } from './missedEntryHypothesis.js';
export { readInstrument } from './readInstrument.js';
