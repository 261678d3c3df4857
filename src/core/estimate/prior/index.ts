export { crewOf, crewWith, DAY_MS, personDays, personsAt, type Crew } from './crew.js';
export { diurnalUseOf, type DiurnalUse } from './diurnalUse.js';
export { useInLog, type Counted, type Logged, type Unlogged } from './unloggedUse.js';
export { SITTING_MS, writesInBatches } from './writing.js';
export {
	climateOf,
	cutAt,
	hookUpsOf,
	riseOf,
	stepAt,
	USUAL_CLIMATE,
	type Climate,
	type HookUp,
	type Steps
} from './climate.js';
