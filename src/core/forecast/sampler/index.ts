export { streamOf } from './commonRandomNumbers.js';
export { drawPaths, type Draws } from './draws.js';
export { inflateSpread } from './inflateSpread.js';
export { gainsOf, lanesOf, limitOf, type Gains, type HabitGain, type Lane } from './lanes.js';
export { bring, livePaths, type Lived } from './paths.js';
export { spentIn, type Spent } from './spent.js';
export { stepsAhead, type Step } from './steps.js';
export { aboard, usesOf, type Uses } from './uses.js';
