export { answerListen, type ListenAnswer, type ListenQuestion } from './answer.js';
export { countedBy, type Showing } from './counted.js';
export type { Leak } from './leaks.js';
export { listen, type Choice, type Ear, type HeardUse, type Listened, type Listening } from './listen.js';
export { joined, readingsDue, useDraft, type ReadingDue } from './logging.js';
export type { Level } from './runs.js';
export { heardByDay, heardLitres, isInLog, mayGoOn, nodsFor, type HeardLitres, type Nod } from './nods.js';
