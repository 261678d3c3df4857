export { aheadNow, climateNow, personsNow, rarerAhead, type Ahead, type Cadence } from './cadence.js';
export {
	dailyChange,
	dailyParts,
	dayAhead,
	drawnPerDay,
	gainOf,
	litresOf,
	litresPerDay,
	unloggedGain,
	unloggedGains,
	type DailyChange,
	type DailyPart,
	type DayAhead,
	type HabitAhead,
	type UnloggedAhead
} from './daily.js';
export { whyLasting, type WhyLasting } from './whyLasting.js';
export { totalsOf, type Totals } from './totals.js';
