import type { Drink } from '../../care/index.js';

/** Whether one may drink a water, in two or three words. */
export const DRINK_WORDS: Readonly<Record<Drink, string>> = Object.freeze({
	drinking: 'drinking water',
	treated: 'treated',
	unsure: 'drinking: unsure',
	washing: 'washing only'
});
