import { zonedIso, type EntryDraft } from '../logbook/index.js';
import { sayHappening, sayMomentOf } from '../words/index.js';
import { ownWord } from './adding.js';
import { namesOf, readClause, verbOf } from './clause.js';
import { habitsNamed } from './concepts.js';
import {
	isProblem,
	problem,
	withAddition,
	type Addition,
	type Answer,
	type Meaning,
	type NoMeaning,
	type QuickContext,
	type Understood
} from './context.js';
import { meaningful, namedBy, plainWords } from './names.js';
import { hiding, shielded } from './shield.js';
import { AND_A_HALF, takeTime, type Moment } from './time.js';
import { readLine } from './tokens.js';

/** What a line may mean, likeliest first; or, when it means nothing, why and what would. */
export type QuickAnswer =
	| { readonly kind: 'nothing' }
	| { readonly kind: 'understood'; readonly matches: readonly Understood[] }
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

/** One of the things that a line says, and when it was. */
interface Thing {
	readonly text: string;
	/** what stood between it and the one before */
	readonly seam: string;
	readonly moments: readonly Moment[];
	readonly named: boolean;
}

/** A meaning with its moments. */
interface Dated {
	readonly meanings: readonly Meaning[];
	readonly moments: readonly Moment[];
}

const SEAM = /\s*(?:,(?!\d)|;|\n+|\.\s+(?=\p{L})|\s&\s|\s\+\s|(?<=\s)(?:and then|then|and|plus)(?=\s))\s*/giu;

/** `an hour and a half ago` has no seam in it. */
const wholeTimes = (text: string): string => {
	const found = AND_A_HALF.exec(text);
	return found ? hiding(text, found.index, found[0].length) : text;
};

/** Cuts a line at its seams; names that hold one stay whole. */
function cut(
	text: string,
	names: readonly string[]
): readonly { readonly text: string; readonly seam: string }[] {
	const pieces: { text: string; seam: string }[] = [];
	let [from, seam] = [0, ''];
	for (const found of wholeTimes(shielded(text, names)).matchAll(SEAM)) {
		if (pieces.length > 0 && A_NOTE.test(text.slice(from).trim())) break;
		const piece = text.slice(from, found.index).trim();
		if (piece !== '') {
			pieces.push({ text: piece, seam });
			seam = found[0];
		}
		from = found.index + found[0].length;
	}
	const last = text.slice(from).trim();
	return last === '' ? pieces : [...pieces, { text: last, seam }];
}

