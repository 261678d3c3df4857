export { calibrationPairs, type CalibrationPair } from './calibrationPairs.js';
export {
	smoothedSumsInParts,
	smoothedSums,
	type SmoothedSums,
	type SmoothedSumsOptions,
	type Cut
} from './fixedPointSmoother.js';
export { informationGain, type InformationShares } from './informationGain.js';
export { movesOf, type Move } from './moves.js';
export { smoothedPast, type PastLevel, type PastReading, type PastTank } from './rtsSmoother.js';
export { basisOf, type Basis } from './sensitivity.js';
export { stateBefore } from './stateBefore.js';
