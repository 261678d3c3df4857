export { behind, drunkFrom } from './aboard.js';
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
export {
	bindsAt,
	chargeOf,
	dumpedOf,
	emptyOf,
	fromShapeLitres,
	fullSdOf,
	isCarried,
	neverBinds,
	tankById,
	usableOf,
	usableSdOf
} from './tank.js';
export { dipTable, litreMarks, marksFor, type Dipping, type DipRow } from './dip.js';
export { bestLean, drainPlace, undrainedL, type DrainCorner, type LeanAdvice } from './drain.js';
export { boxInBay, type Bay } from './bay.js';
export { isFrozenAt } from './frozen.js';
export { heeledOf, heelLossL, type Heeled } from './heel.js';
export { drainMinutes, outflowLpm } from './outflow.js';
export {
	axleLoads,
	fullLoad,
	kgOf,
	payloadOf,
	spareLitres,
	weightOf,
	type AxleLoad,
	type Spare,
	type Weight
} from './weight.js';
