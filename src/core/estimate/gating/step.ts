import { forwardStep } from '../filter/index.js';
import { applyMark, checkPossible } from './imbalances.js';
import { readInstrument } from './readInstrument.js';

/** The filter's forward step, each reading judged before it counts. */
export const { applyEntry, predictTo, step } = forwardStep({
	assessReading: readInstrument,
	applyMark,
	checkPossible
});
