/** Questions that only some views ask: a face of their own, so that the first view need not load them. */
export {
	accountOf,
	readingsBeside,
	taughtOf,
	type KnownReading,
	type PastTank,
	type Taught
} from '../estimate/index.js';
export { aboardAtStops, plan, type AboardAtStop } from '../plan/index.js';
export { setOut, type SettingOut } from './whatIf.js';
export { whyLasting, type WhyLasting } from './why.js';
