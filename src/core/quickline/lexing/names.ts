import { stemmer } from 'stemmer';
import { remembered } from './remembered.js';

interface Named {
	readonly id: string;
	readonly name: string;
	/** what else it is called by its people */
	readonly words?: readonly string[] | undefined;
}

/** The words of a text, lower case, without what stands between them. */
export const plainWords: (text: string) => readonly string[] = remembered((text) =>
	text
		.toLowerCase()
		.split(/[^\p{L}\p{N}]+/u)
		.filter((word) => word !== '')
);

/** Forms that a stemmer does not know. */
const IRREGULAR: ReadonlyMap<string, string> = new Map([
	['drank', 'drink'],
	['drunk', 'drink'],
	['took', 'take'],
	['swept', 'sweep'],
	['tooth', 'teeth'],
	['sanitized', 'sanitise'],
	['sanitize', 'sanitise']
]);

/** The stem of a word in any of its forms (Porter 1980). */
export const stemOf = remembered((word) => stemmer(IRREGULAR.get(word) ?? word));

const sameWord = (typed: string, word: string): boolean =>
	word.startsWith(typed) || (typed.length > 2 && stemOf(typed) === stemOf(word));

/** How well typed words name something: 0 not at all, 4 the very name. */
function fit(typed: readonly string[], names: readonly string[]): number {
	const best = names.map((name) => {
		const words = plainWords(name);
		if (words.join(' ') === typed.join(' ')) return 4;
		if (!typed.every((word) => words.some((known) => sameWord(word, known)))) return 0;
		if (words.length === typed.length) return 3;
		return sameWord(typed[0] ?? '', words[0] ?? '') ? 2 : 1;
	});
	return Math.max(0, ...best);
}

/**
 * The things that typed words name, the best fits only; all of them when nothing was typed.
 *
 * @param also other words for a thing beside its name and its people's own words
 */
export function thingsNamed<T extends Named>(
	typed: readonly string[],
	things: readonly T[],
	also: (thing: T) => readonly string[] = () => []
): readonly T[] {
	if (typed.length === 0) return things;
	const words = typed.flatMap(plainWords);
	if (words.length === 0) return [];
	const scored = things.map((thing) => ({
		thing,
		score: fit(words, [thing.name, ...(thing.words ?? []), ...also(thing)])
	}));
	const best = Math.max(0, ...scored.map(({ score }) => score));
	return best === 0 ? [] : scored.filter(({ score }) => score === best).map(({ thing }) => thing);
}

const FILLERS = new Set(
	(
		'the a an to into in from of at tank tanks with is are was were now up out reads read shows showed and for about ' +
		'i we im ive weve my our us some another extra just had have has having did do does doing took take taken taking got get made ' +
		'turn turned switch switched put make then again it its on been please went used gone says say said indicates'
	).split(' ')
);

const PLACE = /^(first|second|third|fourth|other)$/;

/** Words without those that carry nothing. */
export const meaningful = (words: readonly string[]): readonly string[] =>
	words.filter(
		(word, i) =>
			!FILLERS.has(word.replace(/['’]/g, '')) ||
			// "tank 2", "the second tank": which one is said by it.
			(word === 'tank' && (/^\d+$/.test(words[i + 1] ?? '') || PLACE.test(words[i - 1] ?? '')))
	);
