export { completions } from './complete.js';
export type { QuickContext } from './context.js';
export { understand, type QuickAnswer, type Understood } from './quickline.js';
export { likelyNext } from './likelyNext.js';
