export { asRead, counterSetting, markOf, soFar, type Mark } from './figures.js';
export { allEntriesOf, entriesOf, keysOf, type Written } from './entries.js';
export { faultOf, type Fault } from './faults.js';
export { fitsRig, readRun } from './schema.js';
export { stepAt, stepsOf, type Step } from './steps.js';
export type {
	Answer,
	Answered,
	CarrySetup,
	DumpSetup,
	FillPart,
	FillSetup,
	Run,
	Setup,
	Source,
	ToteSetup
} from './run.js';
