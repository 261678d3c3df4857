export { Gaussian, dot, type NewRow, type Operation, type Sparse } from './gaussian.js';
export { rootOf, solveBackward, solveForward } from './cholesky.js';
export {
	mixed,
	normalCdf,
	normalPdf,
	normalQuantile,
	truncate,
	type Moments,
	type Truncated
} from './normal.js';
export type { AccountRows, AccountScope } from './accountRows.js';
export { accountRows, withAccounts } from './accounts.js';
export { modelOf, withCrew, withMorePersons, withTrips, type Model } from './model.js';
export type { Place, Pool } from './pools.js';
export type { Stream } from './streams.js';
export { regimeKeyOf } from './regime.js';
export {
	anywhere,
	changesOften,
	copyOfState,
	countedHabits,
	exposureTo,
	initialState,
	type Counts,
	type Doubt,
	type DoubtCause,
	type DoubtedReading,
	type FilterState,
	type Imbalance
} from './filterState.js';
export { posterior } from './posterior.js';
export { writeUp } from './pending.js';
export { passTime } from './timeUpdate.js';
export {
	applyDump,
	applyFill,
	applyTransfer,
	applyUse,
	emptyOfPool,
	fullOf,
	openToSewer,
	pathsOf,
	settled,
	type KnownLevel
} from './transitions.js';
export {
	displaySd,
	gaugeBand,
	gaugeMeasurement,
	litresRead,
	meterMeasurement,
	rodLitres,
	rodMeasurement,
	type Measurement
} from './measurementModel.js';
export { bandOf, levelBelieved, levelWithin, placeOf, usableNow, type Band } from './readOut.js';
