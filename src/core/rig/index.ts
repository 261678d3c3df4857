export {
	defaultRodPlace,
	depthFor,
	fullLitres,
	heightMm,
	litresAt,
	rodSpan,
	STEEPEST_DEG,
	type Lean,
	type RodPlace,
	type RodSpan
} from './shape.js';
export { bindsAt, emptyOf, fromShapeLitres, fullSdOf, isCarried, tankById, usableOf } from './tank.js';
export { flowOf, usualTimesPerDay, type Amount, type Flow, type Regime } from './flow.js';
export { firstEntries, startingRig, type Beginning } from './starting.js';
export { readyRig, readyRigs, type ReadyId } from './ready.js';
export { dipTable, litreMarks, marksFor, type Dipping, type DipRow } from './dip.js';
export { bestLean, drainPlace, undrainedL, type DrainCorner, type LeanAdvice } from './drain.js';
export { isotonic } from './isotonic.js';
export {
	countedBetween,
	summarise,
	summariseBuckets,
	trialKindOf,
	type Counted,
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
export { boxInBay, type Bay } from './bay.js';
export { fullLoad, kgOf, spareLitres, weightOf, type Spare, type Weight } from './weight.js';
export {
	plumbingOf,
	traceOf,
	traceOfEntry,
	type NodeKind,
	type Pipe,
	type PipeFault,
	type PipeNode,
	type Plumbing
} from './plumbing.js';
export { gallonIn, suspicionsOf, type Gallon, type Suspicion } from './suspicions.js';
export { impactOf, type Impact } from './impact.js';
