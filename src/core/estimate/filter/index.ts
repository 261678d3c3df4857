export {
	bandOf,
	levelBelieved,
	levelWithin,
	normalOf,
	placeOf,
	usableNow,
	type Band
} from './constrainedLevel.js';
export { changesOften, countedHabits, exposureTo, type Counts } from './counts.js';
export { evidenceOf } from './countMeasurements.js';
export type { Doubt, DoubtCause, DoubtedReading, Imbalance } from './doubts.js';
export { continueFrom, estimateFrom, type Checkpoint, type Estimate } from './estimateAt.js';
export { copyOfState, initialState, settled, type FilterState } from './filterState.js';
export { ForwardPass, ReplayStopped, type ReplayOptions } from './forwardPass.js';
export { forwardStep, type ForwardStep, type Gating } from './forwardStep.js';
export { historyOf, remember, type InstrumentHistory } from './instrumentHistory.js';
export { measurementUpdate } from './measurementUpdate.js';
export { posterior, posteriorOf } from './posterior.js';
export { predict } from './predict.js';
export { quietAhead, settleQuiet } from './silence.js';
