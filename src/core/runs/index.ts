export { livesFrom, stayByContainer, whenToGo, type StayLoads, type WhenToGo } from './containers/index.js';
export {
	fillFigures,
	lastShown,
	passedBetween,
	showsAfter,
	type FillFigures,
	type FillTarget
} from './fill/index.js';
export { plannedFills, type PlannedFill } from './fill/planned.js';
export {
	dumpOrder,
	wetL,
	type DumpAct,
	type DumpLine,
	type DumpManner,
	type DumpStep
} from './dump/index.js';
export {
	allEntriesOf,
	asRead,
	counterSetting,
	entriesOf,
	faultOf,
	fitsRig,
	keysOf,
	markOf,
	readRun,
	soFar,
	currentStep,
	stepsOf,
	type StepAnswer,
	type Answered,
	type CarrySetup,
	type DumpSetup,
	type Fault,
	type FillPart,
	type FillSetup,
	type StopMark,
	type Run,
	type Setup,
	type Source,
	type RunStep,
	type ToteSetup,
	type Written
} from './steps/index.js';
export {
	carryLoads,
	carrySetup,
	dumpSetup,
	fillSetup,
	passedSince,
	toteSetup,
	type CarryWish,
	type FillWish
} from './setups.js';
