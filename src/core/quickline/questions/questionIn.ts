import type { More } from '../../forecast/index.js';
import type { Tank } from '../../logbook/index.js';
import type { Happening } from '../../words/index.js';
import { isProblem, type QuickContext } from '../context.js';
import { aboardNow, capitalName } from '../intents/acts.js';
import { readClause } from '../intents/clause.js';
import { tanksNamed, usualFresh } from '../intents/tanks.js';
import { habitsNamed } from '../lexing/concepts.js';
import { plainWords, thingsNamed } from '../lexing/names.js';
import { timed } from '../lexing/parts.js';
import { mended } from '../lexing/spelling.js';
import type { Done, Otherwise, Question } from './question.js';
import { stretchIn, untilIn } from './spans.js';

/** Words of questions, which name nothing of a rig. */
const ASKING = new Set(
	plainWords(
		'how what whats when where which who why whether much many long often far is are was were will would can could may might shall should do does did have has had we i us it its ' +
			'the a an of in on at for to from our my any there here that this be been got get take took taking use used using last lasts lasted left remaining until till before after next ' +
			'so and or still yet now today enough sufficient tell me show please about with without if more another again full empty run runs ran out go going went gone need needs make made ' +
			'stay reach first most least one you they he she water tank tanks litres liters gallons days hours time times level levels room space fit fits cost costs day night tonight ' +
			'drink drinking safe ok okay say says know think all both each every total'
	)
);

/** The tanks that are named anywhere in a question, the longest name first; none for `water` alone. */
function tanksIn(text: string, context: QuickContext): readonly Tank[] {
	const words = plainWords(text);
	const live = context.rig.tanks.filter(({ retired }) => !retired);
	for (let length = Math.min(words.length, 6); length > 0; length--)
		for (let from = 0; from + length <= words.length; from++) {
			const some = words.slice(from, from + length);
			if (some.every((word) => ASKING.has(word) || (word.length < 3 && !/^\d+$/.test(word)))) continue;
			// A word of the question stands in no name, unless it is whole there.
			const exact = live.some(({ name }) => plainWords(name).join(' ') === some.join(' '));
			if (
				!exact &&
				(ASKING.has(some[0] ?? '') || ASKING.has(some.at(-1) ?? '')) &&
				!/^(tank|tanks|water)$/.test(some.at(-1) ?? '')
			)
				continue;
			if (!exact && ASKING.has(some[0] ?? '')) continue;
			const found = tanksNamed(
				some.filter((word) => word !== 'tanks'),
				live,
				context
			);
			if (found.length > 0 && some.some((word) => word.length > 2)) return found;
		}
	return [];
}

/** What comes before and behind the things that are asked about. */
const BEFORE_THINGS =
	/^(?:(?:so|and|but|well|please|hey|ok(?:ay)?)[, ]+)?(?:(?:how about|what about|is there|are there|do we have|have we(?: got)?|can|could|may|might|shall|should|would|will|do|does|did|is|are) )?(?:(?:we|i|you|it|one|everyone|anyone|there|they) )?(?:(?:still|now|also|even|safely|afford|be able|able|to|have|got) )*(?:(?:enough|sufficient)(?: (?:fresh )?(?:water|room|space|left))?(?: (?:left|here))? (?:for|to)? ?)?(?:(?:fresh )?water (?:left )?(?:for|to) )?(?:room (?:left )?(?:for|to) )?(?:(?:afford|take|have|do|make|run|manage|get|use|go|wash|another)(?= (?!up\b|hands|hair)))?/i;
const BEHIND_THINGS =
	/\b(?:tonight|today|now|still|more|again|left|please|first|before we (?:go|leave)|or not|here|safely)\b/gi;

