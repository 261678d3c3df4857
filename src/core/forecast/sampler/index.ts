export { chanceStream } from './commonRandomNumbers.js';
export { drawPaths, type Draws } from './draws.js';
export { inflateSpread } from './inflateSpread.js';
export {
	laneGainsOf,
	lanesOf,
	limitOf,
	spareBehind,
	spareOf,
	type LaneGains,
	type HabitGain,
	type Lane
} from './lanes.js';
export { bring, livePaths, type Lived, type Living } from './paths.js';
export { spentIn, type Spent } from './spent.js';
export { dayPartsAhead, type DayPart } from './steps.js';
export { aboard, oftenOn, onWeekend, timesSaid, usesOf, weekendIn, type Uses } from './uses.js';
