const LIST = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** `a`, `a and b`, `a, b and c`. */
export const listed = (words: readonly string[]): string => LIST.format(words);
