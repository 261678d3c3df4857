import type { Shape } from '../../src/core/logbook/index.js';

/** 1000 × 500 × 300: half a litre a millimetre. */
export const box = { form: 'box', lengthMm: 1000, widthMm: 500, heightMm: 300 } as const satisfies Shape;
/** Two legs of 200 mm under a bridge from 150 mm up, over a wheel. */
export const arch: Extract<Shape, { form: 'prism' }> = {
	form: 'prism',
	lengthMm: 700,
	outline: [
		[-300, 0],
		[-100, 0],
		[-100, 150],
		[100, 150],
		[100, 0],
		[300, 0],
		[300, 300],
		[-300, 300]
	]
};
