export { firstEntries, startingRig, TOILETS, toiletOf, type Beginning, type Toilet } from './firstRig.js';
export { readyRig, readyRigs, type ReadyId } from './readyRigs.js';
export { habitFor, ideaOf, MEASURE_IDEAS, measureFrom, type MeasureIdea } from './measureCatalogue.js';
