export {
	countedBetween,
	summarise,
	summariseBuckets,
	trialKindOf,
	type MeterCount,
	type Rounding,
	type ScaleSummary,
	type TrialSummary
} from './trial.js';
export {
	flats,
	learnCurve,
	tableFrom,
	type CurveStep,
	type Flat,
	type LearnedCurve,
	type Pair
} from './curve.js';
export { litresPerUnit, rolledBy } from './meter.js';
export { lessonsOf, type Lessons, type Seen } from './lessons.js';
