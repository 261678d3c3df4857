export { choleskyOf, drawPaths, type Draws } from './draws.js';
export { ended } from './ended.js';
export { gainsOf, lanesOf, limitOf, type Gains, type HabitGain, type Lane } from './lanes.js';
export { bring, livePaths, type Lived } from './paths.js';
export { quantileOf, spreadOf, type Spread } from './quantile.js';
export { normalAt, seeded, streamOf, type Random } from './random.js';
export { spentIn, type Spent } from './spent.js';
export { stepsAhead, type Step } from './steps.js';
export { aboard, usesOf, type Uses } from './uses.js';
