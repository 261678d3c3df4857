/** Made with the first list, like what writes days (`dayWriter`). */
let format: Intl.ListFormat | undefined;

/** `a`, `a and b`, `a, b and c`. */
export const listed = (words: readonly string[]): string =>
	(format ??= new Intl.ListFormat('en-GB', { type: 'conjunction' })).format(words);

/** A sentence of our own within another one: `one load each week`. */
export const midSentence = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);
