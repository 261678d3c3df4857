import { serviceFoundLine } from './serviceFound.js';
import { listed } from '../../words/index.js';
import { careLine, crewLine, doneBy, measureAlone, measureLine, takePerson } from './acts.js';
import { hookupLine } from './hookups.js';
import { addingHabit } from './adding.js';
import { conceptIn, habitsNamed } from '../lexing/concepts.js';
import {
	isProblem,
	one,
	problem,
	type LineReading,
	type Meaning,
	type NoMeaning,
	type QuickContext
} from '../context.js';
import { inflowLine } from './inflow.js';
import { gaugeHelp, gaugeLine, levelLine, namesAGauge, tankState } from './levels.js';
import { dumpLine, transferLine } from './movements.js';
import { fromTo, joined, togetherLine } from './together.js';
import { verbLine, verbOf } from './verbs.js';
import { meaningful, plainWords, stemOf, thingsNamed } from '../lexing/names.js';
import { outflowLine } from './outflow.js';
import { doseLine, rinsedLine } from './putIn.js';
import { heelLine, seenLine } from './seen.js';
import { meterLine, rodLine } from './observations.js';
import { mended } from '../lexing/spelling.js';
import { tanksNamed } from './tanks.js';
import { namesOf } from '../lexing/things.js';
import { lostFigures, lostWords } from '../lexing/accounted.js';
import { readLine, takeMinutes, type TokenLine } from '../lexing/tokens.js';
import { useLine } from './uses.js';

/** A habit by its whole name, whatever verb that begins with. */
function wholeName(line: TokenLine, context: QuickContext): boolean {
	const said = line.words.join(' ');
	return context.rig.habits.some(({ name, words = [] }) =>
		[name, ...words].some((known) => plainWords(known).join(' ') === said)
	);
}

const same = (a: Meaning, b: Meaning): boolean =>
	JSON.stringify([a.does, a.adds]) === JSON.stringify([b.does, b.adds]);
const unlike = (meanings: readonly Meaning[]): readonly Meaning[] =>
	meanings.filter((one, i) => !meanings.slice(0, i).some((before) => same(before, one)));

/** Whether the tank that a level is of was named by its whole name, or by what it holds. */
function wholly({ does, adds }: Meaning, { words }: TokenLine, { rig }: QuickContext): boolean {
	const said = new Set(words.flatMap(plainWords));
	const instruments = [...rig.instruments, ...(adds && 'kind' in adds ? [adds] : [])];
	return does.every((happening) => {
		const id =
			happening.kind === 'reading'
				? instruments.find((one) => one.id === happening.instrument)?.tank
				: 'tank' in happening
					? happening.tank
					: undefined;
		const tank = rig.tanks.find((one) => one.id === id);
		return (
			tank !== undefined && (said.has(tank.holds) || plainWords(tank.name).every((word) => said.has(word)))
		);
	});
}

const noGauge = ({ rig }: QuickContext): NoMeaning => {
	const name = rig.tanks[0]?.name.toLowerCase() ?? 'main';
	return problem(
		`${rig.name} has no gauge yet. Enter which tank it is of and what it shows, for example “${name} 50%” or “${name} 2/3”.`,
		`${name} 50%`
	);
};

/** What a line says of tanks and habits without a verb. */
function plainLine(line: TokenLine, context: QuickContext): LineReading {
	const used = useLine(line, context);
	const [figure] = line.figures;
	const shown = gaugeLine(line, context);
	const asked = line.words.includes('gauge') && shown.length === 0 ? gaugeHelp(line, context) : undefined;
	if (asked !== undefined) return problem(asked);
	if (line.words.includes('gauge') && shown.length === 0) return levelLine(line, context) ?? noGauge(context);
	const bare = figure !== undefined && figure.unit === '' && !figure.fraction;
	const read = shown.length === 0 || bare ? levelLine(line, context) : undefined;
	// "shower 2" is about a habit, and not about the half of a tank's name that it is as well.
	const level =
		used && !isProblem(used) && read && !isProblem(read)
			? read.filter((one) => wholly(one, line, context))
			: read;
	const seen = [...shown, ...(level && !isProblem(level) ? level : []), ...tankState(line, context)];
	if (used && !isProblem(used)) return unlike([...used, ...seen]);
	if (seen.length > 0) return unlike(seen);
	if (used) return used;
	if (level) return level;
	const help = namesAGauge(line, context) ? gaugeHelp(line, context) : undefined;
	return help === undefined ? { problem: notKnown(line.words, context), unknown: true } : problem(help);
}