/** The things that a phrase asks about, each way to understand them; nothing where any of it is something else. */
function usesIn(text: string, context: QuickContext): readonly (readonly More[])[] | undefined {
	const phrase = text.replaceAll(/[?.!]+\s*$/g, '').trim();
	if (phrase === '') return undefined;
	const things = timed(phrase, context);
	if ('problem' in things) return undefined;
	const ways = things.map(({ text: thing }): readonly More[] => {
		const read = readClause(thing, { ...context, atMs: context.nowMs }, true);
		const again = isProblem(read) ? mended(thing, context) : undefined;
		const found = again === undefined ? read : readClause(again, context, true);
		if (isProblem(found)) return [];
		const uses = found.flatMap(({ does, loses, adds }) =>
			adds === undefined && loses === undefined
				? does.flatMap((one) => (one.kind === 'use' ? [one] : []))
				: []
		);
		// "20 wash-ups" are asked about as often, though there is not water for them.
		const counted = uses.filter(({ litres }) => litres === undefined);
		return (counted.length > 0 ? counted : uses).map(({ habit, times }) => ({ habit, times }));
	});
	if (ways.length === 0 || ways.some((found) => found.length === 0)) return undefined;
	return ways
		.reduce<readonly (readonly More[])[]>(
			(found, some) => found.flatMap((before) => some.map((one) => [...before, one])),
			[[]]
		)
		.slice(0, 3);
}

/** The same where words of asking stand before and behind. */
function thingsAsked(text: string, context: QuickContext): readonly (readonly More[])[] | undefined {
	const plain = text.replaceAll(/[?.!]+\s*$/g, '').trim();
	const bare = plain.replace(BEFORE_THINGS, '').trim();
	const tries = [plain, bare, bare.replaceAll(BEHIND_THINGS, ' ').replaceAll(/\s+/g, ' ').trim()];
	for (const phrase of tries) {
		const found = usesIn(phrase, context);
		if (found) return found;
	}
	// "can Ivo and I shower": what is done, whoever does it.
	const habits = habitsIn(bare, context);
	return habits.length > 0 ? habits.slice(0, 3).map((habit) => [{ habit, times: timesIn(bare) }]) : undefined;
}