const A_NOTE = /^note(?![\p{L}\p{N}'’-])/iu;
/** `6 L`, `3 minutes`: of what was said before it. */
const ONLY_AN_AMOUNT =
	/^(?:for\s+)?\d+(?:[.,]\d+)?\s*(?:l|litres?|liters?|(?:us |imp )?gal(?:lons?)?|mins?|minutes?|x|times)?$/i;
const MEASURES = /\b(meter|rod|gauge|dip|dipped|dipstick|level|sender)\b/i;

/** The things of a line with their times; one at either end of the whole line is of all of them. */
function timed(text: string, context: QuickContext): readonly Thing[] | NoMeaning {
	const { nowMs, timeZone } = context;
	const names = namesOf(context);
	const things: Thing[] = [];
	let ofAllAlone: readonly Moment[] | undefined;
	for (const piece of cut(text, names)) {
		const before = things.at(-1);
		if (A_NOTE.test(piece.text)) {
			things.push({ ...piece, moments: [{ ms: nowMs }], named: false });
			continue;
		}
		const found = takeTime(piece.text, nowMs, timeZone, names, MEASURES.test(piece.text));
		if ('problem' in found) return problem(found.problem);
		const { rest, moments, named } = found;
		// A time by itself: once more what was done before at a time, else when all of it was.
		if (rest === '' && before?.named) things.push({ ...before, seam: piece.seam, moments });
		else if (rest === '') ofAllAlone = moments;
		else if (before && ONLY_AN_AMOUNT.test(rest) && piece.seam.trim() === ',')
			things.splice(-1, 1, {
				...before,
				text: `${before.text} ${rest}`,
				...(named ? { moments, named } : {})
			});
		else things.push({ text: rest, seam: piece.seam, moments, named });
	}
	const [first, last] = [things[0], things.at(-1)];
	if (!first || !last) return problem('And what happened then?');
	const dated = things.filter(({ named }) => named);
	const atStart = first.named && text.trim().endsWith(last.text) && !text.trim().startsWith(first.text);
	const atEnd = last.named && text.trim().startsWith(first.text) && !text.trim().endsWith(last.text);
	const ofAll = ofAllAlone ?? (dated.length === 1 && (atStart || atEnd) ? dated[0]?.moments : undefined);
	return ofAll
		? things.map((thing) => (thing.named && ofAllAlone ? thing : { ...thing, moments: ofAll }))
		: things;
}

const STATE_BEHIND = /\s((?:is |are |was |were )?(?:full|empty|half|dumped|emptied|filled|poured))$/i;

/** A thing by itself, else with the verb of the one before it or the state of one behind: `dump grey and black`. */
function readThing(things: readonly Thing[], i: number, context: QuickContext): Answer {
	const thing = things[i];
	if (!thing) return [];
	const at = { ...context, atMs: thing.moments[0]?.ms, several: things.length > 1 };
	const [, noted] = /^note\b\s*:?\s*([\s\S]*)$/i.exec(thing.text) ?? [];
	if (noted !== undefined) return noted === '' ? problem('What is the note?') : noteOf(noted);
	const before = things.slice(0, i).findLast(({ text }) => verbOf(readLine(text).words)?.at === 0);
	// "jug 1 and 2": another number in the place of the last.
	const numbered = /^\d+$/.test(thing.text) ? (things[i - 1]?.text.replace(/\d+$/, '') ?? '') : '';
	if (numbered !== '' && numbered !== things[i - 1]?.text)
		return readClause(`${numbered}${thing.text}`, at, true);
	const strictly = readClause(thing.text, at, true);
	if (!isProblem(strictly) && strictly.every(({ adds }) => adds === undefined)) return strictly;
	const verb = /^\S+/.exec(before?.text ?? '')?.[0];
	const behind = things
		.slice(i + 1)
		.map(({ text }) => STATE_BEHIND.exec(text)?.[1])
		.find((state) => state !== undefined);
	const withMore = [
		...(verb === undefined || !/\p{L}/u.test(thing.text) ? [] : [`${verb} ${thing.text}`]),
		...(behind === undefined ? [] : [`${thing.text} ${behind}`])
	];
	for (const text of withMore) {
		const read = readClause(text, at, true);
		if (!isProblem(read)) return read;
	}
	return readClause(thing.text, at);
}

/** Whether neighbours are words of one and the same name: of `Kettle and pots`, and not of that and `Dishes`. */
function isOneName(things: readonly Thing[], context: QuickContext): boolean {
	const words = meaningful(plainWords(things.map(({ text }) => text).join(' '))).filter(
		(word) => !/^\d/.test(word)
	);
	return (
		namedBy(
			words,
			namesOf(context).map((name) => ({ id: name, name }))
		).length > 0
	);
}

/** Reads the things of a line; neighbours that are one by their names are read as one. */
function readThings(things: readonly Thing[], context: QuickContext): readonly Dated[] | NoMeaning {
	const read: Dated[] = [];
	/** a name of several parts may have been said in part */
	const seamed = namesOf(context).some((name) => /[,;&+]|\band\b/i.test(name));
	for (let i = 0; i < things.length;) {
		const thing = things[i];
		if (!thing) break;
		let taken = 1;
		let answer: Answer | undefined;
		for (let to = seamed ? things.length : 0; to > i + 1 && !answer; to--) {
			const joined = things.slice(i, to);
			if (new Set(joined.map(({ text }) => text.toLowerCase())).size < joined.length) continue;
			if (!isOneName(joined, context)) continue;
			if (joined.some(({ moments }) => moments[0]?.ms !== thing.moments[0]?.ms)) continue;
			const text = joined
				.map(({ text: piece, seam }, at) =>
					at === 0 ? piece : `${seam.trim() === ',' ? ', ' : ` ${seam.trim()} `}${piece}`
				)
				.join('');
			const whole = readClause(text, { ...context, atMs: thing.moments[0]?.ms }, true);
			if (!isProblem(whole)) [answer, taken] = [whole, to - i];
		}
		answer ??= readThing(things, i, context);
		if (isProblem(answer))
			return things.length === 1 ? answer : problem(`“${thing.text}”: ${answer.problem}`);
		read.push({ meanings: answer, moments: thing.moments });
		i += taken;
	}
	return read;
}

/** Every way to choose one of each. */
const combinations = <T>(lists: readonly (readonly T[])[], most: number): readonly (readonly T[])[] =>
	lists.reduce<readonly (readonly T[])[]>(
		(found, list) => found.flatMap((one) => list.map((item) => [...one, item])).slice(0, most),
		[[]]
	);

const MINUTE_MS = 60_000;

/** What is said of a meaning at a moment: the moment too, when that is not now. */
function saidAt(meaning: Meaning, ms: number, context: QuickContext): string {
	const rig = meaning.adds ? withAddition(context.rig, meaning.adds) : context.rig;
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
	const adds = chosen.map(({ meaning }) => meaning.adds).find((addition) => addition !== undefined);
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

const noteOf = (text: string): readonly Meaning[] => [
	{
		does: [{ kind: 'note', text }],
		says: `Note: ${text.length > SHOWN ? `${text.slice(0, SHOWN - 1)}…` : text}`
	}
];

const NOTE = /^(.*?)(?<![\p{L}\p{N}])note(?![\p{L}\p{N}'’-])\s*:?\s*([\s\S]*)$/iu;

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
			problem: `A note takes ${LONGEST_NOTE} characters; this one has ${kept.length}. Make two of it.`
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
	(text: string): readonly Addition[] => {
		const words = plainWords(text);
		const habits = habitsNamed(words, rig.habits);
		return habits.length > 0 ? habits : words.length > 0 ? namedBy(words, rig.instruments) : [];
	};

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
			problem: `That is ${text.trim().length} characters, a page rather than a line. Say a few things at a time, or begin with “note” to keep it as it stands.`
		};
	const own = A_LEVEL.test(text) ? undefined : ownWord(text, meantByWords(context), context);
	const things = own ? undefined : timed(text.replace(A_LEVEL, ' $1'), context);
	if (things && 'problem' in things) return { kind: 'problem', ...things };
	const wordy = things?.find(
		({ text: thing }) => plainWords(thing).length > MOST_WORDS && !A_NOTE.test(thing)
	);
	if (wordy)
		return {
			kind: 'problem',
			problem: `“${wordy.text.slice(0, SHOWN)}…” is more than a line says at once. Put commas between things, or begin with “note”.`
		};
	if (things && things.length > MOST_THINGS)
		return {
			kind: 'problem',
			problem: `Those are ${things.length} things. Say up to ${MOST_THINGS} at a time.`
		};
	const now: readonly Moment[] = [{ ms: context.nowMs }];
	const read = own
		? isProblem(own)
			? own
			: [{ meanings: own, moments: now }]
		: readThings(things ?? [], context);
	if ('problem' in read) return { kind: 'problem', ...read };
	if (read.filter(({ meanings }) => meanings.every(({ adds }) => adds)).length > 1)
		return { kind: 'problem', problem: 'One new thing at a time: say these in two lines.' };
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
