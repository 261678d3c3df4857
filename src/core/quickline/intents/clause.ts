import { listed } from '../../words/index.js';
import { careLine, crewLine, doneBy, measureAlone, measureLine, takePerson } from './acts.js';
import { hookupLine } from './hookups.js';
import { addingHabit } from './adding.js';
import { conceptIn, habitsNamed } from '../lexing/concepts.js';
import {
	isProblem,
	problem,
	type LineReading,
	type Meaning,
	type NoMeaning,
	type QuickContext
} from '../context.js';
import { inflowLine } from './inflow.js';
import { gaugeHelp, gaugeLine, levelLine, namesAGauge, tankState } from './levels.js';
import { dumpLine, fillLine, swapLine, transferLine } from './movements.js';
import { meaningful, thingsNamed, plainWords } from '../lexing/names.js';
import { markLine, meterLine, rodLine, stopLine } from './observations.js';
import { mended } from '../lexing/spelling.js';
import { tanksNamed } from './tanks.js';
import { namesOf } from '../lexing/things.js';
import { readLine, takeMinutes, type TokenLine } from '../lexing/tokens.js';
import { useLine } from './uses.js';

type Verb =
	'fill' | 'dump' | 'transfer' | 'swap' | 'full' | 'empty' | 'emptied' | 'arrive' | 'depart' | 'reading';

const VERBS: ReadonlyMap<string, Verb> = new Map([
	...['fill', 'filled', 'filling', 'refill', 'refilled', 'top', 'topped', 'added', 'loaded'].map(
		(word) => [word, 'fill'] as const
	),
	...['dump', 'dumped', 'dumping', 'drain', 'drained'].map((word) => [word, 'dump'] as const),
	...[
		'transfer',
		'transferred',
		'pour',
		'poured',
		'pump',
		'pumped',
		'tip',
		'tipped',
		'decant',
		'decanted',
		'move',
		'moved'
	].map((word) => [word, 'transfer'] as const),
	...['swap', 'swapped'].map((word) => [word, 'swap'] as const),
	['full', 'full'],
	['empty', 'empty'],
	['emptied', 'emptied'],
	['emptying', 'emptied'],
	...['arrive', 'arrived', 'reached'].map((word) => [word, 'arrive'] as const),
	...['depart', 'departed', 'leave', 'left', 'leaving'].map((word) => [word, 'depart'] as const),
	...['rod', 'dip', 'dipped', 'dipstick'].map((word) => [word, 'reading'] as const)
]);
/** What stands behind the tank as well as before it: `grey dumped`. */
const BEHIND = new Set(['filled', 'refilled', 'topped', 'dumped', 'emptied', 'drained', 'poured']);

/** The verb of a line, and the line without it. */
export function verbOf(words: readonly string[]): { readonly verb: Verb; readonly at: number } | undefined {
	const subject = words.findIndex((word) => !/^(i|we|just|have|i've|we've|they|then|also)$/.test(word));
	if (/^pump(ed)?$/.test(words[subject] ?? '') && words[subject + 1] === 'out')
		return { verb: 'dump', at: subject };
	if (words[subject] === 'took' && words[subject + 1] === 'on') return { verb: 'fill', at: subject };
	const first = VERBS.get(words[subject] ?? '');
	if (first) return { verb: first, at: subject };
	const at = words.findIndex((word) => BEHIND.has(word));
	const verb = VERBS.get(words[at] ?? '');
	return verb && { verb, at };
}

/** `empty grey` may tell what was done or what was seen; a fresh tank is only seen empty. */
function emptyLine(line: TokenLine, done: boolean, context: QuickContext): LineReading {
	const at = line.words.indexOf('at');
	const said = meaningful(at > 0 ? line.words.slice(0, at) : line.words);
	const named = tanksNamed(said, context.rig.tanks);
	const waste = named.some(({ holds }) => holds !== 'fresh');
	const away =
		line.figures.length > 0 ||
		line.words.some((word) => /^(into|overboard|ground|sewer|all|both|everything)$/.test(word));
	const dumped = (waste && said.length > 0) || away ? dumpLine(line, context) : undefined;
	if (done || away) return dumped ?? markLine('empty', line.words, context);
	const seen = markLine('empty', line.words, context);
	if (!dumped || isProblem(dumped)) return seen;
	return isProblem(seen) ? dumped : [...dumped, ...seen];
}

