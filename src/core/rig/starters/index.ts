export { firstEntries, startingRig, type Beginning } from './firstRig.js';
export { readyRig, readyRigs, type ReadyId } from './readyRigs.js';
export { habitFor, ideaOf, MEASURE_IDEAS, measureFrom, type MeasureIdea } from './measureCatalogue.js';
