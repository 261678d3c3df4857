export * from './tanks/index.js';
export * from './instruments/index.js';
export * from './plumbing/index.js';
export * from './containers/index.js';
export * from './starters/index.js';
export { reckonedWith, withCurve, restated, withItem, withScale, withTank, withTrials } from './edits.js';
