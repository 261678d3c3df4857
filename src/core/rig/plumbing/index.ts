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
export { drawsSea, goesOverboard, seaKey, type SeaState } from './sea.js';
export { isFlushTank } from './toilets.js';
export { drainOf, mannerOf, type Manner } from './drains.js';
export {
	isAnyOpen,
	isDrainedBy,
	openBlack,
	openTanks,
	thawedValves,
	usualValves,
	valvesKey,
	type OpenValves
} from './valves.js';
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
export { isLoss } from './losses.js';
