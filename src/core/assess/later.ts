/** Questions that only some views ask: a face of their own, so that the first view need not load them. */
export { accountOf, readingsBeside, type KnownReading, type PastTank } from '../estimate/index.js';
export { aboardAtStops, plan, type AboardAtStop } from '../plan/index.js';
export { setOut, type SettingOut } from './whatIf.js';