/** Read from closed lists that hold every word of the line. */
const ofEveryWord = (read: LineReading): LineReading =>
	isProblem(read) ? read : read.map((meaning) => ({ ...meaning, whole: true }));

/** Everything a line may mean without its time, its words and figures being told apart. */
function readingsOf(
	text: string,
	names: readonly string[],
	line: TokenLine,
	context: QuickContext
): LineReading {
	const { words, figures } = line;
	const [figure] = figures;
	if (words.length === 0 && figure)
		return problem(
			`${figure.text} of what? For example “fill ${figure.text}” or “meter ${figure.text}”.`,
			`fill ${figure.text}`,
			`meter ${figure.text}`
		);
	if (wholeName(line, context)) return plainLine(line, context);
	for (const read of [
		() => serviceFoundLine(text, context),
		() => seenLine(line, context),
		() => outflowLine({ ...line, text: text.trim() }, context),
		() => doseLine(text, line, context),
		() => rinsedLine(text, line, context)
	]) {
		const said = read();
		if (said) return ofEveryWord(said);
	}
	const hooked = hookupLine(line, context);
	if (hooked) return hooked;
	const crew = crewLine(text, line, context);
	if (crew) return crew;
	if (words.includes('meter') || words.includes('reset')) return meterLine(line, context);
	const own =
		figure && meaningful(words).length > 0
			? thingsNamed(
					meaningful(words),
					context.rig.instruments.filter(({ kind }) => kind === 'meter')
				)
			: [];
	if (own.length > 0 && figures.length === 1) return meterLine(line, context);
	if (words.includes('rod') || words.includes('dipstick')) return rodLine(text, names, context);
	const heeled = heelLine(line);
	if (heeled) return heeled;
	const inflow = inflowLine({ ...line, text }, context);
	if (inflow) return ofEveryWord(inflow);
	const care = careLine(line, context);
	if (care && !isProblem(care)) return care;
	const over = fromTo(line, context);
	if (over && !isProblem(over)) return over;
	const byVerb = verbLine(text, names, line, context);
	if (byVerb && !isProblem(byVerb)) return byVerb;
	const moved = words.includes('into') ? transferLine(line, context) : undefined;
	if (moved && !isProblem(moved)) return moved;
	const away = words.includes('into') && !byVerb ? dumpLine(line, context) : undefined;
	if (away && !isProblem(away)) return away;
	const switched = measureLine(line, context);
	if (switched) return switched;
	const together = togetherLine(line, context);
	if (together) return together;
	const plain = plainLine(line, context);
	if (!isProblem(plain)) return plain;
	const named =
		figures.length === 0 && line.minutes === undefined && plain.unknown ? measureAlone(line, context) : [];
	return named.length > 0 ? named : (byVerb ?? care ?? plain);
}

/**
 * Everything a line may mean without its time. Where a number could belong to a name or be an amount, the name is
 * taken when the line is whole with it; where it may well be either, both are offered.
 */
