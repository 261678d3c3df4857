export { isOf, listsOf, newChangeLog, noted, numbered, recordsOf, type ChangeLog } from './changeLog.js';
export { differenceFor, lackingTo, type Difference } from './difference.js';
export type { Choice } from './settling.js';
export { taking, type Choices, type Coming, type Lacking, type Taken } from './taking.js';
export { coversAll, joined, type VersionVector } from './vector.js';
