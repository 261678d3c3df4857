import type { Service } from '../../logbook/index.js';
import { Cutting } from './cutting.js';

type Kind = Service['kind'];

/** What is said of the services of a stop. */
export interface ServicesSaid {
	readonly services: readonly Service[];
	/** kinds that are said not to be there; all of them when empty and `none` */
	readonly without: readonly Kind[];
	readonly none: boolean;
	/** hook-ups that are chosen */
	readonly hookup: Partial<Record<'mains' | 'sewer', true>>;
	readonly ashore: boolean;
	/** what costs or lasts so much, and belongs to nothing */
	readonly stray: readonly string[];
}

const WASTE: readonly Kind[] = ['grey', 'black'];
const HOOK = String.raw`hook(?:ed)?[\s-]?ups?`;

/** Words for services, the longer ones first; a function of what the rig can dump. */
const WORDS: readonly (readonly [RegExp, (waste: readonly Kind[]) => readonly Kind[]])[] = [
	[
		/(?:fill(?:\s+up)?|water)\s*(?:and|&|\+|\/)\s*dump(?:ing)?(?!\s+(?:point|grey|gray|black))/,
		(waste) => ['water', ...waste]
	],
	[/(?:all|full)\s+services?|everything|services?|service\s+(?:point|area)/, (waste) => ['water', ...waste]],
	[
		/dump\s+stations?|dump(?:ing)?\s+everything|dump\s+(?:all|both)(?:\s+tanks)?|empty\s+(?:all|both|everything|the\s+tanks|tanks)/,
		(waste) => waste
	],
	[/(?:grey|gray)\s*(?:and|&|\+|\/)\s*black(?:\s+(?:water|drain|dump))?/, () => WASTE],
	[
		/(?:chemical\s+)?toilet(?:\s+(?:dump|drain|emptying|disposal|point))?|cassette(?:\s+(?:dump|point|emptying))?|pump[\s-]?outs?|dump\s+points?|black(?:\s+(?:water|drain|dump))?/,
		() => ['black']
	],
	[/(?:grey|gray)(?:\s+(?:water|drain|dump))?|drains?|waste\s+water/, () => ['grey']],
	[
		/(?:drinking|potable|fresh|tap)\s+water|fresh|water\s+(?:tap|point|fill)|standpipes?|taps?|re-?fill|fill(?:\s+(?:up|water|the\s+tanks?|main|fresh))?|water/,
		() => ['water']
	],
	[/dump(?:ing)?|disposal|empty(?:ing)?/, (waste) => waste],
	[/mains(?:\s+water)?|shore\s+water/, () => ['mains']],
	[/sewers?(?:\s+drain)?/, () => ['sewer']]
];
const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const COIN = String.raw`(?:€|£|\$|eur(?:os?)?|pounds?|quid|dollars?|bucks|francs?|crowns?|kr|coins?|tokens?)`;
const FEE = new RegExp(
	String.raw`(?:fee\s*(?:of\s*)?|costs?\s*|pay\s*|for\s*)?(?:[€£$]\s*(${NUMBER})|(${NUMBER})\s*${COIN}(?![\p{L}\d])|(?<=fee\s*(?:of\s*)?)(${NUMBER}))|\b(free(?:\s+of\s+charge)?|no\s+fee)\b`,
	'iu'
);
const MINUTES = new RegExp(String.raw`(?:about\s+|~\s*)?(${NUMBER})\s*(?:min(?:ute)?s?\b\.?|’|')`, 'i');
const DETOUR = new RegExp(
	String.raw`(${NUMBER})\s*km\s*(?:detour|out\s+of\s+the\s+way|off(?:\s+(?:the\s+)?(?:route|way|road))?|extra|round)\b`,
	'i'
);
const WASHING = /\(?(?:not?n?[\s-]*(?:for\s+)?(?:drinking|drinkable|potable)|washing\s+only|undrinkable)\)?/i;
const DRINKING = /\(?(?:for\s+drinking|drinkable|potable)\)?/i;

const wordPattern = (source: string): string => String.raw`(?<![\p{L}\d-])(?:${source})(?![\p{L}\d])`;
const SERVICE = new RegExp(WORDS.map(([{ source }]) => `(${wordPattern(source)})`).join('|'), 'giu');
const VERB = /(?<![\p{L}])(?:dump|empty|drain)\s+(?:the\s+)?(?=(?:grey|gray|black|cassette|toilet)\b)/giu;
const ABSENT = new RegExp(
	wordPattern(
		String.raw`(?:no|without(?:\s+any)?)\s+(water|tap|grey|gray|drain|black|dump(?:\s+point)?|toilet|mains|sewer|services?|facilities)`
	),
	'giu'
);
const ASHORE = new RegExp(
	wordPattern(
		String.raw`(?:with\s+)?(?:showers?(?:\s+ashore)?|ashore|laundry)(?:\s*(?:and|&)\s*(?:showers?|laundry))?`
	),
	'iu'
);
const HOOKED = new RegExp(
	wordPattern(
		String.raw`(?:with\s+)?(?:full\s+)?${HOOK}(?:\s+to\s+(?:the\s+)?(mains|sewer)(?:\s+and\s+(?:the\s+)?(?:mains|sewer))?)?`
	),
	'iu'
);
const KIND_OF_ABSENT: Readonly<Record<string, Kind>> = {
	water: 'water',
	tap: 'water',
	grey: 'grey',
	gray: 'grey',
	drain: 'grey',
	black: 'black',
	'dump point': 'black',
	toilet: 'black',
	mains: 'mains',
	sewer: 'sewer'
};

