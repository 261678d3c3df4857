import { isProblem, type LineReading, type QuickContext } from '../context.js';
import { meaningful } from '../lexing/names.js';
import type { TokenLine } from '../lexing/tokens.js';
import { dumpLine, fillLine, putLine, swapLine, transferLine, withGround } from './movements.js';
import { markLine, rodLine, stopLine } from './observations.js';
import { tanksNamed } from './tanks.js';

type Verb =
	| 'put'
	| 'fill'
	| 'dump'
	| 'transfer'
	| 'swap'
	| 'full'
	| 'empty'
	| 'emptied'
	| 'arrive'
	| 'depart'
	| 'reading';

const VERBS: ReadonlyMap<string, Verb> = new Map([
	...['fill', 'filled', 'filling', 'refill', 'refilled', 'top', 'topped', 'added', 'loaded'].map(
		(word) => [word, 'fill'] as const
	),
	...['dump', 'dumped', 'dumping', 'drain', 'drained', 'pump-out', 'pumpout', 'pumped-out'].map(
		(word) => [word, 'dump'] as const
	),
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
	...['put', 'puts', 'putting'].map((word) => [word, 'put'] as const),
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
	const subject = words.findIndex(
		(word) => !/^(i|we|just|have|had|a|the|i've|we've|they|then|also|got)$/.test(word)
	);
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
function emptyLine(given: TokenLine, done: boolean, context: QuickContext): LineReading {
	const line = withGround(given);
	const at = line.words.indexOf('at');
	const said = meaningful(at > 0 ? line.words.slice(0, at) : line.words);
	const named = tanksNamed(said, context.rig.tanks, context);
	const waste = named.some(({ holds }) => holds !== 'fresh');
	const away =
		line.figures.length > 0 ||
		line.words.some((word) => /^(into|overboard|ground|sewer|all|both|everything)$/.test(word));
	const dumped = (waste && said.length > 0) || away ? dumpLine(line, context) : undefined;
	// "emptied both jugs": fresh ones are seen empty.
	if (dumped && isProblem(dumped) && line.figures.length === 0) {
		const fresh = markLine('empty', line.words, context);
		if (!isProblem(fresh)) return fresh;
	}
	if (done || away) return dumped ?? markLine('empty', line.words, context);
	const seen = markLine('empty', line.words, context);
	if (!dumped || isProblem(dumped)) return seen;
	return isProblem(seen) ? dumped : [...dumped, ...seen];
}

const PUMPED_OUT = /\bpump(?:ed)?[ -]?out\b/;

/** On a boat it is the black tank that is pumped out, where no other is named. */
function pumpedOut(words: readonly string[], after: TokenLine, { rig }: QuickContext): TokenLine {
	if (rig.kind !== 'boat' || !PUMPED_OUT.test(words.join(' '))) return after;
	const rest = meaningful(after.words).filter((word) => word !== 'out' && word !== 'done');
	const black = rig.tanks.some(({ holds, retired }) => holds === 'black' && !retired);
	return rest.length === 0 && black
		? { ...after, words: ['black'] }
		: { ...after, words: after.words.filter((word) => word !== 'out') };
}

/** Lines with a verb of their own. */
export function verbLine(
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
			return dumpLine(pumpedOut(line.words, after, context), context);
		case 'put':
			return putLine(after, context);
		case 'transfer':
			if (
				/^pump/.test(line.words[at] ?? '') &&
				words.some((word) => /^(overboard|ashore|ground|out)$/.test(word))
			)
				return dumpLine(pumpedOut(line.words, after, context), context);
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
