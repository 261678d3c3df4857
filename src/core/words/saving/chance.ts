/** How sure one wants to be, in words that people use for it. */
export const CERTAINTIES = Object.freeze([
	{ value: 0.5, label: 'as likely as not' },
	{ value: 0.75, label: 'fairly sure' },
	{ value: 0.9, label: 'very sure' },
	{ value: 0.97, label: 'as sure as it gets' }
]);

/** A chance as people say it: `90% chance`, `almost no chance`, `almost certain`. */
export function sayChance(chance: number): string {
	const tenths = Math.round(10 * chance);
	if (chance < 0.05) return 'almost no chance';
	if (chance > 0.985) return 'almost certain';
	if (tenths >= 10) return 'over 90% chance';
	return `${10 * tenths}% chance`;
}

/** The word for how sure that is: the highest certainty that the chance reaches. */
export function sayCertainty(chance: number): string {
	const reached = CERTAINTIES.findLast(({ value }) => chance >= value);
	return reached?.label ?? 'not sure';
}