function eitherWay(text: string, context: QuickContext): LineReading {
	const read = bothWays(text, context);
	if (isProblem(read)) return read;
	const names = namesOf(context);
	const losing = read.map((meaning) => [
		...lostWords(text, meaning, context),
		...lostFigures(text, meaning, names)
	]);
	const whole = read.filter((_, i) => losing[i]?.length === 0);
	if (whole.length > 0) return whole;
	// A word that no meaning accounts for may say anything: the line is not sure.
	const lost = losing[0]?.[0] ?? '';
	return [
		...read.map((meaning) => ({
			...meaning,
			loses: lost,
			warns: [meaning.warns, `What does “${lost}” mean here? It is left out.`].filter(Boolean).join(' ')
		})),
		one({ kind: 'note', text: text.trim() }, { says: `Note: ${text.trim()}`, loses: lost })
	];
}

/** Both readings of a line where a number may belong to a name. */
function bothWays(text: string, context: QuickContext): LineReading {
	const names = namesOf(context);
	const { rest, minutes } = takeMinutes(text, names);
	const ran = minutes === undefined ? {} : { minutes };
	const [named, plain] = [readLine(rest, names), readLine(rest)];
	const first = readingsOf(rest, names, { ...named, ...ran }, context);
	if (named.figures.length === plain.figures.length) return first;
	const second = readingsOf(rest, [], { ...plain, ...ran }, context);
	if (isProblem(second)) return first;
	if (isProblem(first)) return plain.figures.length > 1 || first.lacksAmount ? second : first;
	// Behind several things, or before another word, a number is the name's.
	const open =
		!context.several &&
		named.figures.length === 0 &&
		/\d\s*$/.test(rest) &&
		!/\b(up|full|brim)\b/i.test(rest);
	const amounts = second.filter(({ does }) =>
		does.every(({ kind }) => kind === 'use' || (kind === 'fill' && open))
	);
	return unlike([...first, ...amounts]);
}

/** A stop by its name alone, whatever verb that begins with. */
function stopNamed(text: string, context: QuickContext): NoMeaning | undefined {
	const { rig, trip } = context;
	const words = plainWords(text);
	const [stop] = words.length > 0 ? thingsNamed(words, trip?.stops ?? []) : [];
	if (!stop || tanksNamed(words, rig.tanks, context).length > 0) return undefined;
	const name = stop.name.toLowerCase();
	return problem(
		`${stop.name} is a stop on this trip. Enter “arrive ${name}” or “left ${name}”.`,
		`arrive ${name}`,
		`left ${name}`
	);
}

