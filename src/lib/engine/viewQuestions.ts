/** Questions that only some views ask: apart, so that the first view need not load them. */
export { accountOf, readingsBeside, taughtOf } from '$core/estimate';
export { whyLasting } from '$core/habits';
export { aboardAtStops, plan, setOut } from '$core/plan';
export { bestLean, undrainedL } from '$core/rig';
