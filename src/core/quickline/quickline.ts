import { casual } from 'chrono-node/en';
import { DAY_MS, MINUTE_MS, zonedIso } from '../time/index.js';
import { type EntryDraft } from '../logbook/index.js';
import { sayHappening, sayMomentOf } from '../words/index.js';
import { peopleMove } from './intents/acts.js';
import { ownWord } from './intents/adding.js';
import { clockOf } from './intents/clockOf.js';
import { aheadLine } from './intents/daysAhead.js';
import { gapLine } from './intents/gap.js';
import { habitsNamed } from './lexing/concepts.js';
import {
	isProblem,
	withAll,
	type LineReading,
	type Meaning,
	type Named,
	type NoMeaning,
	type QuickContext,
	type Understood
} from './context.js';
import { thingsNamed, plainWords } from './lexing/names.js';
import { A_NOTE, timed } from './lexing/parts.js';
import { noteOf, readThings } from './intents/readParts.js';
import { lostFigures, lostWords } from './lexing/accounted.js';
import { namesOf } from './lexing/things.js';
import { isAsked, notDone, stanceOf } from './lexing/stance.js';
import { takeTime, type Moment } from './lexing/time.js';
import { questionIn, type Question } from './questions/index.js';

/** What a line may mean, likeliest first; or, when it means nothing, why and what would. */
export type QuickAnswer =
	| { readonly kind: 'nothing' }
	| { readonly kind: 'understood'; readonly matches: readonly Understood[] }
	/** it asks: answered by who knows the figures, and never logged */
	| { readonly kind: 'question'; readonly question: Question }
	| ({ readonly kind: 'problem' } & NoMeaning);

const MOST_MATCHES = 6;
/** Things in a line; more of them are a page. */
const MOST_THINGS = 8;
/** Words of one thing; more of them are a tale. */
const MOST_WORDS = 24;
/** A longer line is a note or a page. */
const LONGEST = 400;
/** So much of a note or a tale is said again. */
const SHOWN = 80;
/** As long as the logbook takes. */
const LONGEST_NOTE = 20_000;

/** Every way to choose one of each. */
const combinations = <T>(lists: readonly (readonly T[])[], most: number): readonly (readonly T[])[] =>
	lists.reduce<readonly (readonly T[])[]>(
		(found, list) => found.flatMap((one) => list.map((item) => [...one, item])).slice(0, most),
		[[]]
	);

/** What is said of a meaning at a moment: the moment too, when that is not now. */
function saidAt(meaning: Meaning, ms: number, context: QuickContext): string {
	const rig = withAll(context.rig, meaning);
	const says =
		meaning.says ?? meaning.does.map((happening) => sayHappening(happening, { ...context, rig })).join('; ');
	return Math.abs(ms - context.nowMs) < MINUTE_MS || meaning.does.length === 0
		? says
		: says.replace(/ from now(?: on)?/, '');
}

/** One way to understand a whole line, from one meaning of each of its things. */
function understoodAs(
	chosen: readonly { readonly meaning: Meaning; readonly moment: Moment }[],
	context: QuickContext
): Understood {
	const whens = chosen.map(({ moment: { ms } }) =>
		Math.abs(ms - context.nowMs) < MINUTE_MS ? '' : sayMomentOf(ms, context.nowMs, context.timeZone)
	);
	const alike = whens.every((when) => when === whens[0]);
	const parts = chosen.map(({ meaning, moment }, i) => {
		const says = saidAt(meaning, moment.ms, context);
		return alike || whens[i] === '' || meaning.does.length === 0 ? says : `${says}, ${whens[i]}`;
	});
	const when =
		alike && whens[0] && chosen.some(({ meaning }) => meaning.does.length > 0) ? `, ${whens[0]}` : '';
	const warns = [...new Set(chosen.flatMap(({ meaning, moment }) => [meaning.warns, moment.warns]))].filter(
		(text) => text !== undefined
	);
	const added = chosen.flatMap(({ meaning: { adds, needs = [] } }) => [...needs, ...(adds ? [adds] : [])]);
	const adds = chosen.map(({ meaning }) => meaning.adds).findLast((addition) => addition !== undefined);
	const needs = added.filter((one) => one !== adds);
	const found = chosen.map(({ meaning }) => meaning.found).find((one) => one !== undefined);
	return {
		drafts: chosen.flatMap(({ meaning, moment }) =>
			meaning.does.map(
				(happening) =>
					({
						...happening,
						at: zonedIso(moment.ms, context.timeZone),
						...(context.trip ? { trip: context.trip.id } : {}),
						source: ('source' in happening && happening.source) || 'hand'
					}) as EntryDraft
			)
		),
		...(adds ? { adds } : {}),
		...(needs.length > 0 ? { needs } : {}),
		...(found ? { found } : {}),
		atMs: chosen[0]?.moment.ms ?? context.nowMs,
		says: `${parts.join('; ')}${when}`,
		...(warns.length > 0 ? { warns: warns.join(' ') } : {})
	};
}

