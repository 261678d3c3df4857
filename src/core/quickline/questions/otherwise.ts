import { listed, type Happening } from '../../words/index.js';
import { isProblem, type QuickContext } from '../context.js';
import { aboardNow, capitalName } from '../intents/acts.js';
import { readClause } from '../intents/clause.js';
import { plainWords, thingsNamed } from '../lexing/names.js';
import { ASKING, habitsIn, tanksIn, timesIn } from './named.js';
import type { Otherwise, Question } from './question.js';
import { untilIn } from './spans.js';

/** What asks how long something lasts. */
export const LASTS =
	/\bhow long\b|\bhow much (?:longer|more time)\b|\bhow are (?:we|things) (?:doing|looking|going)\b|\bhow many (?:more )?(?:days|nights|hours|weeks)\b|\blasts?\b|\bwhen (?:is|are|will|does|do|must|should|would|might|have)\b|\brun(?:s|ning)? (?:out|dry|low)\b|\b(?:days|hours|time|nights) (?:left|remaining)\b|\bautonomy\b|\bmake it\b|\bhold(?:s)? (?:out )?(?:until|till|to|for|through)\b|\bstay\b|\b(?:fills?|full|empty|binds?|first|limit)(?: up)? first\b|\bwhich tank\b|\bget (?:to|through)\b|\breach\b|\bbe (?:ok|okay|fine|enough)\b|\bforecast\b|\boverflow\b|\bstatus\b/;
const WHAT_IF =
	/^(?:and |so )?(?:what if|what happens (?:if|when)|what about if|suppose|if)\b\s*(?:we |i |it |there |you )?/;
