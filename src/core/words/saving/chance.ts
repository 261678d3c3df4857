/** How sure one wants to be, in words that people use for it. */
export const CERTAINTIES = Object.freeze([
	{ value: 0.5, label: 'as likely as not' },
	{ value: 0.75, label: 'fairly sure' },
	{ value: 0.9, label: 'very sure' },
	{ value: 0.97, label: 'as sure as it gets' }
]);

const TENTHS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];

/** A chance as people say it: `nine chances in ten`, `hardly a chance`, `as good as certain`. */
export function sayChance(chance: number): string {
	const tenths = Math.round(10 * chance);
	if (chance < 0.05) return 'hardly a chance';
	if (chance > 0.985) return 'as good as certain';
	if (tenths >= 10) return 'more than nine chances in ten';
	return `${TENTHS[tenths]} chance${tenths === 1 ? '' : 's'} in ten`;
}

/** The word for how sure that is: the highest certainty that the chance reaches. */
export function sayCertainty(chance: number): string {
	const reached = CERTAINTIES.findLast(({ value }) => chance >= value);
	return reached?.label ?? 'not sure';
}