/** A capital beside another capital is a name: `Black Moor`, `Kelda Water`; at a line's beginning only when one follows. */
function isName(text: string, index: number, word: string): boolean {
	if (!/^\p{Lu}/u.test(word)) return false;
	const before = /(\p{Lu}[\p{L}’'-]*)\s+$/u.exec(text.slice(0, index));
	const after = /^\s+(\p{Lu}[\p{L}’'-]*)/u.exec(text.slice(index + word.length));
	const plain = (one: string | undefined): boolean =>
		one !== undefined && !new RegExp(SERVICE.source, 'iu').test(one);
	return plain(before?.[1]) || plain(after?.[1]);
}

const figure = (text: string): number => Number(text.replace(',', '.'));

interface Found {
	readonly index: number;
	readonly length: number;
	readonly kinds?: readonly Kind[];
	readonly amount?: Partial<Pick<Service, 'fee' | 'minutes' | 'detourKm' | 'potable'>>;
}

/** Services and what they cost, in the order in which they stand. */
function findAll(text: string, waste: readonly Kind[]): readonly Found[] {
	const found: Found[] = [];
	const taken = (index: number, length: number): boolean =>
		found.some((one) => index < one.index + one.length && one.index < index + length);
	const all = (
		pattern: RegExp,
		of: (match: RegExpExecArray) => Omit<Found, 'index' | 'length'> | undefined
	): void => {
		for (const match of text.matchAll(new RegExp(pattern.source, `${pattern.flags.replace('g', '')}g`))) {
			const what = of(match);
			if (what && !taken(match.index, match[0].length))
				found.push({ index: match.index, length: match[0].length, ...what });
		}
	};
	all(WASHING, () => ({ amount: { potable: false } }));
	all(DETOUR, ([, km = '']) => ({ amount: { detourKm: figure(km) } }));
	all(MINUTES, ([, minutes = '']) => ({ amount: { minutes: figure(minutes) } }));
	all(FEE, ([, before, after, named, free]) => ({
		amount: { fee: free ? 0 : figure(before ?? after ?? named ?? '') }
	}));
	all(SERVICE, (match) => {
		const which = match.slice(1).findIndex((group) => group !== undefined);
		if (isName(text, match.index, match[0])) return undefined;
		const potable = /drinking|potable/i.test(match[0]);
		return { kinds: WORDS[which]?.[1](waste) ?? [], ...(potable ? { amount: { potable: true } } : {}) };
	});
	all(DRINKING, () => ({ amount: { potable: true } }));
	// `water 5`: a figure alone behind a service is its fee
	for (const { index, length, kinds } of [...found]) {
		if (!kinds) continue;
		const bare =
			/^\s*:?\s*(\d+(?:[.,]\d+)?)(?=\s*(?:$|[,;+&)]|and\b|\ue000|\d+\s*(?:min|km)|free\b|not\b))/u.exec(
				text.slice(index + length)
			);
		if (bare && !taken(index + length, bare[0].length))
			found.push({ index: index + length, length: bare[0].length, amount: { fee: figure(bare[1] ?? '') } });
	}
	return found.sort((a, b) => a.index - b.index);
}

/**
 * What a line says of services, cut out of it. What costs or lasts so much belongs to the service before it, else to the next one; of several
 * that one word names to the first, so that it is paid once.
 *
 * @param waste what the rig dumps when somebody writes `dump`
 */
export function cutServices(line: Cutting, waste: readonly Kind[]): ServicesSaid {
	const hookup: Partial<Record<'mains' | 'sewer', true>> = {};
	const services: Service[] = [];
	const without: Kind[] = [];
	let none = false;
	for (let match = line.take(ABSENT); match; match = line.take(ABSENT)) {
		const kind = KIND_OF_ABSENT[(match[1] ?? '').toLowerCase().replace(/\s+/, ' ')];
		if (kind) without.push(kind);
		else if (/dump/i.test(match[1] ?? '')) without.push(...waste);
		else none = true;
	}
	const ashore = line.take(ASHORE) !== undefined;
	const hooked = line.take(HOOKED);
	if (hooked) {
		const [said, only] = hooked;
		const kinds =
			only && !/and/i.test(said) ? [only.toLowerCase() as 'mains' | 'sewer'] : (['mains', 'sewer'] as const);
		for (const kind of kinds) {
			hookup[kind] = true;
			services.push({ kind });
		}
	}
	for (let verb = line.take(VERB); verb; verb = line.take(VERB));
	const found = findAll(line.text, waste);
	const stray: string[] = [];
	let before: number | undefined = hooked ? 0 : undefined;
	let waiting: NonNullable<Found['amount']> = {};
	for (const { kinds, amount, index, length } of found) {
		if (kinds) {
			before = services.length;
			kinds.forEach((kind, i) => {
				const own = kind === 'water' || kind === 'mains' ? (amount ?? {}) : {};
				services.push({ kind, ...(i === 0 ? waiting : {}), ...own });
			});
			waiting = {};
			continue;
		}
		const at = 'potable' in (amount ?? {}) ? services.findLastIndex(({ kind }) => kind === 'water') : before;
		const service = at === undefined ? undefined : services[at];
		if (service && at !== undefined) services[at] = { ...service, ...amount };
		else waiting = { ...waiting, ...amount };
		if (!service && !found.some((one) => one.kinds && one.index > index))
			stray.push(line.text.slice(index, index + length).trim());
	}
	for (const { index, length } of [...found].reverse()) line.cut(index, length);
	return { services, without, none, hookup, ashore, stray };
}
