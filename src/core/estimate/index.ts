export { standsBehind, type Behind } from './behind.js';
export { estimate, withEntry } from './estimate.js';
export { expectedMeter } from './expectedMeter.js';
export {
	aboardNow,
	drinkingL,
	keptOf,
	outOfReach,
	reserveNow,
	reserveOf,
	type Aboard,
	type Kept
} from './kept.js';
export {
	changesOften,
	countedHabits,
	evidenceOf,
	exposureTo,
	ReplayStopped,
	type Counts,
	type Doubt,
	type DoubtCause,
	type Estimate,
	type FilterState,
	type Imbalance,
	type ReplayOptions
} from './filter/index.js';
export { likelyMissedEntries, overdueEntries } from './gating/index.js';
export { headroomOf, standingLevelWith } from './headroom.js';
export {
	aheadCuts,
	climateOf,
	inWeek,
	personDays,
	personsAt,
	riseOf,
	saidAt,
	USUAL_CLIMATE,
	useInLog,
	weekendOf,
	writesInBatches,
	type Climate,
	type Crew,
	type HookUp,
	type Logged,
	type SaidOften,
	type WeekFactors,
	type WeekParts
} from './inputs/index.js';
export {
	bindingLevel,
	levelOf,
	levelOfPool,
	readLevels,
	usableOfTank,
	type Levels,
	type SilentLevels,
	type TankLevel
} from './levels.js';
export {
	gaugeBand,
	litresRead,
	modelOf,
	withMorePersons,
	withAhead,
	withTrips,
	type AccountRows,
	type Model,
	type TankPlace,
	type Pool,
	type Stream
} from './model/index.js';
export {
	cadenceMemoryDays,
	cadenceSdShare,
	dayFactorSd,
	dispersionMost,
	dispersionPrior,
	dispersionPriorDegrees,
	flowScatterFactor,
	habitDayFactorSd,
	habitMeanVarianceShare,
	residualSdShare
} from './parameters.js';
export { Replay } from './replay.js';
export { saidContradicted } from './saidContradicted.js';
export {
	smoothedSumsInParts,
	smoothedSums,
	basisOf,
	calibrationPairs,
	informationGain,
	movesOf,
	smoothedPast,
	type SmoothedSums,
	type SmoothedSumsOptions,
	type Basis,
	type CalibrationPair,
	type Cut,
	type InformationShares,
	type Move,
	type PastLevel,
	type PastReading,
	type PastTank
} from './smoothing/index.js';
