export {
	defaultRodPlace,
	depthFor,
	fullLitres,
	litresAt,
	rodSpan,
	STEEPEST_DEG,
	type Lean,
	type RodPlace,
	type RodSpan
} from './shape.js';
export { bindsAt, emptyOf, fromShapeLitres, fullSdOf, isCarried, tankById, usableOf } from './tank.js';
export {
	flowOf,
	mixedFlow,
	usualLitresPerDay,
	usualTimesPerDay,
	type Amount,
	type Flow,
	type Regime
} from './flow.js';
export { firstEntries, startingRig, type Beginning } from './starting.js';
