export { foretell, type Foretold, type ForetoldTank } from './foretold.js';
export { forecastRecordOf, type ForecastRecord, type Settled } from './dispersionCorrection.js';
export { scoreOf, type Score, type ScoredTank, type Surprise } from './score.js';