/** Things of one name are told apart by their place in the rig or the trip. */
function toldApart(matches: readonly Understood[]): readonly Understood[] {
	const kept = new Set<string>();
	const seen = new Map<string, number>();
	return matches
		.filter(({ drafts, adds }) => {
			const key = JSON.stringify([drafts, adds]);
			return !kept.has(key) && kept.add(key);
		})
		.map((match) => {
			const before = seen.get(match.says) ?? 0;
			seen.set(match.says, before + 1);
			return before === 0 ? match : { ...match, says: `${match.says} (number ${before + 1} of that name)` };
		});
}

const NOTE = /^(.*?)(?<![\p{L}\p{N}])note(?![\p{L}\p{N}'’-])\s*(?:[:.](?=\s|$))?\s*([\s\S]*)$/iu;

/** `note …` keeps every word of the note; before it stands nothing but a time. */
function noteLine(text: string, context: QuickContext): QuickAnswer | undefined {
	const found = NOTE.exec(text.trim());
	if (!found) return undefined;
	const [before, kept] = [(found[1] ?? '').trim(), (found[2] ?? '').trim()];
	const time = takeTime(before, context.nowMs, context.timeZone);
	if ('problem' in time) return { kind: 'problem', problem: time.problem };
	if (time.rest !== '') return undefined;
	if (kept === '') return { kind: 'problem', problem: 'What is the note?' };
	if (kept.length > LONGEST_NOTE)
		return {
			kind: 'problem',
			problem: `A note can have ${LONGEST_NOTE} characters; this one has ${kept.length}. Split it in two.`
		};
	const [meaning = { does: [] }] = noteOf(kept);
	return {
		kind: 'understood',
		matches: toldApart(time.moments.map((moment) => understoodAs([{ meaning, moment }], context)))
	};
}

/** `jug 1 and 2`: two of a noun. */
const TWO_NUMBERED =
	/\b(jug|can|jerrycan|canister|bottle|tank|bladder|cassette)s? (\d) ?(?:,|and|&|\+) ?(\d)(?!\d| ?(?:l|litres?|gal|%|x)\b|[.,:/]\d)/giu;

/** `grey=half`: not a word of one's own but what a tank holds. */
const A_LEVEL = /\s*=\s*(\d|half\b|full\b|empty\b|[½⅓⅔¼¾])/i;

/** The habits and instruments that a person's own word may stand for. */
const meantByWords =
	({ rig }: QuickContext) =>
	(text: string): readonly Named[] => {
		const words = plainWords(text);
		const habits = habitsNamed(words, rig.habits);
		return habits.length > 0 ? habits : words.length > 0 ? thingsNamed(words, rig.instruments) : [];
	};

/** A line that is whole in itself, at a moment: days to come that it puts into the rig, or a stretch that is told of. */
function wholeAnswer(reading: LineReading, context: QuickContext, ms = context.nowMs): QuickAnswer {
	if (isProblem(reading)) return { kind: 'problem', ...reading };
	const moment = { ms };
	return {
		kind: 'understood',
		matches: reading.map((meaning) => understoodAs([{ meaning, moment }], context))
	};
}

/**
 * Understands a line as a person would say it: `2 showers, dishes and kettle`, `fill 60`, `dump grey`, `meter 412.6`,
 * `grey 2/3`, `yesterday 21:30 dishes`, `crew 3`, `splash = wash hands`, `note hose drips`. Nothing is stored.
 */
export function understand(given: string, context: QuickContext): QuickAnswer {
	const text = given
		.normalize('NFC')
		.replaceAll('\u0000', ' ')
		.replaceAll(
			TWO_NUMBERED,
			(_, noun: string, first: string, second: string) => `${noun} ${first} and ${noun} ${second}`
		);
	if (text.trim() === '') return { kind: 'nothing' };
	const note = noteLine(text, context);
	if (note) return note;
	if (text.trim().length > LONGEST)
		return {
			kind: 'problem',
			problem: `That is ${text.trim().length} characters, a page rather than a line. Enter a few things at a time, or begin with “note” to log it as it is.`
		};
	if (isAsked(text, context) && !A_LEVEL.test(text)) {
		const question = questionIn(text, context);
		return question
			? { kind: 'question', question }
			: { kind: 'problem', ...notDone(text, { stance: 'asked', word: '?' }) };
	}
	// What is denied, wished or not certain is told of no stretch and of no days to come.
	const stance = stanceOf(text, context);
	const told =
		stance === undefined || PEOPLE_GONE.test(text) || (stance.stance === 'not-yet' && !WISHED.test(text));
	const gap = told ? gapLine(text, context) : undefined;
	if (gap) return allOfIt(text, wholeAnswer(gap.reading, context, gap.atMs), context);
	const ahead = told ? aheadLine(text, context) : undefined;
	const planned = ahead && allOfIt(text, wholeAnswer(ahead.reading, context), context);
	if (planned && ahead.alone) return planned;
	const done = toCome(text, understandDone(text, context), context);
	if (planned?.kind !== 'understood') return mayBeToCome(text, done, context);
	return done.kind === 'understood'
		? { kind: 'understood', matches: toldApart([...planned.matches, ...done.matches]) }
		: planned;
}

/** Denials that tell where people are, or that nothing was logged. */
const PEOPLE_GONE =
	/\b(?:not|nobody|no one|no longer|(?:were|was|are|is)n['’]t) (?:is |was )?(?:here|there|aboard|on board|hooked up|plugged in|on (?:the )?(?:mains|hook-?up))\b|\b(?:forgot to|did(?:n['’]t| not)) (?:log|write)\b/i;
/** `for 3 days`: how long, and no figure of what is so. */
const SO_LONG =
	/\bfor (?:\d{1,3}|an?|one|two|three|four|five|six|seven|ten) (?:days?|nights?|weeks?|hours?)\b/i;
const WISHED =
	/\b(?:need|needs|needed|must|should|ought|want|wants|wanted|wanna|hope|hopes|hoping|if|would|could|wish|have to|has to|let['’]?s)\b/i;

/** A line that is whole in itself; where it says more than was understood, it is not sure. */
function allOfIt(text: string, answer: QuickAnswer, context: QuickContext): QuickAnswer {
	if (answer.kind !== 'understood') return answer;
	const timeless = [
		...casual.parse(text, clockOf(context.nowMs, context.timeZone)).map(({ text: time }) => time),
		...(SO_LONG.exec(text) ?? [])
	].reduce((rest, time) => rest.replace(time, ' '), text);
	const lost = answer.matches.flatMap(({ drafts, adds, says }) => {
		const meaning: Meaning = { does: drafts as Meaning['does'], ...(adds ? { adds } : {}), says };
		return [
			...lostWords(text.replace(PEOPLE_GONE, ' '), meaning, context),
			...lostFigures(timeless, meaning, namesOf(context))
		];
	});
	if (lost.length === 0) return answer;
	const [noted = { does: [] }] = noteOf(text.trim());
	return {
		kind: 'understood',
		matches: [...answer.matches, understoodAs([{ meaning: noted, moment: { ms: context.nowMs } }], context)]
	};
}

/** A line of which every moment is still to come has not happened: it is not logged. */
function toCome(text: string, answer: QuickAnswer, { nowMs }: QuickContext): QuickAnswer {
	if (answer.kind !== 'understood') return answer;
	const ahead = answer.matches.every(({ atMs, drafts }) => drafts.length > 0 && atMs > nowMs + MINUTE_MS);
	return ahead ? { kind: 'problem', ...notDone(text, { stance: 'not-yet', word: '' }) } : answer;
}

/** Said of what was done. */
const DONE =
	/\b(?:\p{L}+ed|did|had|was|were|took|went|made|drank|drunk|left|came|got|ran|spilt|brought|bought|caught|gave|last|ago)\b/iu;
/** A weekday that was so many days ago is sooner to come than it was. */
const SOONER_AHEAD = 4;

/** `dump grey on Friday`, said on a Thursday: last Friday, or a plan for tomorrow. It is not sure. */
function mayBeToCome(text: string, answer: QuickAnswer, context: QuickContext): QuickAnswer {
	if (answer.kind !== 'understood' || DONE.test(text)) return answer;
	const [match] = answer.matches;
	const [when] = casual.parse(text, clockOf(context.nowMs, context.timeZone));
	if (!match || answer.matches.length > 1 || match.drafts.length === 0 || !when) return answer;
	const named = when.start.isCertain('weekday') && !when.start.isCertain('day');
	const days = (context.nowMs - match.atMs) / DAY_MS;
	if (!named || Math.round(days) < SOONER_AHEAD) return answer;
	const [noted = { does: [] }] = noteOf(text.trim());
	return {
		kind: 'understood',
		matches: [...answer.matches, understoodAs([{ meaning: noted, moment: { ms: context.nowMs } }], context)]
	};
}

/** Understands a line of what was, or is so now. */
function understandDone(text: string, context: QuickContext): QuickAnswer {
	const moved = peopleMove(text, context);
	if (moved) return wholeAnswer(moved, context);
	const own = A_LEVEL.test(text) ? undefined : ownWord(text, meantByWords(context), context);
	const things = own ? undefined : timed(text.replace(A_LEVEL, ' $1'), context);
	if (things && 'problem' in things) return { kind: 'problem', ...things };
	const wordy = things?.find(
		({ text: thing }) => plainWords(thing).length > MOST_WORDS && !A_NOTE.test(thing)
	);
	if (wordy)
		return {
			kind: 'problem',
			problem: `“${wordy.text.slice(0, SHOWN)}…” is too much at once. Put commas between things, or begin with “note”.`
		};
	if (things && things.length > MOST_THINGS)
		return {
			kind: 'problem',
			problem: `That is ${things.length} things. Enter up to ${MOST_THINGS} at a time.`
		};
	const now: readonly Moment[] = [{ ms: context.nowMs }];
	const read = own
		? isProblem(own)
			? own
			: [{ meanings: own, moments: now }]
		: readThings(things ?? [], context);
	if ('problem' in read) return { kind: 'problem', ...read };
	const newIds = read.flatMap(({ meanings }) =>
		meanings.every(({ adds }) => adds) ? [meanings[0]?.adds?.id] : []
	);
	if (new Set(newIds).size < newIds.length)
		return { kind: 'problem', problem: 'One new thing at a time: enter these in two lines.' };
	const together = read.every(({ moments }) => moments === read[0]?.moments);
	const moments = together
		? (read[0]?.moments ?? now).map((moment) => read.map(() => moment))
		: combinations(
				read.map(({ moments: all }) => all),
				MOST_MATCHES
			);
	const meanings = combinations(
		read.map(({ meanings: all }) => all),
		MOST_MATCHES
	);
	const matches = meanings
		.flatMap((chosen) =>
			moments.map((when) =>
				understoodAs(
					chosen.map((meaning, i) => ({ meaning, moment: when[i] ?? { ms: context.nowMs } })),
					context
				)
			)
		)
		.slice(0, MOST_MATCHES);
	return { kind: 'understood', matches: toldApart(matches) };
}
