interface Named {
	readonly id: string;
	readonly name: string;
}

const plainWords = (text: string): readonly string[] =>
	text
		.toLowerCase()
		.split(/[^\p{L}\p{N}]+/u)
		.filter((word) => word !== '');

const sameWord = (typed: string, word: string): boolean =>
	word.startsWith(typed) ||
	(typed.length > 3 && typed.endsWith('s') && word.startsWith(typed.slice(0, -1))) ||
	(typed.endsWith('es') && typed.length > 4 && word.startsWith(typed.slice(0, -2)));

/** How well typed words name something: 0 not at all, 3 the very name. */
function fit(typed: readonly string[], names: readonly string[]): number {
	const best = names.map((name) => {
		const words = plainWords(name);
		if (words.join(' ') === typed.join(' ')) return 3;
		if (!typed.every((word) => words.some((known) => sameWord(word, known)))) return 0;
		return sameWord(typed[0] ?? '', words[0] ?? '') ? 2 : 1;
	});
	return Math.max(0, ...best);
}

/**
 * The things that typed words name, the best fits only; all of them when nothing was typed.
 *
 * @param also other words for a thing beside its name
 */
export function namedBy<T extends Named>(
	typed: readonly string[],
	things: readonly T[],
	also: (thing: T) => readonly string[] = () => []
): readonly T[] {
	if (typed.length === 0) return things;
	const scored = things.map((thing) => ({ thing, score: fit(typed, [thing.name, ...also(thing)]) }));
	const best = Math.max(0, ...scored.map(({ score }) => score));
	return best === 0 ? [] : scored.filter(({ score }) => score === best).map(({ thing }) => thing);
}

const FILLERS = new Set([
	'the',
	'a',
	'an',
	'to',
	'into',
	'in',
	'from',
	'of',
	'at',
	'tank',
	'with',
	'is',
	'was',
	'now',
	'up',
	'reads',
	'shows',
	'and',
	'for'
]);

/** Words without those that carry nothing. */
export const meaningful = (words: readonly string[]): readonly string[] =>
	words.filter((word) => !FILLERS.has(word));
