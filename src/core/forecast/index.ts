export { ration, type Ration } from './ration.js';
export {
	DEFAULT_PATHS,
	forecast,
	type Forecast,
	type ForecastOptions,
	type TankForecast
} from './forecast.js';
export type { Spread } from './quantile.js';
export { seeded, type Random } from './random.js';
