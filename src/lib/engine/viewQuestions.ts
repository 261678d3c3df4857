/** Questions that only some views ask: apart, so that the first view need not load them. */
export { basketAnswer } from './basketAnswer';
export { basisOf, calibrationPairs, informationGain, smoothedPast, withEntry } from '$core/estimate';
export { whyLasting } from '$core/habits';
export { boundOf, effectOf, plainEffect } from '$core/now';
export { autonomyFromFull } from '$core/plan';
export { bestLean, undrainedL } from '$core/rig';
export { sayWhy } from '$core/words';
