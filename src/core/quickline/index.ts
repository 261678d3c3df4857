export { answerLine, type LineAnswer, type LineEntry, type LineQuestion } from './answerLine.js';
export { understand, type QuickAnswer } from './quickline.js';
export type { Question } from './questions/index.js';
export {
	withAll,
	isAhead,
	isHabit,
	type Addition,
	type LastRead,
	type QuickContext,
	type ServiceFound,
	type Understood
} from './context.js';
export {
	nameOfWay,
	pointsBeginning,
	readWay,
	sayWay,
	tripFromWay,
	wayContext,
	type LineRead,
	type Way,
	type WayContext,
	type WayProblem,
	type WayStop
} from './way/index.js';
export { completions } from './complete.js';
export { knownFrom, type Known } from './known.js';
export { likelyNext } from './likelyNext.js';
