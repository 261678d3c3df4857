export { asRead, counterSetting, markOf, soFar, type StopMark } from './figures.js';
export { allEntriesOf, entriesOf, keysOf, type Written } from './entries.js';
export { faultOf, type Fault } from './faults.js';
export { fitsRig, readRun } from './schema.js';
export { currentStep, stepsOf, type RunStep } from './steps.js';
export type {
	StepAnswer,
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
