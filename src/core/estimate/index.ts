export { estimate, withEntry } from './estimate.js';
export { meterNow, roomOf, standingLevelWith } from './standing.js';
export {
	bindingLevel,
	levelOf,
	levelOfPool,
	readLevels,
	usableOfTank,
	type Levels,
	type TankLevel
} from './levels.js';
export {
	changesOften,
	countedHabits,
	exposureTo,
	gaugeBand,
	modelOf,
	normalCdf,
	normalQuantile,
	rootOf,
	truncate,
	withMorePersons,
	withTrips,
	type AccountRows,
	type Counts,
	type Doubt,
	type DoubtCause,
	type FilterState,
	type Gaussian,
	type Imbalance,
	type Model,
	type Moments,
	type Place,
	type Pool,
	type Sparse,
	type Stream,
	type Truncated
} from './filter/index.js';
export { likelyMissedEntries } from './doubt/index.js';
export {
	accountBySteps,
	accountOf,
	basisOf,
	calibrationPairs,
	informationGain,
	movesOf,
	Replay,
	ReplayStopped,
	smoothedPast,
	type Account,
	type AccountOptions,
	type Basis,
	type Cut,
	type CalibrationPair,
	type Estimate,
	type InformationShares,
	type Move,
	type PastLevel,
	type PastReading,
	type PastTank,
	type ReplayOptions
} from './past/index.js';
export {
	useInLog,
	writesInBatches,
	type Logged,
	DAY_MS,
	personDays,
	personsAt,
	climateOf,
	cutAt,
	riseOf,
	stepAt,
	USUAL_CLIMATE,
	type Climate,
	type HookUp,
	type Steps,
	type Crew
} from './prior/index.js';
