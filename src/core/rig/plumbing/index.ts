export {
	flowOf,
	litresByRecipe,
	comesFromOutside,
	rarityOf,
	whereOf,
	type Amount,
	type Flow,
	type Regime
} from './flow.js';
export { usualTimesPerDay } from './usual.js';
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
export { passesMeter, tanksTouched } from './touches.js';
