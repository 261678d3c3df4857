export {
	isOf,
	keyOf,
	listsOf,
	newChangeLog,
	noted,
	numbered,
	recordsOf,
	type ChangeLog,
	type Kept
} from './changeLog.js';
export { differenceFor, lackingTo, type Difference } from './difference.js';
export { taking, type Choice, type Choices, type Coming, type Lacking, type Taken } from './taking.js';
export { coversAll, joined, type VersionVector } from './vector.js';
