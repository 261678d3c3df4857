import { thingsNamed, plainWords } from '../lexing/names.js';
import type { QuickContext } from '../context.js';
import { ASKING, habitsIn, tanksIn } from './named.js';
import type { Done, Question } from './question.js';
import { stretchIn } from './spans.js';

/** What asks when something was. */
export const PAST =
	/\b(?:when|how long ago)\b.*\b(?:did|was|were|have we|has)\b|\bhow (?:long|many days|many hours) (?:is it |has it been )?since\b|\blast (?:time|dump(?:ed)?|fill(?:ed)?|refill(?:ed)?|emptied|emptying|changed|cleaned|rinsed|shower(?:ed)?|reading)\b|\bhow old\b/;
const MOST = /\b(?:most|biggest|largest|top|main(?:ly)?|highest)\b(?! (?:tank|full))/;
export const USED =
	/\b(?:did (?:we|i|they|you|it|everyone)|have (?:we|i) (?:used|taken|had|drunk|drawn)|used|went|spent|consumed|drank|drawn|usage|consumption|flushed|showered|was used|do we use|are we using|we use|do (?:we|i) \w+ (?:a|per|each|every) day|did (?:the |our |a )?\w+(?: \w+)? (?:take|use|cost|need))\b/;

/** Somebody who is known, named in a question. */
function personIn(text: string, { people = [] }: QuickContext): string | undefined {
	const words = plainWords(text);
	return people.find((name) => plainWords(name).every((word) => words.includes(word)));
}

/** When something was last done. */
export function lastAsked(text: string, context: QuickContext): Question | undefined {
	if ((!PAST.test(text) && !/\bdue\b/.test(text)) || /\bhow (?:much|many)(?! days| hours)\b/.test(text))
		return undefined;
	const { rig } = context;
	const by = personIn(text, context);
	const asked = (done: Done): Question => ({
		kind: 'last',
		done,
		...(by === undefined ? {} : { by }),
		...(/\bdue\b|\bnext\b/.test(text) ? { due: true } : {})
	});
	const tanks = tanksIn(text, context);
	const nouns = plainWords(text).filter(
		(word) =>
			!ASKING.has(word) && !/^(due|since|ago|changed|change|cleaned|clean|done|replaced|replace)$/.test(word)
	);
	const dumps = /\b(?:dump\w*|emptied|empty|emptying|pump(?:ed)?[ -]?out|drained)\b/.test(text);
	const fills = /\b(?:fill\w*|refill\w*|topped|top up|took on|tank(?:ed)? up)\b/.test(text);
	const waste = tanks.filter(({ holds }) => holds !== 'fresh');
	const tasks = thingsNamed(
		nouns.filter((word) => !/^(dump|fill)/.test(word)),
		rig.care
	);
	if (nouns.length > 0 && tasks.length > 0 && !dumps && !fills)
		return asked({ kind: 'care', tasks: tasks.map(({ id }) => id) });
	const whole = /\b(?:chang|clean|replac|rins|sanit|treat|service|descal|flush)\w*/.exec(text);
	const byVerb = whole ? thingsNamed([...plainWords(whole[0]), ...nouns].slice(0, 4), rig.care) : [];
	if (byVerb.length > 0) return asked({ kind: 'care', tasks: byVerb.map(({ id }) => id) });
	if (dumps) {
		const of =
			waste.length > 0 ? waste : rig.tanks.filter(({ holds, retired }) => holds !== 'fresh' && !retired);
		return asked({ kind: 'dump', tanks: of.map(({ id }) => id) });
	}
	if (fills) {
		const fresh = tanks.filter(({ holds }) => holds === 'fresh');
		const of =
			fresh.length > 0 ? fresh : rig.tanks.filter(({ holds, retired }) => holds === 'fresh' && !retired);
		return asked({ kind: 'fill', tanks: of.map(({ id }) => id) });
	}
	const habits = habitsIn(text, context);
	if (habits.length > 0) return asked({ kind: 'use', habits });
	if (/\b(?:meter|gauge|dipstick|rod|read(?:ing)?)\b/.test(text))
		return asked({ kind: 'reading', instruments: rig.instruments.map(({ id }) => id) });
	return undefined;
}

const PER_DAY = /\b(?:a|per|each|every) day\b|\bdaily\b|\baverage\b/;

/** What was used in a stretch. */
export function usedAsked(text: string, context: QuickContext): Question | undefined {
	if (/\b(?:can|may|could) (?:we|i) use\b/.test(text)) return undefined;
	const most =
		MOST.test(text) &&
		/\b(?:us(?:e|es|ed|ing)|take|takes|took|cost|costs|water|consum\w+|thing|habit|spent|goes|went|drew|user|guzzl\w+)\b/.test(
			text
		);
	const plain =
		/\b(?:how much|how many|total|sum)\b/.test(text) &&
		/\b(?:since|yesterday|today|this week|last|past|so far|trip)\b/.test(text) &&
		!/\b(?:left|cost|long|days|nights|fits?|room)\b/.test(text);
	if (!most && !plain && !PER_DAY.test(text) && !USED.test(text)) return undefined;
	if (!most && /^(?:did|have) we\b/.test(text) && !/\b(?:use|used)\b/.test(text)) return undefined;
	const span = stretchIn(text, context);
	if (
		!span &&
		!most &&
		!PER_DAY.test(text) &&
		!/\b(?:did|used|usage|consumption|went|have we|do we use|are we using)\b/.test(text)
	)
		return undefined;
	const rest = span?.rest ?? text;
	const today = stretchIn('today', context);
	const usual = context.trip ? stretchIn('on the trip', context) : stretchIn('in the last 7 days', context);
	const stretch = (
		span ??
		(most || PER_DAY.test(text) || /\bdo we use\b|\bare we using\b|\bwe use\b/.test(text) ? usual : today)
	)?.found;
	if (!stretch) return undefined;
	const by = /^who\b/.test(text) ? 'who' : personIn(text, context);
	return {
		kind: 'used',
		stretch,
		habits: most ? [] : habitsIn(rest, context),
		most,
		...(by === undefined ? {} : { by }),
		...(PER_DAY.test(text) ? { perDay: true } : {})
	};
}