/** The end of a line that is understood without it: a word that may be somebody's name. */
function nameBehind(text: string, context: QuickContext): NoMeaning | undefined {
	const [, before = '', name = ''] = /^(.*\S)\s+(\p{L}[\p{L}'’-]+)$/u.exec(text) ?? [];
	const plain = [name.toLowerCase()];
	if (
		name === '' ||
		/ing$|^(?:days?|hours?|nights?|weeks?|today|tonight|minutes?)$/i.test(name) ||
		meaningful(plain).length === 0 ||
		conceptIn(plain)
	)
		return undefined;
	const without = eitherWay(before, context);
	if (isProblem(without) || !without.every(({ does }) => does.every(({ kind }) => kind === 'use')))
		return undefined;
	return problem(
		`Who or what is “${name}”? If a person did it, enter “${before} by ${name}”.`,
		`${before} by ${name}`
	);
}

/** Words of a time that was not understood as one. */
const WHEN =
	/\b(\d+(st|nd|rd|th)|until|till|before|after|earlier|later|ago|weeks?|months?|years?|breakfast|lunch|dinner|supper|jan(uary)?|feb(ruary)?|march|april|june|july|august|sept(ember)?|october|november|december)\b/i;

/** Where water is used that is nobody's here. */
const ELSEWHERE =
	/\b(ashore|(?:at|in) the (?:marina|campsite|camp|pool|gym|site|club|harbou?r|pub|hotel|hostel|lake|river|sea|ocean|pond)|(?:with|in|by) (?:sea|salt|lake|river) ?water|swam|swimming|swim)\b/i;

/** Words that a line without commas may be cut into at most. */
const MOST_UNCUT = 12;

/** `2 showers 3 dishes`: several uses with nothing between them, as a voice note has it. */
function uncut(text: string, context: QuickContext): readonly Meaning[] {
	const words = text.trim().split(/\s+/);
	const habits = new Set(
		words.map((word) =>
			habitsNamed([word.toLowerCase()], context.rig.habits)
				.map(({ id }) => id)
				.join()
		)
	);
	habits.delete('');
	if (habits.size < 2 || words.length > MOST_UNCUT) return [];
	const usesIn = (part: readonly string[]): readonly Meaning[] => {
		const read = eitherWay(part.join(' '), context);
		return !isProblem(read) && read.every(({ does }) => does.every(({ kind }) => kind === 'use')) ? read : [];
	};
	for (let at = words.length - 1; at > 0; at--) {
		const first = usesIn(words.slice(0, at));
		if (first.length === 0) continue;
		const rest = usesIn(words.slice(at));
		const more = rest.length > 0 ? rest : uncut(words.slice(at).join(' '), context);
		if (more.length > 0)
			return first.flatMap((one) => more.map((other) => ({ does: [...one.does, ...other.does] })));
	}
	return [];
}

/** A tank's or gauge's name, and what it shows. */
const A_LEVEL_SAID =
	/\s*(\p{L}[^\d½⅓⅔¼¾]*?)\s*(\d+(?:[.,/]\d+)?\s*(?:%|l\b|litres?\b|gal(?:lons?)?\b|percent\b)?|[½⅓⅔¼¾]|\b(?:half|full|empty|(?:one |two |a )?(?:thirds?|quarters?))\b)/giu;
const MOST_WAYS = 4;

/** `fresh 60 grey 40 black 20`: several levels with nothing between them. */
function levelsInRow(text: string, context: QuickContext): readonly Meaning[] {
	const parts = [...text.matchAll(A_LEVEL_SAID)].map(([part]) => part.trim());
	if (parts.length < 2 || parts.join('').replaceAll(/\s/g, '') !== text.replaceAll(/\s/g, '')) return [];
	const read = parts.map((part) => {
		const level = eitherWay(part, context);
		return isProblem(level)
			? []
			: level.filter(
					({ does, loses }) =>
						loses === undefined && does.every(({ kind }) => kind === 'reading' || kind === 'mark')
				);
	});
	return read
		.reduce<readonly Meaning[]>(
			(found, level) => found.flatMap((before) => level.map((one) => joined(before, one))),
			[{ does: [] }]
		)
		.slice(0, MOST_WAYS);
}

/**
 * What one thing that was said may mean, its time taken out.
 *
 * @param strictly by its very words: no slip mended, nobody's name, nothing added
 */
export function readClause(text: string, context: QuickContext, strictly = false): LineReading {
	const plainly = eitherWay(text, context);
	if (isProblem(plainly)) {
		const levels = levelsInRow(text, context);
		if (levels.length > 0) return levels;
	}
	const sure = !isProblem(plainly) && plainly.every(({ loses }) => loses === undefined);
	if (sure || strictly) return plainly;
	const person = takePerson(text, context);
	if (person && person.rest !== '') {
		const done = eitherWay(person.rest, context);
		const offered =
			isProblem(done) && done.unknown
				? addingHabit({ ...readLine(person.rest, namesOf(context)), text: text.trim() }, context)
				: [];
		if (offered.length > 0) return doneBy(offered, person, context);
		if (
			!isProblem(done) &&
			done.every(({ does, loses }) => loses === undefined && does.every(({ kind }) => kind !== 'crew'))
		)
			return doneBy(done, person, context);
	}
	// What is known but for how much is no slip of spelling.
	const whole = isProblem(plainly) && (plainly.lacksAmount === true || plainly.notDone === true);
	const better = whole ? undefined : mended(text, context);
	if (better !== undefined) {
		const read = readClause(better, context, true);
		if (!isProblem(read)) return read;
		const whose = takePerson(better, context);
		const done = whose && whose.rest !== '' ? eitherWay(whose.rest, context) : undefined;
		if (whose && done && !isProblem(done)) return doneBy(done, whose, context);
	}
	if (!isProblem(plainly)) return plainly;
	if (!plainly.unknown) return verbOf(plainWords(text)) ? (stopNamed(text, context) ?? plainly) : plainly;
	if (ELSEWHERE.test(text))
		return {
			...problem(
				`“${text.trim()}” takes nothing from your tanks, so there is nothing to log. To keep it, begin with “note”.`
			),
			notDone: true
		};
	if (WHEN.test(text))
		return problem('When was it? For example “yesterday 21:30”, “tue 8am” or “3 may 18:00”.');
	const several = uncut(text, context);
	if (several.length > 0) return several;
	const whose = nameBehind(text, context);
	if (whose) return whose;
	const line = readLine(text, namesOf(context));
	const offers =
		verbOf(line.words) || takeMinutes(text).minutes !== undefined || useLine(line, context)
			? []
			: addingHabit({ ...line, text: text.trim() }, context);
	return offers.length > 0 ? offers : (stopNamed(text, context) ?? plainly);
}

/** What is said by denying: `no paper plates`, `nobody aboard`, `not hooked up`, `no water left`; nothing where it only did not happen. */
export function inTheNegative(text: string, context: QuickContext): LineReading | undefined {
	const line = readLine(text, namesOf(context));
	const phrase = line.words.join(' ');
	if (/^(nobody|no one|no-one)( is| left)?( aboard| on board| here)?$/.test(phrase))
		return [one({ kind: 'crew', persons: 0 })];
	const seen = seenLine(line, context);
	if (seen && !isProblem(seen)) return seen;
	const off =
		/^(?:we are |we're |were |are )?(?:not|no longer) (?:hooked up|plugged in|connected|on (?:the )?(?:mains|hook-?up))$/.test(
			phrase
		)
			? hookupLine({ ...line, words: ['unplugged'] }, context)
			: undefined;
	if (off) return off;
	// By its whole name: "no shower" is not about a way to save called "Short showers".
	const said = new Set(line.words.flatMap(plainWords).map(stemOf));
	const without = (
		line.words.some((word) => /^(no|without)$/.test(word)) ? measureAlone(line, context) : []
	).filter(({ does: [first] }) => {
		const measure = first?.kind === 'measure' && context.rig.measures.find(({ id }) => id === first.measure);
		return measure && plainWords(measure.name).every((word) => said.has(stemOf(word)));
	});
	const lost = without.filter(
		(meaning) => lostWords(text.replace(/\b(no|without)\b/gi, ' '), meaning, context).length > 0
	);
	return without.length > 0 && lost.length === 0 && line.figures.length === 0 ? without : undefined;
}

const notKnown = (words: readonly string[], context: QuickContext): string => {
	const [tank] =
		words.length > 0 && habitsNamed(words, context.rig.habits).length === 0
			? tanksNamed(meaningful(words), context.rig.tanks, context)
			: [];
	if (tank && meaningful(words).length > 0) {
		const name = tank.name.toLowerCase();
		const lines =
			tank.holds === 'fresh'
				? [`“fill ${name} 40”`, `“${name} half”`, `“${name} empty”`]
				: [`“dump ${name}”`, `“${name} half”`, `“${name} full”`];
		return `What about ${tank.name}? For example ${listed(lines)}.`;
	}
	const habits = context.rig.habits.slice(0, 3).map(({ name }) => `“${name.toLowerCase()}”`);
	const called = words.length > 0 ? ` called “${words.join(' ')}”` : ' like that';
	return `${context.rig.name} has no habit, tank or instrument${called}. Try ${listed([...habits, '“fill 40”', '“dump grey”', '“note …”'])}.`;
};
