export type { AccountRows, AccountScope, Gains } from './accountRows.js';
export { drawnOf, gainsOf, pathsOf } from './flowGains.js';
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
export { modelOf, withCrew, withMorePersons, withTrips, type Model } from './model.js';
export { type Place, type Pool } from './pools.js';
export { anywhere, priorBelief } from './priors.js';
export { networkOf, type Stream } from './streams.js';