/** Lines with a verb of their own. */
function verbLine(
	text: string,
	names: readonly string[],
	line: TokenLine,
	context: QuickContext
): LineReading | undefined {
	const found = verbOf(line.words);
	if (!found) return undefined;
	const { verb, at } = found;
	const words = [...line.words.slice(0, at), ...line.words.slice(at + 1)];
	const after: TokenLine = { ...line, words };
	if (/^(empty|emptied|dump)$/.test(verb) && words.includes('into')) {
		const moved = transferLine(after, context);
		if (!isProblem(moved)) return moved;
	}
	switch (verb) {
		case 'fill':
			return fillLine(
				/^(top|topped)$/.test(line.words[at] ?? '') ? { ...after, words: ['topped', ...words] } : after,
				context
			);
		case 'dump':
			return dumpLine(after, context);
		case 'transfer':
			// A pump is an instrument's place as well as a verb.
			return line.words[at] === 'pump' && line.words.includes('meter')
				? undefined
				: transferLine(after, context);
		case 'swap':
			return swapLine(after, context);
		case 'full':
			return markLine('full', words, context);
		case 'empty':
			return emptyLine(after, false, context);
		case 'emptied':
			return emptyLine(after, true, context);
		case 'arrive':
			return stopLine('arrive', words, context);
		case 'depart':
			return line.figures.length > 0 ? undefined : stopLine('depart', words, context);
		case 'reading':
			return rodLine(text, names, context);
	}
}

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

/** What a line says of tanks and habits without a verb. */
function plainLine(line: TokenLine, context: QuickContext): LineReading {
	const used = useLine(line, context);
	const [figure] = line.figures;
	const shown = gaugeLine(line, context);
	const asked = line.words.includes('gauge') && shown.length === 0 ? gaugeHelp(line, context) : undefined;
	if (asked !== undefined) return problem(asked);
	const bare = figure !== undefined && figure.unit === '' && !figure.fraction;
	const level = shown.length === 0 || bare ? levelLine(line, context) : undefined;
	const seen = [...shown, ...(level && !isProblem(level) ? level : []), ...tankState(line, context)];
	if (used && !isProblem(used)) return unlike([...used, ...seen]);
	if (seen.length > 0) return unlike(seen);
	if (used) return used;
	if (level) return level;
	const help = namesAGauge(line, context) ? gaugeHelp(line, context) : undefined;
	return help === undefined ? { problem: notKnown(line.words, context), unknown: true } : problem(help);
}

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
	const inflow = inflowLine(line, context);
	if (inflow) return inflow;
	const care = careLine(line, context);
	if (care && !isProblem(care)) return care;
	const byVerb = verbLine(text, names, line, context);
	if (byVerb && !isProblem(byVerb)) return byVerb;
	const moved = words.includes('into') ? transferLine(line, context) : undefined;
	if (moved && !isProblem(moved)) return moved;
	const away = words.includes('into') && !byVerb ? dumpLine(line, context) : undefined;
	if (away && !isProblem(away)) return away;
	const switched = measureLine(line, context);
	if (switched) return switched;
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
function stopNamed(text: string, { rig, trip }: QuickContext): NoMeaning | undefined {
	const words = plainWords(text);
	const [stop] = words.length > 0 ? thingsNamed(words, trip?.stops ?? []) : [];
	if (!stop || tanksNamed(words, rig.tanks).length > 0) return undefined;
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
	if (name === '' || /ing$/i.test(name) || meaningful(plain).length === 0 || conceptIn(plain))
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

/**
 * What one thing that was said may mean, its time taken out.
 *
 * @param strictly by its very words: no slip mended, nobody's name, nothing added
 */
export function readClause(text: string, context: QuickContext, strictly = false): LineReading {
	const plainly = eitherWay(text, context);
	if (!isProblem(plainly) || strictly) return plainly;
	const person = takePerson(text, context);
	if (person && person.rest !== '') {
		const done = eitherWay(person.rest, context);
		if (!isProblem(done) && done.every(({ does }) => does.every(({ kind }) => kind !== 'crew')))
			return doneBy(done, person, context);
	}
	const better = mended(text, context);
	if (better !== undefined) {
		const read = readClause(better, context, true);
		if (!isProblem(read)) return read;
		const whose = takePerson(better, context);
		const done = whose && whose.rest !== '' ? eitherWay(whose.rest, context) : undefined;
		if (whose && done && !isProblem(done)) return doneBy(done, whose, context);
	}
	if (!plainly.unknown) return verbOf(plainWords(text)) ? (stopNamed(text, context) ?? plainly) : plainly;
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
			: addingHabit(line, context);
	return offers.length > 0 ? offers : (stopNamed(text, context) ?? plainly);
}

const notKnown = (words: readonly string[], context: QuickContext): string => {
	const [tank] =
		words.length > 0 && habitsNamed(words, context.rig.habits).length === 0
			? tanksNamed(meaningful(words), context.rig.tanks)
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
