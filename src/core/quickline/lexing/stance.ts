import type { NoMeaning, QuickContext } from '../context.js';
import { problem } from '../context.js';
import { plainWords } from './names.js';
import { remembered } from './remembered.js';
import { namesOf } from './things.js';

/** Whether a line tells what happened: it may ask, deny, or speak of what is still to come or may be. */
export type Stance = 'asked' | 'not' | 'not-yet' | 'maybe';

/** Whom or what a question that begins with a verb is about. */
const SUBJECT =
	'(?:we|i|you|it|there|they|he|she|one|anyone|anybody|everyone|the|this|that|these|those|my|our|any|enough|all)';
const ASKS: readonly RegExp[] = [
	/\?[\s"”]*$/,
	/^(?:how|what|what['’]?s|when|where|where['’]?s|which|who|whose|why|how['’]?s|whether)\b/,
	new RegExp(
		`^(?:can|could|may|might|shall|should|would|will|am|is|are|was|were|have|has|won['’]?t|can['’]?t|isn['’]?t|aren['’]?t) ${SUBJECT}\\b`
	),
	new RegExp(`^(?:do|does|did) (?:we|i|you|it|they|he|she|anyone|anybody)\\b`),
	/^does\b/,
	/^(?:do|did|will|would|should|has|have|is|are|was|were) .*\b(?:last|lasts|hold|reach|suffice|until|till|enough|safe|drinkable|potable|left)\b/,
	/^(?:enough|sufficient)\b/,
	/^(?:levels?|state|contents?) (?:of|in)\b/,
	/^(?:is|are|was|were) (?:\S+ ){1,4}(?:ok|okay|full|empty|enough|safe|potable|drinkable|left|fine|good)\b/,
	/^(?:days|hours|litres|liters|gallons|time|nights) (?:left|remaining)$/,
	/^(?:the )?(?:next|nearest) (?:stop|tap|water|fill|refill|dump|drain|service|pump[ -]?out|hook-?up)\b/,
	/^last (?:dump|fill|refill|shower|pump[ -]?out|reading)$/,
	/^(?:litres|liters|gallons) (?:per|a|for a)\b|^(?:cost|price) of\b|^(?:percent|share) of\b|^(?:average|daily) (?:use|usage|consumption)\b/,
	/^\D* levels?$/,
	/^(?:tell me|show me|compare|levels?|status|autonomy|forecast)$/,
	/^(?:tell me|show me)\b/
];
const LEADING = /^(?:so|and|but|hey|ok|okay|please|well|um|right)[,]? /;

const NOT =
	/^(?:no|not|never|none|nothing|nobody|without|neither|nor|cannot|didnt|dont|doesnt|wasnt|werent|isnt|arent|havent|hasnt|hadnt|cant|couldnt|wont|wouldnt|shouldnt|skip|skipped|skipping|forgot|forgotten|forget|missed|cancel|cancelled|canceled|cancels|refused|nearly|almost|hardly|barely|failed|except|unless|avoided|instead)$/;
const NEGATED = /^\p{L}+n['’]t$/u;
const NOT_YET =
	/^(?:need|needs|needed|needing|must|should|ought|want|wants|wanted|wanna|gonna|gotta|plan|plans|planning|planned|intend|intends|todo|lets|later|soon|due|remember|remind|reminder|hope|hopes|hoping|would|if|supposed|tomorrow|tomorrows|upcoming|eventually|shall|yet|try|trying|wish)$/;
const NOT_YET_PHRASES =
	/\b(?:going to|about to|have to|has to|had to|got to|time to|time for a|to do|let['’]s|let us|['’]ll|will(?! (?:had|has|took|did|made|left|came|is|was|drank|washed|showered|flushed))|due for|next (?:week|month|stop|time)|ready to|would like|could do with|when we|once we|before (?:we|i|they|bed|dinner))\b/;
const MAYBE =
	/^(?:maybe|perhaps|possibly|probably|might|could|or|either|guess|reckon|unsure|think|thinks|suppose)$/;

/** A beginning of these words, and what it may be of: a name that has one of them is that name. */
const inNames = remembered((name) => new Set(plainWords(name)));

/** Whether a word stands in a name of something of this rig together with a neighbour, or is a name by itself. */
function belongsToName(words: readonly string[], at: number, names: readonly string[]): boolean {
	const word = words[at] ?? '';
	return names.some((name) => {
		const own = inNames(name);
		if (!own.has(word)) return false;
		return own.size === 1 || own.has(words[at + 1] ?? '\0') || own.has(words[at - 1] ?? '\0');
	});
}

/** Where a line does not tell what happened: how it is meant, and the word that says so. */
export interface Said {
	readonly stance: Stance;
	readonly word: string;
}

/** Words as they stand, with their apostrophes. */
const wordsOf = (text: string): readonly string[] =>
	text
		.toLowerCase()
		.split(/[^\p{L}\p{N}'’-]+/u)
		.filter((word) => word !== '');

/** Whether a line asks; who is called Will or May tells what was done. */
export const isAsked = (text: string, { people = [] }: Pick<QuickContext, 'people'>): boolean => {
	const plain = text.trim().toLowerCase().replace(LEADING, '');
	const [first = ''] = plain.split(' ');
	const named = people.some((name) => name.toLowerCase() === first);
	return ASKS.some((asks, i) => (i === 0 || !named) && asks.test(plain));
};

/**
 * How a line is meant that does not tell what happened; nothing where it tells, or where the words that would say so belong to
 * names of the rig.
 */
export function stanceOf(text: string, context: QuickContext): Said | undefined {
	if (isAsked(text, context)) return { stance: 'asked', word: '?' };
	const words = wordsOf(text);
	const plain = words.map((word) => word.replaceAll(/['’]/g, ''));
	const names = namesOf(context);
	const free = (at: number): boolean => !belongsToName(plain, at, names);
	const firstOf = (test: (word: string, at: number) => boolean): string | undefined =>
		words.find((word, at) => test(plain[at] ?? word, at) && free(at));
	const denied = firstOf((word, at) => NOT.test(word) || NEGATED.test(words[at] ?? ''));
	if (denied !== undefined) return { stance: 'not', word: denied };
	const wanted = firstOf((word) => NOT_YET.test(word));
	if (wanted !== undefined) return { stance: 'not-yet', word: wanted };
	const phrase = NOT_YET_PHRASES.exec(words.join(' '));
	if (phrase) {
		const at = words.join(' ').slice(0, phrase.index).split(' ').filter(Boolean).length;
		if (free(at)) return { stance: 'not-yet', word: phrase[0] };
	}
	const unsure = firstOf((word) => MAYBE.test(word));
	return unsure === undefined ? undefined : { stance: 'maybe', word: unsure };
}

/** Why a line is not logged, by how it is meant. */
export function notDone(text: string, { stance }: Said, ...meant: readonly string[]): NoMeaning {
	const line = text.trim();
	const why = {
		asked: `“${line}” is a question that has no answer here. Ask, for example, “how long does it last?”, “can we take two showers?” or “when did we last dump?”.`,
		not: `“${line}” did not happen, so it is not logged. Enter only what did, or begin with “note”.`,
		'not-yet': `“${line}” is still to come, so it is not logged. Enter it once it is done, or begin with “note”.`,
		maybe: `“${line}” is not certain, so it is not logged. Enter what happened, or begin with “note”.`
	} as const;
	return { ...problem(why[stance], ...meant), notDone: true };
}
