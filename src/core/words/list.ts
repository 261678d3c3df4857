const LIST = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** `a`, `a and b`, `a, b and c`. */
export const listed = (words: readonly string[]): string => LIST.format(words);

/** A name as it stands within a sentence: `change the filter`. */
export const midSentence = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);
