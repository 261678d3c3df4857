export { questionIn } from './questionIn.js';
export type { Done, Otherwise, Question, Stretch, UntilSaid } from './question.js';
