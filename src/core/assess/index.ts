export {
	assess,
	boundOf,
	effectOf,
	LOOK_AHEAD_DAYS,
	type Assessment,
	type Bound,
	type DayFlag,
	type Effect,
	type FoundWords,
	type TankOutlook
} from './assess.js';
export { currentTrip, tripSpan } from './trips.js';
export { setOut, SETTING_OUT_DAYS, type SettingOut } from './whatIf.js';
