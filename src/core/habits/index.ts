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
export { dayFlows, type DayFlow, type End } from './dayFlows.js';
export { compare, didItPay, type Comparison, type DidItPay, type Sample } from './didItPay.js';
export { flowOfPours, measuredOf, averageOf, type Pour, type Repeats } from './measured.js';
export { risingAhead, type Rising } from './rising.js';
export { daysByLot, TRIAL_DAYS, trialEntries } from './trialByLot.js';
