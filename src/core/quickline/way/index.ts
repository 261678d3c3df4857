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
export { sayWay, type SaidWith } from './sayWay.js';
