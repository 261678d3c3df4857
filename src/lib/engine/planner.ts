/** Planning, and what may be used until the next service, apart: the first look goes without them. */
export { planTrip } from '$core/now';
export { ration } from '$core/forecast';
