export {
	firstEntries,
	startingRig,
	TOILETS,
	toiletOf,
	withOthers,
	type Beginning,
	type Others,
	type Toilet
} from './firstRig.js';
export { readyRig, readyRigs, type ReadyId } from './readyRigs.js';
export { habitFor, ideaOf, MEASURE_IDEAS, measureFrom, type MeasureIdea } from './measureCatalogue.js';
