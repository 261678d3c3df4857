import type { Tank } from '../../logbook/index.js';
import type { QuickContext } from '../context.js';
import { usualFresh } from '../intents/tanks.js';
import { plainWords } from '../lexing/names.js';
import { habitsIn, tanksIn, thingsAsked } from './named.js';
import { LASTS } from './otherwise.js';
import { PAST } from './past.js';
import type { Question } from './question.js';
import { untilIn } from './spans.js';

const FILLS = /\b(?:fill|refill|top up|tank up|water|tap|taps|fresh)\b/;
const DUMPS =
	/\b(?:dump|empty|drain|pump[ -]?out|grey|gray|black|waste|toilet|cassette|sewer|disposal|holding)\b/;
const WHERE =
	/\bwhere\b|\b(?:which|what) (?:stop|place|marina|campsite|town)\b|\bnext (?:stop|tap|fill|refill|water|dump|drain|pump[ -]?out|service|place)\b|\bnearest\b|\bwhen (?:can|could|will|do|should|are|shall) we (?:next )?(?:fill|refill|dump|empty|get|be able|going to|reach|come|arrive)\b|\bwhat(?:['’]?s| is) (?:the )?next\b/;

/** `is there water at Low Sarn`: whether a stop that is named has a service. */
function hasAsked(text: string, { trip }: QuickContext): Question | undefined {
	if (
		!/^(?:is|are|has|does|do|can|could|will) /.test(text) ||
		!/\b(?:there|get|fill|dump|empty|has|have|refill)\b/.test(text)
	)
		return undefined;
	const words = plainWords(text);
	const stop = (trip?.stops ?? []).find(
		({ name, retired }) => !retired && plainWords(name).every((word) => words.includes(word))
	);
	if (!stop) return undefined;
	const service = /\b(?:mains|hook[- ]?up|shore power)\b/.test(text)
		? 'mains'
		: DUMPS.test(text)
			? /\bgr[ea]y\b/.test(text)
				? 'grey'
				: 'black'
			: FILLS.test(text)
				? 'water'
				: undefined;
	return service && { kind: 'next', service, at: stop.id };
}

/** Which stop has something next. */
export function nextAsked(text: string, context: QuickContext): Question | undefined {
	const here = hasAsked(text, context);
	if (here) return here;
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

/** How long some tanks last, or whether they do until a moment. */
export function lastsAsked(text: string, context: QuickContext): Question | undefined {
	// "should we fill now": whether what it is for lasts until that is next to be had.
	const due =
		/\b(?:should|must|do (?:we|i) (?:need|have) to|do (?:we|i) need(?= (?:water|more water))|need to|have to|ought)\b.*\b(fill|refill|top up|dump|empty|pump out|water)\b/.exec(
			text
		);
	if (due) {
		const wet = /fill|top|water/.test(due[1] ?? '');
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
		/\b(?:enough|last|lasts|ok|okay|make it|stay|hold|reach|fine|good|alright|get|suffice|do|through)\b/.test(
			text
		);
	if (!LASTS.test(text) && !enoughUntil) return undefined;
	// "enough for two showers until Friday" is about the showers.
	if (until && /\benough\b|^can\b|^may\b/.test(text) && habitsIn(plain, context).length > 0) return undefined;
	if (/\b(?:how much(?! longer| more time)|how full|level)\b/.test(text) && !until) return undefined;
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
		// "will it be full before Friday": yes would mean the other thing.
		...(until && !/^(?:when|how long|how many)\b|\b(?:full|overflow|run (?:out|dry|low)|empty)\b/.test(text)
			? { until: until.found }
			: {})
	};
}

/** Whether there is enough for some things. */
export function enoughAsked(text: string, context: QuickContext): Question | undefined {
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