const TIMES: Readonly<Record<string, number>> = {
	a: 1,
	an: 1,
	one: 1,
	another: 1,
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
function timesIn(text: string): number {
	const [word] =
		/(?<![\p{L}\p{N}])(\d{1,3}|two|three|four|five|six|seven|eight|nine|ten)(?![\p{L}\p{N}])/iu.exec(text) ??
		[];
	return word === undefined ? 1 : (TIMES[word.toLowerCase()] ?? Number(word));
}

/** The habits that are named anywhere in a question. */
function habitsIn(text: string, context: QuickContext): readonly string[] {
	const { habits } = context.rig;
	const live = habits.filter(({ retired }) => !retired);
	const words = plainWords(text);
	for (let length = Math.min(words.length, 6); length > 0; length--)
		for (let from = 0; from + length <= words.length; from++) {
			const some = words.slice(from, from + length);
			if (some.every((word) => ASKING.has(word) && !/^drink(ing)?$/.test(word))) continue;
			if (ASKING.has(some[0] ?? '') || ASKING.has(some.at(-1) ?? '')) {
				if (length > 1 || !/^drink(ing)?$/.test(some[0] ?? '')) continue;
			}
			if (some.some((word) => word.length < 3) && length === 1) continue;
			const found = habitsNamed(some, live);
			if (found.length > 0) return found.map(({ id }) => id);
		}
	return [];
}

const DRINK =
	/\b(?:drinkable|potable|safe to drink|ok(?:ay)? to drink|fit (?:to|for) drink(?:ing)?|drinking water)\b|^(?:may|can|could|should|is it safe to|are we allowed to|do we dare)\b.*\bdrink\b/;
const AMOUNT = /\bhow (?:much|many|often|long)\b|\benough\b|\bglass|\bcups?\b/;
const FILLS = /\b(?:fill|refill|top up|tank up|water|tap|taps|fresh)\b/;
const DUMPS =
	/\b(?:dump|empty|drain|pump[ -]?out|grey|gray|black|waste|toilet|cassette|sewer|disposal|holding)\b/;
const WHERE =
	/\bwhere\b|\bwhich (?:stop|place|marina|campsite|town)\b|\bnext (?:stop|tap|fill|refill|water|dump|drain|pump[ -]?out|service|place)\b|\bnearest\b|\bwhen (?:can|could|will|do|should|are|shall) we (?:next )?(?:fill|refill|dump|empty|get|be able|going to|reach|come|arrive)\b|\bwhat(?:['’]?s| is) (?:the )?next\b/;
const PAST =
	/\b(?:when|how long ago)\b.*\b(?:did|was|were|have we|has)\b|\bhow (?:long|many days|many hours) (?:is it |has it been )?since\b|\blast (?:time|dump(?:ed)?|fill(?:ed)?|refill(?:ed)?|emptied|emptying|changed|cleaned|rinsed|shower(?:ed)?|reading)\b|\bhow old\b/;
const MOST = /\b(?:most|biggest|largest|top|main(?:ly)?|highest)\b(?! (?:tank|full))/;
const USED =
	/\b(?:did (?:we|i|they|you|it|everyone)|have (?:we|i) (?:used|taken|had|drunk|drawn)|used|went|spent|consumed|drank|drawn|usage|consumption|flushed|showered|was used|do we use|are we using|we use|do (?:we|i) \w+ (?:a|per|each|every) day|did (?:the |our |a )?\w+(?: \w+)? (?:take|use|cost|need))\b/;
const COST =
	/\bcosts?\b|\bprice\b|\bhow (?:much|many litres|many liters|many gallons)(?: fresh)?(?: water)? (?:does|do|is|are|goes|would|will|for|per|in)\b.*|\bwhat (?:does|do|would) .*\b(?:take|use|need|cost)\b/;
const COUNT_LEFT = /\bhow (?:many|often)\b/;
const LASTS =
	/\bhow long\b|\bhow many (?:more )?(?:days|nights|hours|weeks)\b|\blasts?\b|\bwhen (?:is|are|will|does|do|must|should|would|might|have)\b|\brun(?:s|ning)? (?:out|dry|low)\b|\b(?:days|hours|time|nights) (?:left|remaining)\b|\bautonomy\b|\bmake it\b|\bhold(?:s)? (?:out )?(?:until|till|to|for|through)\b|\bstay\b|\b(?:fills?|full|empty|binds?|first|limit)(?: up)? first\b|\bwhich tank\b|\bget (?:to|through)\b|\breach\b|\bbe (?:ok|okay|fine|enough)\b|\bforecast\b|\bstatus\b/;
const ROOM = /\b(?:room|space|headroom)\b|\bfits?\b|\bhow much more\b/;
const WHAT_IF =
	/^(?:and |so )?(?:what if|what happens (?:if|when)|what about if|suppose|if)\b\s*(?:we |i |it |there |you )?/;
const WITH = /\b(?:if|without|with)\b\s+(.*)$/;
const SKIPS =
	/^(?:.*?\b)?(?:skip(?:ped|s)?|without|drop(?:ped)?|leave out|left out|do(?:n['’]?t| not)(?: do| take| use| have)?|stop(?:ped)?(?: taking| doing)?|give up|gave up|no|cut out|forgo|avoid)\b\s*(?:the |any |all |our |taking |doing )?/;

/** What a question asks; nothing where it is not understood. */
export function questionIn(given: string, context: QuickContext): Question | undefined {
	const text = given
		.normalize('NFC')
		.toLowerCase()
		.replaceAll(/[“”"]/g, '')
		.replaceAll('’', "'")
		.replaceAll(/\s+/g, ' ')
		.replace(/[?.!\s]+$/, '')
		.replace(
			/^(?:so|and|but|hey|ok|okay|please|well|um|right|tell me|show me|do you know|can you tell me|i wonder)[, ]+/,
			''
		)
		.replace(/\bwhat's\b/g, 'what is')
		.replace(/\bwhats\b/g, 'what is')
		.replace(/\bhow's\b/g, 'how is')
		.replace(/\bwhere's\b/g, 'where is')
		.replace(/\bwe'll\b/g, 'we will')
		.replace(/\bit'll\b/g, 'it will')
		.trim();
	if (text === '') return undefined;
	return (
		drinkAsked(text, context) ??
		otherwiseAsked(text, context) ??
		lastAsked(text, context) ??
		nextAsked(text, context) ??
		usedAsked(text, context) ??
		costAsked(text, context) ??
		leftAsked(text, context) ??
		lastsAsked(text, context) ??
		enoughAsked(text, context) ??
		levelAsked(text, context)
	);
}

function drinkAsked(text: string, context: QuickContext): Question | undefined {
	if (!/^how old is (?:the|our) water\b/.test(text) && (!DRINK.test(text) || AMOUNT.test(text)))
		return undefined;
	const named = tanksIn(text.replaceAll(/\bdrink\w*( water)?\b/g, ' '), context).filter(
		({ holds }) => holds === 'fresh'
	);
	return { kind: 'drink', tanks: (named.length > 0 ? named : usualFresh(context)).map(({ id }) => id) };
}

/** What would be otherwise: `what if we skip the dishes`, `how long with Ines aboard`. */
function otherwiseAsked(text: string, context: QuickContext): Question | undefined {
	const whole = WHAT_IF.exec(text);
	const found = whole ? text.slice(whole[0].length) : LASTS.test(text) ? (WITH.exec(text)?.[0] ?? '') : '';
	if (found === '') return undefined;
	const until = untilIn(text, context)?.found;
	const otherwise =
		otherwiseOf(untilIn(found, context)?.rest ?? found, context) ?? otherwiseOf(found, context);
	if (!otherwise) return undefined;
	const before = whole ? '' : text.slice(0, text.length - found.length);
	return {
		kind: 'lasts',
		tanks: tanksIn(before, context).map(({ id }) => id),
		otherwise,
		...(until ? { until } : {})
	};
}

const listedNames = (names: readonly string[]): string =>
	names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

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
		const said = rest.split(/,|\band\b/).flatMap((part) => habitsIn(part, context));
		const habits = [...new Set(said.length > 0 ? said : habitsIn(rest, context))];
		if (habits.length > 0)
			return {
				said: `without ${listedNames(habits.map(nameOf))}`,
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
				said: `with ${listedNames(habits.map(nameOf))} half as often`,
				does: [],
				habits: habits.map((habit) => ({ habit, factor: 0.5 }))
			};
	}
	const twice = /\b(?:twice as (?:many|often|much)|double)\b/.exec(text);
	if (twice) {
		const habits = habitsIn(text.replace(twice[0], ' '), context);
		if (habits.length > 0)
			return {
				said: `with ${listedNames(habits.map(nameOf))} twice as often`,
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

function lastAsked(text: string, context: QuickContext): Question | undefined {
	if (!PAST.test(text) || /\bhow (?:much|many)(?! days| hours)\b/.test(text)) return undefined;
	const { rig } = context;
	const asked = (done: Done, says: string): Question => ({ kind: 'last', done, says });
	const tanks = tanksIn(text, context);
	const nouns = plainWords(text).filter(
		(word) =>
			!ASKING.has(word) && !/^(since|ago|changed|change|cleaned|clean|done|replaced|replace)$/.test(word)
	);
	const dumps = /\b(?:dump\w*|emptied|empty|emptying|pump(?:ed)?[ -]?out|drained)\b/.test(text);
	const fills = /\b(?:fill\w*|refill\w*|topped|top up|took on|tank(?:ed)? up)\b/.test(text);
	const waste = tanks.filter(({ holds }) => holds !== 'fresh');
	const tasks = thingsNamed(
		nouns.filter((word) => !/^(dump|fill)/.test(word)),
		rig.care
	);
	if (nouns.length > 0 && tasks.length > 0 && !dumps && !fills)
		return asked({ kind: 'care', tasks: tasks.map(({ id }) => id) }, '');
	const whole = /\b(?:chang|clean|replac|rins|sanit|treat|service|descal|flush)\w*/.exec(text);
	const byVerb = whole ? thingsNamed([...plainWords(whole[0]), ...nouns].slice(0, 4), rig.care) : [];
	if (byVerb.length > 0) return asked({ kind: 'care', tasks: byVerb.map(({ id }) => id) }, '');
	if (dumps) {
		const of =
			waste.length > 0 ? waste : rig.tanks.filter(({ holds, retired }) => holds !== 'fresh' && !retired);
		return asked({ kind: 'dump', tanks: of.map(({ id }) => id) }, 'dumped');
	}
	if (fills) {
		const fresh = tanks.filter(({ holds }) => holds === 'fresh');
		const of =
			fresh.length > 0 ? fresh : rig.tanks.filter(({ holds, retired }) => holds === 'fresh' && !retired);
		return asked({ kind: 'fill', tanks: of.map(({ id }) => id) }, 'filled');
	}
	const habits = habitsIn(text, context);
	if (habits.length > 0) return asked({ kind: 'use', habits }, '');
	if (/\b(?:meter|gauge|dipstick|rod|read(?:ing)?)\b/.test(text))
		return asked({ kind: 'reading', instruments: rig.instruments.map(({ id }) => id) }, '');
	return undefined;
}

function nextAsked(text: string, context: QuickContext): Question | undefined {
	if (
		!WHERE.test(text) ||
		PAST.test(text) ||
		/\bwhere (?:does|did|is all|has)\b.*\b(?:go|gone|water go)\b/.test(text)
	)
		return undefined;
	const tanks = tanksIn(text, context);
	if (/\bmains\b|\bhook[- ]?up\b|\bshore power\b/.test(text)) return { kind: 'next', service: 'mains' };
	const named = tanks[0]?.holds;
	const dumps = DUMPS.test(text) || (named !== undefined && named !== 'fresh');
	if (dumps) {
		const black = named === 'black' || /\b(?:black|toilet|cassette|holding|pump[ -]?out)\b/.test(text);
		const grey = named === 'grey' || /\bgr[ea]y\b/.test(text);
		const has = (holds: Tank['holds']): boolean =>
			context.rig.tanks.some((tank) => tank.holds === holds && !tank.retired);
		return { kind: 'next', service: grey ? 'grey' : black || has('black') ? 'black' : 'grey' };
	}
	if (FILLS.test(text) || named === 'fresh') return { kind: 'next', service: 'water' };
	return /\bnext\b|\bwhere (?:do|are|will|shall) we\b/.test(text) ? { kind: 'next' } : undefined;
}

function usedAsked(text: string, context: QuickContext): Question | undefined {
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
	if (!most && !plain && !USED.test(text)) return undefined;
	if (!most && /^(?:did|have) we\b/.test(text) && !/\b(?:use|used)\b/.test(text)) return undefined;
	const span = stretchIn(text, context);
	if (!span && !most && !/\b(?:did|used|usage|consumption|went|have we|do we use|are we using)\b/.test(text))
		return undefined;
	const rest = span?.rest ?? text;
	const today = stretchIn('today', context);
	const usual = context.trip ? stretchIn('on the trip', context) : stretchIn('in the last 7 days', context);
	const stretch = (span ?? (most || /\bdo we use\b|\bare we using\b|\bwe use\b/.test(text) ? usual : today))
		?.found;
	if (!stretch) return undefined;
	return { kind: 'used', stretch, habits: most ? [] : habitsIn(rest, context), most, tanks: [] };
}

function costAsked(text: string, context: QuickContext): Question | undefined {
	if (!COST.test(text) || USED.test(text)) return undefined;
	const rest = text
		.replace(/^.*?\b(?:does|do|would|will|is|are|goes|for|per|cost of|price of|in)\b/, ' ')
		.replaceAll(
			/\b(?:it|cost|costs|take|takes|use|uses|need|needs|to|us|me|into|water|fresh|price|go|have|in|one|time)\b/g,
			(word) => (word === 'one' ? word : ' ')
		)
		.replaceAll(/\s+/g, ' ')
		.trim();
	if (rest === '' || /^(?:left|there|we|available|aboard|remaining)\b/.test(rest)) return undefined;
	if (tanksIn(rest, context).length > 0 && habitsIn(rest, context).length === 0) return undefined;
	const ways = usesIn(rest, context) ?? habitsIn(rest, context).map((habit) => [{ habit, times: 1 }]);
	return ways.length > 0 ? { kind: 'cost', ways: ways.slice(0, 3) } : undefined;
}

function leftAsked(text: string, context: QuickContext): Question | undefined {
	if (!COUNT_LEFT.test(text) && !/^(?:\S+ ){1,4}(?:left|remaining)$/.test(text)) return undefined;
	if (/\bhow many (?:more )?(?:days|nights|hours|weeks|litres|liters|gallons|people|tanks)\b/.test(text))
		return undefined;
	const habits = habitsIn(text.replace(/^how (?:many|often)(?: more)?/, ' '), context);
	return habits.length > 0 ? { kind: 'left', habits: habits.slice(0, 3) } : undefined;
}

function lastsAsked(text: string, context: QuickContext): Question | undefined {
	// "should we fill now": whether what it is for lasts until that is next to be had.
	const due =
		/\b(?:should|must|do (?:we|i) (?:need|have) to|need to|have to|ought)\b.*\b(fill|refill|top up|dump|empty|pump out)\b/.exec(
			text
		);
	if (due) {
		const wet = /fill|top/.test(due[1] ?? '');
		const live = context.rig.tanks.filter(({ retired }) => !retired);
		const named = tanksIn(text, context);
		const of =
			named.length > 0 ? named : wet ? usualFresh(context) : live.filter(({ holds }) => holds !== 'fresh');
		return { kind: 'lasts', tanks: of.map(({ id }) => id) };
	}
	const until = untilIn(text, context);
	const plain = until?.rest ?? text;
	const enoughUntil =
		until !== undefined &&
		/\b(?:enough|last|lasts|ok|okay|make it|stay|hold|reach|fine|get|suffice|do)\b/.test(text);
	if (!LASTS.test(text) && !enoughUntil) return undefined;
	// "enough for two showers until Friday" is about the showers.
	if (until && /\benough\b|^can\b|^may\b/.test(text) && habitsIn(plain, context).length > 0) return undefined;
	if (/\b(?:how much|how full|level)\b/.test(text) && !until) return undefined;
	const tanks = tanksIn(plain, context);
	const water =
		tanks.length === 0 &&
		/\b(?:water|run dry|run out)\b/.test(plain) &&
		!/\b(?:which|first|everything|all)\b/.test(plain);
	const of = water ? usualFresh(context) : tanks;
	if (until && !LASTS.test(text) && !enoughUntil) return undefined;
	return {
		kind: 'lasts',
		tanks: of.map(({ id }) => id),
		...(until && !/^(?:when|how long|how many)\b/.test(text) ? { until: until.found } : {})
	};
}

function enoughAsked(text: string, context: QuickContext): Question | undefined {
	if (/^(?:how (?:much|full)|what)\b/.test(text)) return undefined;
	const said = plainWords(text).join(' ');
	if (context.rig.tanks.some(({ name, retired }) => !retired && plainWords(name).join(' ') === said))
		return undefined;
	const until = /\b(?:until|till|before|for \w+ (?:days|nights)|tonight|tomorrow)\b/.test(text)
		? untilIn(text, context)
		: undefined;
	const ways = (until && thingsAsked(until.rest, context)) ?? thingsAsked(text, context);
	if (!ways) return undefined;
	return {
		kind: 'enough',
		ways,
		...(until && !/\btonight\b|\btoday\b/.test(text) ? { until: until.found } : {})
	};
}

function levelAsked(text: string, context: QuickContext): Question | undefined {
	const tanks = tanksIn(text, context);
	if (/\bpeople\b|\bpersons?\b|\bwho\b|\btime is it\b|\bcan we use\b|\bmay we use\b/.test(text))
		return undefined;
	const asks =
		/\bhow (?:much|full|many litres|many liters|many gallons|is|are)\b|\bwhat is (?:in|left|the level|aboard)\b|\bwhat(?:'s| is) (?:in|there)\b|\b(?:left|level|levels|full|empty|aboard|remaining|contain\w*|status)\b|\bhave we\b|\bdo we have\b|^enough\b|\bis there\b|\bany\b/.test(
			text
		);
	const room = ROOM.test(text) && !/\benough\b/.test(text);
	if (tanks.length > 0) return { kind: 'level', tanks: tanks.map(({ id }) => id), of: 'tank', room };
	if (!asks) return /^(?:fresh |the )?water$/.test(text) ? waterLevel(context, room) : undefined;
	if (/\b(?:tanks|everything|all|levels|each|things)\b/.test(text))
		return {
			kind: 'level',
			tanks: context.rig.tanks.filter(({ retired }) => !retired).map(({ id }) => id),
			of: 'all',
			room
		};
	return /\b(?:water|fresh|litres|liters|gallons|aboard|left|full|empty|tank|enough|level)\b/.test(text)
		? waterLevel(context, room)
		: undefined;
}

const waterLevel = ({ rig }: QuickContext, room: boolean): Question => ({
	kind: 'level',
	tanks: rig.tanks.filter(({ holds, retired }) => holds === 'fresh' && !retired).map(({ id }) => id),
	of: 'water',
	room
});