const WITH = /\b(?:if|without|with|for (?=.*\b(?:people|persons|of us|aboard|guests)\b))\b\s*(.*)$/;
const SKIPS =
	/^(?:nobody|no one|(?:we |i |all |would |could |only |just )*(?:skip(?:ped|s)?|without|drop(?:ped)?|leave out|left out|do(?:n['’]?t| not)(?: do| take| use| have)?|stop(?:ped)?(?: taking| doing)?|give up|gave up|no|cut out|forgo|avoid))\b\s*(?:the |any |all |our |taking |doing )?/;

/** What would be otherwise: `what if we skip the dishes`, `how long with Ines aboard`. */
export function otherwiseAsked(text: string, context: QuickContext): Question | undefined {
	const whole = WHAT_IF.exec(text);
	const found = whole ? text.slice(whole[0].length) : LASTS.test(text) ? (WITH.exec(text)?.[0] ?? '') : '';
	if (found === '') return undefined;
	const until = untilIn(text, context)?.found;
	const otherwise =
		allOtherwise(untilIn(found, context)?.rest ?? found, context) ?? allOtherwise(found, context);
	if (!otherwise) return undefined;
	const before = whole ? '' : text.slice(0, text.length - found.length);
	return {
		kind: 'lasts',
		tanks: tanksIn(before, context).map(({ id }) => id),
		otherwise,
		...(until ? { until } : {})
	};
}

/** `use paper plates and skip showers`: each of several, or none. */
function allOtherwise(text: string, context: QuickContext): Otherwise | undefined {
	const whole = otherwiseOf(text, context);
	if (whole) return whole;
	const parts = text.split(/\s*,\s*|\s+(?:and|but)\s+/).map((part) => otherwiseOf(part, context));
	if (parts.length < 2) return undefined;
	const all = parts.filter((part) => part !== undefined);
	return all.length < parts.length
		? undefined
		: {
				said: all.map(({ said }) => said).join(', '),
				does: all.flatMap(({ does }) => does),
				habits: all.flatMap(({ habits }) => habits)
			};
}

function otherwiseOf(given: string, context: QuickContext): Otherwise | undefined {
	const { rig } = context;
	const text = given
		.replace(/^(?:if|with) /, '')
		.replace(/^(?:we|i|you|they) /, '')
		.trim();
	const nameOf = (id: string): string => rig.habits.find((habit) => habit.id === id)?.name ?? id;
	const skips = SKIPS.exec(text);
	if (skips) {
		const rest = text.slice(skips[0].length);
		const parts = rest.split(/,|\band\b/).map((part) => habitsIn(part, context));
		// "the dishes and 4 people": what is no habit is said beside it.
		if (parts.length > 1 && parts.some((part) => part.length === 0)) return undefined;
		const habits = [...new Set(parts.flat())];
		if (habits.length > 0)
			return {
				said: `without ${listed(habits.map(nameOf))}`,
				does: [],
				habits: habits.map((habit) => ({ habit, factor: 0 }))
			};
		const measures = thingsNamed(
			plainWords(rest).filter((word) => !ASKING.has(word)),
			rig.measures
		);
		if (plainWords(rest).length > 0 && measures.length === 1 && measures[0])
			return {
				said: `without ${measures[0].name}`,
				does: [{ kind: 'measure', measure: measures[0].id, on: false }],
				habits: []
			};
	}
	const half = /\b(?:half (?:as (?:many|often|much)|the)|every other day|every second day|half)\b/.exec(text);
	if (half) {
		const habits = habitsIn(text.replace(half[0], ' '), context);
		if (habits.length > 0)
			return {
				said: `with ${listed(habits.map(nameOf))} half as often`,
				does: [],
				habits: habits.map((habit) => ({ habit, factor: 0.5 }))
			};
	}
	const twice = /\b(?:twice as (?:many|often|much)|double)\b/.exec(text);
	if (twice) {
		const habits = habitsIn(text.replace(twice[0], ' '), context);
		if (habits.length > 0)
			return {
				said: `with ${listed(habits.map(nameOf))} twice as often`,
				does: [],
				habits: habits.map((habit) => ({ habit, factor: 2 }))
			};
	}
	const persons = personsSaid(text, context);
	if (persons !== undefined)
		return { said: persons.said, does: [{ kind: 'crew', persons: persons.count }], habits: [] };
	const measures = thingsNamed(
		plainWords(text).filter((word) => !ASKING.has(word) && !/^(on|using|start|switch|turn|only)$/.test(word)),
		rig.measures
	);
	const [measure] = measures;
	if (measure && measures.length === 1 && plainWords(text).some((word) => !ASKING.has(word)))
		return {
			said: `with ${measure.name}`,
			does: [{ kind: 'measure', measure: measure.id, on: true }],
			habits: []
		};
	const read = readClause(text.replace(/^(?:take|have|do|get)\s+(?=\S)/, ''), context, true);
	if (isProblem(read)) return undefined;
	const [first] = read.filter(({ adds, loses }) => adds === undefined && loses === undefined);
	const counts = (kind: Happening['kind']): boolean =>
		/^(use|fill|dump|transfer|crew|measure|hookup)$/.test(kind);
	return first && first.does.length > 0 && first.does.every(({ kind }) => counts(kind))
		? { said: `after “${text}”`, does: first.does, habits: [] }
		: undefined;
}

/** How many would be aboard: `Ines aboard`, `2 guests`, `4 people`, `one more`, `Tor leaves`, `alone`. */
function personsSaid(
	text: string,
	context: QuickContext
): { readonly count: number; readonly said: string } | undefined {
	const now = aboardNow(context);
	if (/\b(?:alone|just me|only me|by myself)\b/.test(text)) return { count: 1, said: 'with 1 aboard' };
	const told = (count: number): { readonly count: number; readonly said: string } => ({
		count,
		said: `with ${count} aboard`
	});
	const count = timesIn(text);
	const number = /\d|\b(?:two|three|four|five|six|seven|eight|nine|ten|one)\b/.test(text);
	if (
		/\b(?:guests?|visitors?|friends?|kids?|child(?:ren)?|more (?:people|persons|of us)|(?:one|two|three|\d+) more)\b/.test(
			text
		)
	)
		return told(now + count);
	if (/\b(?:people|persons?|of us|aboard|crew|adults)\b/.test(text) && number) return told(count);
	if (/^(?:are|were|is) /.test(text) && number && plainWords(text).length === 2) return told(count);
	const leaves =
		/^(\p{L}[\p{L}'-]*) (?:leaves|left|goes|is away|is gone|is not|isn't|gets off|stays ashore)\b/u.exec(
			text
		);
	if (leaves?.[1] && !/^(water|it|we|grey|black|that|this)$/.test(leaves[1]))
		return {
			count: Math.max(0, now - 1),
			said: `without ${capitalName(leaves[1], context)}, ${Math.max(0, now - 1)} aboard`
		};
	const comes =
		/^(?:with )?(\p{L}[\p{L}'-]*) (?:comes?|joins?|arrives?|(?:is |were |was )?(?:aboard|on board|with us|along|here|back)|came|joined)\b/u.exec(
			text
		);
	if (comes?.[1] && !/^(water|it|we|grey|black|that|this|people|everyone)$/.test(comes[1]))
		return { count: now + 1, said: `with ${capitalName(comes[1], context)} aboard, ${now + 1} in all` };
	const known = (context.people ?? []).find((name) => name.toLowerCase() === text.trim());
	return known ? { count: now + 1, said: `with ${known} aboard, ${now + 1} in all` } : undefined;
}
