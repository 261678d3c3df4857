export { answerListen, type ListenAnswer, type ListenQuestion } from './answer.js';
export { countedBy, type Showing } from './counted.js';
export type { Leak } from './leaks.js';
export { listen, type Choice, type HeardUse, type Listened, type Listening } from './listen.js';
