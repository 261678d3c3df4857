import { MINUTE_MS, zonedIso } from '../time/index.js';
import { type EntryDraft } from '../logbook/index.js';
import { sayHappening, sayMomentOf } from '../words/index.js';
import { ownWord } from './intents/adding.js';
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
import { isAsked, notDone } from './lexing/stance.js';
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
	const text = given.normalize('NFC').replaceAll('\u0000', ' ');
	if (text.trim() === '') return { kind: 'nothing' };
	const note = noteLine(text, context);
	if (note) return note;
	if (text.trim().length > LONGEST)
		return {
			kind: 'problem',
			problem: `That is ${text.trim().length} characters, a page rather than a line. Enter a few things at a time, or begin with “note” to log it as it is.`
		};
	if (isAsked(text) && !A_LEVEL.test(text)) {
		const question = questionIn(text, context);
		return question
			? { kind: 'question', question }
			: { kind: 'problem', ...notDone(text, { stance: 'asked', word: '?' }) };
	}
	const gap = gapLine(text, context);
	if (gap) return wholeAnswer(gap.reading, context, gap.atMs);
	const ahead = aheadLine(text, context);
	const planned = ahead && wholeAnswer(ahead.reading, context);
	if (planned && ahead.alone) return planned;
	const done = toCome(text, understandDone(text, context), context);
	if (planned?.kind !== 'understood') return done;
	return done.kind === 'understood'
		? { kind: 'understood', matches: toldApart([...planned.matches, ...done.matches]) }
		: planned;
}

/** A line of which every moment is still to come has not happened: it is not logged. */
function toCome(text: string, answer: QuickAnswer, { nowMs }: QuickContext): QuickAnswer {
	if (answer.kind !== 'understood') return answer;
	const ahead = answer.matches.every(({ atMs, drafts }) => drafts.length > 0 && atMs > nowMs + MINUTE_MS);
	return ahead ? { kind: 'problem', ...notDone(text, { stance: 'not-yet', word: '' }) } : answer;
}

/** Understands a line of what was, or is so now. */
function understandDone(text: string, context: QuickContext): QuickAnswer {
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
