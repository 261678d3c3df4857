import type { CareTask } from '../../logbook/index.js';
import { listed, sayHappening } from '../../words/index.js';
import { one, oneTooMany, problem, type LineReading, type Meaning, type QuickContext } from '../context.js';
import { WINTER_WORK } from '../lexing/concepts.js';
import { meaningful, plainWords, stemOf, thingsNamed } from '../lexing/names.js';
import { thingsOf } from '../lexing/things.js';
import { figureBeyond, type TokenLine } from '../lexing/tokens.js';

/** Words that switch something on or off. */
export const SWITCH: ReadonlyMap<string, boolean> = new Map([
	['on', true],
	['off', false],
	['start', true],
	['started', true],
	['stop', false],
	['stopped', false]
]);

/** A line without what ways to save are called: `way to save paper plates` is `paper plates`. */
function withoutItsKind(words: readonly string[]): readonly string[] {
	const at = words.indexOf('way');
	const rest = at >= 0 && words[at + 1] === 'to' && words[at + 2] === 'save' ? words.toSpliced(at, 3) : words;
	return rest.filter((word) => word !== 'measure');
}

/** A measure by its name alone may be begun or ended; `using` and `no` tell. */
export function measureAlone(line: TokenLine, { rig }: QuickContext): readonly Meaning[] {
	const using = line.words.some((word) => /^(using|with)$/.test(word));
	const no = line.words.some((word) => /^(no|without)$/.test(word));
	const said = withoutItsKind(line.words);
	const words = meaningful(said.filter((word) => !/^(using|with|no|without)$/.test(word)));
	const states = using ? [true] : no ? [false] : [true, false];
	return words.length === 0
		? []
		: thingsNamed(words, rig.measures).flatMap(({ id }) =>
				states.map((on) => one({ kind: 'measure', measure: id, on }))
			);
}

/** `short showers on`, `paper plates off`, `started short showers`. */
export function measureLine(line: TokenLine, context: QuickContext): LineReading | undefined {
	const state = line.words.map((word) => SWITCH.get(word)).find((on) => on !== undefined);
	if (state === undefined || line.figures.length > 0) return undefined;
	const words = meaningful(withoutItsKind(line.words).filter((word) => !SWITCH.has(word)));
	const measures = words.length === 0 ? [] : thingsNamed(words, context.rig.measures);
	return measures.length > 0
		? measures.map((measure) => one({ kind: 'measure', measure: measure.id, on: state }))
		: undefined;
}

const MOST_ABOARD = 60;

