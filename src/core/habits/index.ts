export { aheadNow, climateNow, personsNow, type Ahead, type Cadence } from './ahead/cadence.js';
export {
	addsOf,
	dailyChange,
	dailyParts,
	dayAhead,
	gainOf,
	litresOf,
	litresPast,
	litresPerDay,
	unloggedGain,
	unloggedGains,
	type DailyPart,
	type DayAhead,
	type HabitAhead,
	type UnloggedAhead
} from './ahead/daily.js';
export { whyLasting, type WhyLasting } from './ahead/whyLasting.js';
export { totalsOf, type Totals } from './measured/totals.js';
export { dayFlows, type DayFlow, type End } from './ahead/dayFlows.js';
export { compareMeans, didItPay, type Comparison, type DidItPay, type Sample } from './measured/didItPay.js';
export { flowOfPours, measuredOf, averageOf, type Pour, type Repeats } from './measured/repeats.js';
export { sourcesAhead, type SourceAhead } from './ahead/inflow.js';
export { risingAhead, type Rising } from './ahead/rising.js';
export { daysByLot, endingTrial, TRIAL_DAYS, trialEntries } from './measured/trialByLot.js';
export { paceDoubt } from './ahead/paceDoubt.js';
