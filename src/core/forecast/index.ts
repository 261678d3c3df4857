export {
	autonomyOf,
	boundsOf,
	COMPARED_PATHS,
	forecast,
	forecastByDay,
	lastingOf,
	MOST_DAYS,
	type Autonomy,
	type Forecast,
	type ComparedOptions,
	type ForecastOptions,
	type More,
	type TankForecast
} from './forecast.js';
export {
	cumulativeAt,
	cumulativeFlow,
	type CumulativeFlow,
	type CumulativeFlowOptions
} from './cumulative/index.js';
export { prices, type Price } from './prices.js';
export { ration, type Ration } from './ration.js';
export {
	EXACT_UP_TO,
	effortOf,
	forItsEffort,
	hoursGiven,
	sacrifice,
	type MeasureSet,
	type Sacrifice,
	type SacrificeOptions
} from './sacrifice/index.js';
export { size, type Size, type SizeOptions } from './size.js';
export { useClockOf, type UseClock } from './useClock.js';
export { worth, type MeasureWorth, type Worth, type WorthOptions } from './worth.js';
export { basket, type Basket, type Holding } from './basket.js';
export { LINE_DAYS, stayLine, type StayLine, type StaySegment } from './stayLine.js';
export {
	foretell,
	forecastRecordOf,
	scoreOf,
	type ForecastRecord,
	type Foretold,
	type ForetoldTank,
	type Score,
	type ScoredTank,
	type Settled,
	type Surprise
} from './record/index.js';