/** `crew 3`, `3 aboard`, `we are 3`. */
function crewOf(line: TokenLine): LineReading {
	const beyond = figureBeyond(line, 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	const persons = line.figures[0]?.value;
	if (persons === undefined || !Number.isInteger(persons) || persons < 0 || persons > MOST_ABOARD)
		return problem('How many are aboard? For example “crew 3”.');
	return [one({ kind: 'crew', persons })];
}

const CREW = new Set(['crew', 'persons', 'people', 'aboard', 'adults', 'pax']);
const GUESTS = /^(?:(?:guest|visitor|friend|kid)s?|(?:grand)?child(?:ren)?)$/;
const SEVERAL = /(?:s|ren)$/;
const GOES = /^(left|gone|leaves|leaving|went|ashore|home|departed|off)$/;
const COMES =
	/^(came|comes|joined|joins|arrived|arrives|back|aboard|here|in|stays|staying|tonight|night|weekend)$/;

const PRONOUN =
	/^(i|we|they|he|she|it|all|both|everyone|everybody|you|who|have|just|back|again|more|another|nobody|guests?|visitors?|friends?|kids?|water|rain)$/i;

/** How many are aboard, as far as that is known. */
export const aboardNow = ({ persons, trip, rig }: QuickContext): number =>
	Math.round(persons ?? trip?.persons ?? rig.crew);

function crewBy(change: number, who: string, context: QuickContext): LineReading {
	const persons = aboardNow(context) + change;
	if (persons < 0 || persons > MOST_ABOARD)
		return problem(
			`${aboardNow(context)} aboard so far. Enter how many there are now, for example “crew 3”.`
		);
	const happening = { kind: 'crew', persons } as const;
	return [one(happening, { says: `${who}: ${sayHappening(happening, context)}` })];
}

/** Nobody is aboard from now on. */
const ALL_GONE =
	/^(we are |we're |were )?(all |everyone |everybody |both )?(is |are )?(ashore|gone ashore|away now|off the boat)( now)?$/;
const PEOPLE_MOVE =
	/^\s*((?:\p{L}[\p{L}'’-]*)(?:\s*,\s*\p{L}[\p{L}'’-]*)*\s+and\s+\p{L}[\p{L}'’-]*)\s+(?:have |are |has )?(\p{L}+)(?: aboard| on board| home| ashore| back)?\s*[.!]?\s*$/u;

/** `Mia and Tor left`, `Mia and Tor came aboard`: several at once; nothing where a name is none of a person. */
export function peopleMove(text: string, context: QuickContext): LineReading | undefined {
	const [, list = '', does = ''] = PEOPLE_MOVE.exec(text) ?? [];
	const verb = does.toLowerCase();
	const [goes, comes] = [GOES.test(verb), COMES.test(verb) && !/^(in|tonight|night|weekend)$/.test(verb)];
	const names = list.split(/\s*,\s*|\s+and\s+/).filter((name) => name !== '');
	if (!(goes || comes) || names.length < 2) return undefined;
	if (names.some((name) => PRONOUN.test(name) || isOfRig(name, context))) return undefined;
	const who = listed(names.map((name) => capitalName(name, context)));
	return crewBy(goes ? -names.length : names.length, `${who} ${goes ? 'left' : 'came'}`, context);
}

/** `crew 3`, `guest`, `2 guests left`, a name and `left` or `back`. */
export function crewLine(text: string, line: TokenLine, context: QuickContext): LineReading | undefined {
	const { words, figures } = line;
	const phrase = words.join(' ');
	if (/^(just me|alone|on my own|only me)$/.test(phrase) && figures.length === 0)
		return [one({ kind: 'crew', persons: 1 })];
	if (ALL_GONE.test(phrase) && figures.length === 0) return [one({ kind: 'crew', persons: 0 })];
	const more = figures[0]?.value;
	if (
		/^more( people| persons)?( aboard| on board| came| joined)?$/.test(phrase) &&
		more !== undefined &&
		Number.isInteger(more) &&
		more > 0
	)
		return crewBy(more, `${more} more`, context);
	const guests = words.find((word) => GUESTS.test(word));
	if (
		guests !== undefined &&
		words.every(
			(word) =>
				GUESTS.test(word) ||
				GOES.test(word) ||
				COMES.test(word) ||
				meaningful([word]).length === 0 ||
				word === 'on' ||
				word === 'board'
		)
	) {
		const count = figures[0]?.value ?? (SEVERAL.test(guests) ? undefined : 1);
		if (count === undefined || !Number.isInteger(count) || count < 1)
			return problem('How many come? For example “2 guests”, or everyone aboard: “crew 4”.');
		const leaves = words.some((word) => GOES.test(word));
		const whom = /kid|child/.test(guests)
			? count === 1
				? 'A child'
				: `${count} children`
			: count === 1
				? 'A guest'
				: `${count} guests`;
		const who = `${whom} ${leaves ? (count === 1 ? 'leaves' : 'leave') : count === 1 ? 'comes' : 'come'}`;
		return crewBy(leaves ? -count : count, who, context);
	}
	const said = meaningful(words).filter((word) => word !== 'on' && word !== 'board');
	if (said.length > 0 && said.every((word) => CREW.has(word)) && (figures.length > 0 || words[0] === 'crew'))
		return crewOf(line);
	if (words[0] === 'crew' || words[0] === 'persons' || words[0] === 'aboard') return crewOf(line);
	if (/^(we|there) are( of us)?$/.test(phrase) || /^(of )?us$/.test(phrase))
		return figures.length > 0 ? crewOf(line) : undefined;
	const named =
		/^\s*(\p{L}[\p{L}-]+)(?:['’]s)?\s+(?:has |is |just |went |goes )*(\p{L}+)(?: on board| aboard| home| ashore| again| back)?\s*[.!]?\s*$/u.exec(
			text
		);
	if (!named || figures.length > 0) return undefined;
	const [who = '', does = ''] = [named[1], (named[2] ?? '').toLowerCase()];
	const [goes, comes] = [GOES.test(does), COMES.test(does) && !/^(in|tonight|night|weekend)$/.test(does)];
	if (!(goes || comes) || PRONOUN.test(who) || isOfRig(who, context)) return undefined;
	return crewBy(goes ? -1 : 1, `${capitalName(who, context)} ${goes ? 'left' : 'came'}`, context);
}

/** A word that names a tank, a stop, a habit, a measure or an instrument is nobody's name. */
export function isOfRig(word: string, context: QuickContext): boolean {
	const plain = [word.toLowerCase()];
	const known = (context.people ?? []).some((name) => name.toLowerCase() === plain[0]);
	// Somebody who is known keeps their name, though it is part of something else's.
	if (known) return thingsOf(context).some(({ name }) => name.toLowerCase() === plain[0]);
	return (
		thingsNamed(plain, thingsOf(context)).length > 0 ||
		context.rig.tanks.some(({ holds }) => holds === plain[0])
	);
}

/** A name as it is written in the log, else with its first letter large. */
export const capitalName = (name: string, { people = [] }: QuickContext): string =>
	people.find((known) => known.toLowerCase() === name.toLowerCase()) ??
	name.charAt(0).toUpperCase() + name.slice(1);

/** What is done to what is looked after; words of one row mean the same. */
const CARE_VERBS: readonly RegExp[] = [
	/^(chang\w*|replac\w*|swapp?\w*|new)$/,
	/^(clean\w*|rins\w*|wash\w*|sanit\w*|disinfect\w*|descal\w*)$/,
	/^(treat\w*|dos\w*)$/,
	/^(done|finished|serviced|checked|looked)$/
];
const ANYTHING = CARE_VERBS.length - 1;
const careVerbs = (words: readonly string[]): readonly number[] =>
	words.flatMap((word) => CARE_VERBS.flatMap((row, i) => (row.test(word) ? [i] : [])));

/** What else a task is called, by its season. */
const alsoCalled = ({ season }: CareTask): readonly string[] => (season === 'lay-up' ? WINTER_WORK : []);

/** `filter changed`, `done filter`, `rinsed the cassette`. */
export function careLine(line: TokenLine, context: QuickContext): LineReading | undefined {
	const { care } = context.rig;
	const done = careVerbs(line.words);
	if (line.figures.length > 0) return undefined;
	const spoken = meaningful(line.words).flatMap(plainWords).map(stemOf).toSorted().join(' ');
	const called = care.filter(({ name }) => plainWords(name).map(stemOf).toSorted().join(' ') === spoken);
	if (called.length > 0) return called.map((task) => one({ kind: 'care', task: task.id }));
	if (done.length === 0) return undefined;
	const begins = line.words[0] === 'done';
	const all = meaningful(line.words).filter((word) => !/^(done|finished|looked|after)$/.test(word));
	const nouns = all.filter((word) => careVerbs([word]).length === 0);
	const whole = all.length > 0 ? thingsNamed(all, care, alsoCalled) : [];
	// By what it is done to: unless the task is to do another thing to it.
	const alike = (nouns.length > 0 ? thingsNamed(nouns, care) : begins ? care : []).filter(({ name }) => {
		const task = careVerbs(plainWords(name));
		return task.length === 0 || done.some((row) => row === ANYTHING || task.includes(row));
	});
	const tasks = whole.length > 0 ? whole : alike;
	if (tasks.length > 0) return tasks.map((task) => one({ kind: 'care', task: task.id }));
	if (!begins && !nouns.includes('filter')) return undefined;
	const said = `note ${line.words.join(' ')}`;
	return care.length > 0
		? problem(`What was done? This rig has ${listed(care.map(({ name }) => name))}.`)
		: problem(`This rig has no care tasks yet. Log it as a note for now: “${said}”.`, said);
}

/** Who did it, and the line without that. */
export interface ByWhom {
	readonly by: string;
	readonly rest: string;
	/** nobody of that name has been written of */
	readonly isNew: boolean;
}

const NOT_A_PERSON =
	/^(eye|hand|foot|hose|gravity|night|day|boat|car|bike|far|about|mistake|now|jug|tote|bucket|myself|me|us|all|everyone|both|the|a|an|my|our)$/i;
const SUBJECT =
	/^\s*(\p{Lu}[\p{L}'’-]+?)(?:['’]s)?[:,]?\s+(?=(?:has|had|took|did|made|drank|washed|showered|flushed|brushed|cooked)\b)/u;

/** The person in a line: `shower by Zoe`, `shower Anna` where Anna is known or begins with a large letter, `Anna had a shower`. */
export function takePerson(text: string, context: QuickContext): ByWhom | undefined {
	const { people = [] } = context;
	const found = (name: string, index: number, length: number): ByWhom => ({
		by: capitalName(name, context),
		rest: `${text.slice(0, index)} ${text.slice(index + length)}`.replaceAll(/\s+/g, ' ').trim(),
		isNew: !people.some((known) => known.toLowerCase() === name.toLowerCase())
	});
	const by = /(?:^|\s)(?:[Bb]y\s+(\p{L}[\p{L}'’-]*)|[Ff]or\s+(\p{Lu}[\p{L}'’-]+))(?=\s|$)/u.exec(text);
	const named = by?.[1] ?? by?.[2];
	if (by && named && !NOT_A_PERSON.test(named) && !isOfRig(named, context))
		return found(named, by.index, by[0].length);
	for (const name of people) {
		const words = name
			.trim()
			.split(/\s+/)
			.map((word) => word.replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`));
		const known = new RegExp(
			`(?<![\\p{L}\\p{N}])${words.join('\\s+')}(?:['’]s)?:?(?![\\p{L}\\p{N}])`,
			'iu'
		).exec(text);
		if (known) return found(name, known.index, known[0].length);
	}
	const subject = SUBJECT.exec(text);
	if (subject?.[1] && !isOfRig(subject[1], context))
		return found(subject[1], subject.index, subject[0].length);
	const last = /\s(\p{Lu}[\p{Ll}'’-]+)\s*$/u.exec(text);
	if (last?.[1] && !NOT_A_PERSON.test(last[1]) && !isOfRig(last[1], context))
		return found(last[1], last.index, last[0].length);
	return undefined;
}

/** The meanings as done by somebody: said, and put to the entries. */
export const doneBy = (
	meanings: readonly Meaning[],
	{ by, isNew }: ByWhom,
	context: QuickContext
): readonly Meaning[] =>
	meanings.map((meaning) => ({
		...meaning,
		does: meaning.does.map((happening) => ({ ...happening, by })),
		says: `${meaning.says ?? meaning.does.map((happening) => sayHappening(happening, context)).join('; ')}, by ${by}`,
		...(isNew
			? { warns: [meaning.warns, `${by} has not been mentioned before.`].filter(Boolean).join(' ') }
			: {})
	}));
