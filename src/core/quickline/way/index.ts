export { pointsBeginning } from './known.js';
export {
	readWay,
	wayContext,
	type LineRead,
	type Way,
	type WayContext,
	type WayProblem,
	type WayStop
} from './readWay.js';
export { nameOfWay, tripFromWay } from './wayTrip.js';
export { sayWay, type SaidWith } from './sayWay.js';
