export {
	autonomyOf,
	forecast,
	gainedDays,
	type Autonomy,
	type Forecast,
	type ForecastOptions,
	type TankForecast
} from './forecast.js';
export { COMPARED_PATHS, prices, type Price } from './prices.js';
export { ration, type Ration } from './ration.js';
export { seeded, type Random } from './random.js';
export type { Spread } from './quantile.js';
