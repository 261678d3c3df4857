export { aheadCuts, personsSaid, saidAt, windowsOf, type SaidOften } from './ahead.js';
export { SITTING_MS, writesInBatches } from './batchLogging.js';
export { climateOf, riseOf, USUAL_CLIMATE, type Climate } from './climate.js';
export { crewOf, crewWith, personDays, personsAt, stepAt, type Crew } from './crew.js';
export { heelOf } from './climate.js';
export { ashoreOf, hookUpsOf, noDischargeOf, type HookUp } from './hookUps.js';
export { cached, regimeKey, regimeKeyOf, type KeyedRegime } from './regime.js';
export { type HabitCount } from './paceGrid.js';
export {
	unloggedInLog,
	useInLog,
	type Logged,
	type RateEvidence,
	type Unlogged,
	type UseInLog
} from './unloggedUse.js';
export {
	copyOfWeeks,
	forgetWeeks,
	inWeek,
	noWeeks,
	weekendOf,
	weeksOf,
	type WeekCounts,
	type WeekFactors,
	type WeekParts
} from './weekdays.js';
export { wakingDaysOf } from './wakingDays.js';
export {
	copyOfWriting,
	forgetWriting,
	noteWriting,
	noWriting,
	sittingsADay,
	writingExpected,
	type WritingCounts
} from './writing.js';
