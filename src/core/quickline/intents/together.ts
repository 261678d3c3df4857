import { isProblem, type LineReading, type Meaning, type QuickContext } from '../context.js';
import { meaningful, plainWords } from '../lexing/names.js';
import { quantityOf, type TokenLine } from '../lexing/tokens.js';
import { levelLine } from './levels.js';
import { fillLine, fillTogether, PLACES, transferLine } from './movements.js';
import { tanksTogether, usualFresh } from './tanks.js';

/** `10 L from the jug to main`, `into main from the jug`: poured over, whatever the verb. */
export function fromTo(line: TokenLine, context: QuickContext): LineReading | undefined {
	const [from, to] = [
		line.words.lastIndexOf('from'),
		line.words.findLastIndex((word) => word === 'to' || word === 'into')
	];
	if (from === -1 || to === -1) return undefined;
	const fromWords = from < to ? line.words.slice(from + 1, to) : line.words.slice(from + 1);
	const toWords = from < to ? line.words.slice(to + 1) : line.words.slice(to + 1, from);
	if (fromWords.length === 0 || toWords.length === 0) return undefined;
	const moved = transferLine({ ...line, words: [...fromWords, 'to', ...toWords] }, context);
	const isPlace = meaningful(fromWords).every((word) => PLACES.test(word));
	const filled = isPlace ? fillLine({ ...line, words: toWords }, context) : [];
	const ways = [filled, moved].flatMap((read) => (isProblem(read) ? [] : read));
	return ways.length > 0 ? ways : moved;
}

/** `both jugs 10 L each`: several tanks with litres and no verb: filled, or read. */
export function togetherLine(line: TokenLine, context: QuickContext): LineReading | undefined {
	const litres = quantityOf(line, 'volume', context.units);
	if (litres === undefined || line.figures.length > 1) return undefined;
	const said = meaningful(line.words).filter((word) => !/^(in|litres?)$/.test(word));
	const each = said.some((word) => /^(each|apiece|every)$/.test(word));
	const words = said.filter((word) => !/^(each|apiece|every)$/.test(word));
	const fresh = context.rig.tanks.filter(({ holds, retired }) => holds === 'fresh' && !retired);
	const several =
		tanksTogether(words, fresh, usualFresh(context), context) ??
		(each && words.length > 0 ? tanksTogether(['all', ...words], fresh, fresh, context) : undefined);
	if (!several || 'problem' in several) return several;
	const filled = fillTogether(several.tanks, litres, each, context);
	const read = several.tanks
		.map((tank) => levelLine({ ...line, words: plainWords(tank.name) }, context))
		.map((level) =>
			level && !isProblem(level)
				? level.filter(({ does }) => does.every(({ kind }) => kind === 'reading'))
				: []
		);
	const levels = read.every((level) => level.length > 0)
		? read.reduce<Meaning>((before, [level]) => (level ? joined(before, level) : before), { does: [] })
		: undefined;
	return [...(isProblem(filled) ? [] : filled), ...(levels ? [levels] : [])];
}

/** Two meanings as one. */
export function joined(before: Meaning, after: Meaning): Meaning {
	const added = [before, after].flatMap(({ needs = [], adds }) => [...needs, ...(adds ? [adds] : [])]);
	const adds = after.adds ?? before.adds;
	const says = [before.says, after.says].filter((text) => text !== undefined);
	return {
		does: [...before.does, ...after.does],
		...(adds ? { adds } : {}),
		...(added.length > 1 ? { needs: added.filter((one) => one !== adds) } : {}),
		...(says.length > 0 && says.length === (before.does.length > 0 ? 2 : 1) ? { says: says.join('; ') } : {})
	};
}
