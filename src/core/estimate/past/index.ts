export { accountOf, type Account, type AccountOptions, type Cut } from './account.js';
export { calibrationPairs, type CalibrationPair } from './calibrationPairs.js';
export { type Estimate } from './estimateAt.js';
export { informationGain, type InformationShares } from './informationGain.js';
export { basisOf, type Basis } from './influence.js';
export { ReplayStopped, type ReplayOptions } from './pass.js';
export { Replay } from './replay.js';
export { smoothedPast, type PastLevel, type PastReading, type PastTank } from './smoother.js';
export { step, update } from './step.js';
