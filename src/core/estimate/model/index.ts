export type { AccountRows, AccountScope, FlowGains } from './accountRows.js';
export { drawnOf, flowGainsOf, pathsOf, unwrittenRow } from './flowGains.js';
export { emptyOfPool, fullOf, type KnownLevel } from './knownLevel.js';
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
export {
	modelOf,
	withAhead,
	withCrew,
	withMorePersons,
	withoutAhead,
	withTrips,
	writesAll,
	type Model
} from './model.js';
export { type TankPlace, type Pool } from './pools.js';
export { anywhere, priorBelief } from './priors.js';
export { networkOf, type Stream } from './streams.js';
