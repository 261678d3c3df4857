/** Questions that only some views ask: apart, so that the first view need not load them. */
export { smoothedPast, calibrationPairs, informationGain } from '$core/estimate';
export { whyLasting } from '$core/habits';
export { levelsAtStops, plan, autonomyFromFull } from '$core/plan';
export { bestLean, undrainedL } from '$core/rig';
