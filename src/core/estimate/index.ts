export { estimate, withEntry, type Estimate } from './estimate.js';
export { Replay, ReplayStopped, type ReplayOptions } from './past/replay.js';
export { modelOf, type Model, type Place, type Pool, type Stream } from './filter/model.js';
export { PARAMETERS } from './parameters.js';
export type { Gaussian } from './filter/gaussian.js';
export { levelOf, readLevels, type Basis, type Levels, type TankLevel } from './levels.js';
export { crewOf, DAY_MS, personDays, personsAt, type Crew } from './prior/crew.js';
export {
	normalCdf,
	normalPdf,
	normalQuantile,
	truncate,
	type Moments,
	type Truncated
} from './filter/normal.js';
export { gaugeBand } from './filter/measurementModel.js';
export type { Doubt, Imbalance, FilterState } from './filter/filterState.js';
export { calibrationPairs, type CalibrationPair } from './past/calibrationPairs.js';
export { smoothedPast, type PastLevel, type PastReading, type PastTank } from './past/smoother.js';
export { rootOf } from './filter/cholesky.js';
export { informationGain, type InformationShares } from './past/informationGain.js';
export { likelyMissedEntries } from './doubt/missedEntryHypothesis.js';
