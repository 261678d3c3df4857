export {
	autonomyOf,
	boundsOf,
	COMPARED_PATHS,
	forecast,
	forecastByDay,
	type Autonomy,
	type Forecast,
	type ComparedOptions,
	type ForecastOptions,
	type More,
	type TankForecast
} from './forecast.js';
export { prices, type Price } from './prices.js';
export { ration, type Ration } from './ration.js';
export { seeded, type Random } from './random.js';
export type { Spread } from './quantile.js';
