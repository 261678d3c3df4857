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
