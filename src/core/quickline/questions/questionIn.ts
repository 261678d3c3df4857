import type { QuickContext } from '../context.js';
import { usualFresh } from '../intents/tanks.js';
import { enoughAsked, lastsAsked, nextAsked } from './ahead.js';
import { habitsIn, tanksIn, usesIn } from './named.js';
import { otherwiseAsked } from './otherwise.js';
import { lastAsked, USED, usedAsked } from './past.js';
import type { Question } from './question.js';

const DRINK =
	/\b(?:drinkable|potable|safe to drink|ok(?:ay)? to drink|fit (?:to|for) drink(?:ing)?|drinking water)\b|^(?:may|can|could|should|is it safe to|are we allowed to|do we dare)\b.*\bdrink\b/;
const AMOUNT = /\bhow (?:much|many|often|long)\b|\benough\b|\bglass|\bcups?\b/;
const COST =
	/\b(?:litres|liters|gallons) (?:per|a|for a)\b|\bwhat (?:would|does|will) .* (?:do|change|mean)\b|\bcosts?\b|\bprice\b|\bhow (?:much|many litres|many liters|many gallons)(?: fresh)?(?: water)? (?:does|do|is|are|goes|would|will|for|per|in)\b.*|\bwhat (?:does|do|would) .*\b(?:take|use|need|cost)\b/;
const COUNT_LEFT = /\bhow (?:many|often)\b/;
const ROOM = /\b(?:room|space|headroom)\b|\bfits?\b|\bhow much more\b/;

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

function costAsked(text: string, context: QuickContext): Question | undefined {
	if (!COST.test(text) || USED.test(text)) return undefined;
	const rest = text
		.replace(/^.*?\b(?:does|do|would|will|is|are|goes|for|per|cost of|price of|in)\b/, ' ')
		.replaceAll(
			/\b(?:it|cost|costs|take|takes|use|uses|need|needs|to|us|me|into|water|fresh|price|go|have|in|do|change|mean|of|one|time)\b/g,
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
