export { fillFigures, type FillFigures, type FillTarget } from './figures.js';
export { lastShown, passedBetween, showsAfter, type Counter, type Passed } from './mark.js';
