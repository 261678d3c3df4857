export {
	fitsL,
	hoseLitres,
	keptFreeL,
	livesFrom,
	loadsOf,
	MOST_LOADS,
	stayByContainer,
	USUAL_WASTE_HOSE,
	whenToGo,
	type Hose,
	type Loads,
	type StayLoads,
	type Vessel,
	type WhenToGo
} from './containers/index.js';
export {
	fillFigures,
	lastShown,
	passedBetween,
	showsAfter,
	type FillFigures,
	type FillTarget
} from './fill/index.js';
export { dumpOrder, flushedFrom, wetL, type DumpAct, type DumpStep } from './dump/index.js';
export {
	allEntriesOf,
	asRead,
	counterSetting,
	entriesOf,
	faultOf,
	markOf,
	soFar,
	stepAt,
	stepsOf,
	type Answer,
	type Answered,
	type CarrySetup,
	type DumpSetup,
	type Fault,
	type FillPart,
	type FillSetup,
	type Mark,
	type Run,
	type Setup,
	type Source,
	type Step,
	type ToteSetup,
	type Written
} from './steps/index.js';
export {
	carrySetup,
	dumpSetup,
	fillSetup,
	passedSince,
	toteSetup,
	type CarryWish,
	type FillWish
} from './setups.js';
