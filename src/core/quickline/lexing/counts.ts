/** Numbers that people write in words. */
const COUNTS: Readonly<Record<string, number>> = {
	a: 1,
	an: 1,
	one: 1,
	two: 2,
	three: 3,
	four: 4,
	five: 5,
	six: 6,
	seven: 7,
	eight: 8,
	nine: 9,
	ten: 10
};

/** Where a number of days or times may stand, in words or figures; to be put into a pattern. */
export const COUNT = `(${Object.keys(COUNTS).join('|')}|\\d{1,3})`;

/** The number that a word or its figures tell: 3 for `three` and `3`; NaN where it is none. */
export const countOf = (text: string): number => COUNTS[text.toLowerCase()] ?? Number(text);
