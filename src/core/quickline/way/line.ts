import { toBase } from '../../units/index.js';
import type { Service } from '../../logbook/index.js';
import { COUNT, countOf } from '../lexing/counts.js';
import { CUT, Cutting } from './cutting.js';
import { whenAt, type WhenSaid } from './days.js';
import { cutServices, type ServicesSaid } from './services.js';

/** What somebody may write of a stop and did not: what was expected, and what stood there. */
export interface NotUnderstood {
	readonly expected: string;
	readonly got: string;
}

/** One line of a trip as it was understood. */
export interface WayLine {
	readonly name: string;
	/** when one gets there */
	readonly arrive?: WhenSaid;
	readonly nights?: number;
	/** hours of a stay without a night */
	readonly stayHours?: number;
	/** when one goes on */
	readonly until?: WhenSaid;
	readonly legKm?: number;
	readonly said: ServicesSaid;
	readonly weather?: { readonly maxC: number; readonly minC: number };
	readonly persons?: number;
	/** guests beside the usual persons */
	readonly guests?: number;
	readonly note?: string;
	readonly problems: readonly NotUnderstood[];
}

/** What helps to understand a line. */
export interface LineHelp {
	/** days without a year are from this one on */
	readonly after: string;
	/** what is dumped when somebody writes `dump` */
	readonly waste: readonly Service['kind'][];
	/** names that are known, so that no word of them is taken for anything else */
	readonly names: readonly KnownName[];
}

/** A name as it is written, and in small letters. */
export interface KnownName {
	readonly name: string;
	readonly lower: string;
}

/** Names to look for in lines: the longer ones first. */
export const knownNames = (names: readonly string[]): readonly KnownName[] =>
	[...names].sort((a, b) => b.length - a.length).map((name) => ({ name, lower: name.toLowerCase() }));

const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const figure = (text: string): number => Number(text.replace(',', '.'));

/** Marks of a list: dashes, dots, boxes, figures, `Day 3:`. */
const MARKS =
	/^\s*(?:[-*•–—·▪>]+\s+|\[[ x]?\]\s*|\(?\d{1,2}[.)]\s+(?!(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\b)|(?:day|stop|leg)\s+\d+\s*[:.)–-]\s*)/i;
const UNTIL = /(?<![\p{L}])(?:un)?till?(?![\p{L}])|(?<![\p{L}])(?:’|')til(?![\p{L}])/iu;
/** These mean a day only where one follows. */
const LEAVING = /(?<![\p{L}])(?:thru|through|leav(?:e|ing)|depart(?:ing)?)(?![\p{L}])\s*(?:on|at)?/iu;
const TO_DAY = /(?<=\s)(?:to|[-–—→])\s+(?=(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*\b|\d{1,2}[.]\d|\d{4}-\d\d)/iu;
const ARRIVE = /(?<![\p{L}])(?:arriv(?:e|ing|al)|from|on|starting|by|at)(?![\p{L}])\s*:?\s*/iu;
const NIGHTS = new RegExp(
	String.raw`(?<![\p{L}\d])(?:for\s+|stay(?:ing)?\s+|another\s+|x\s*)?${COUNT}\s*(?:x\s*)?(nights?|nts?|n|days?|d|sleeps?|weeks?|wks?|fortnights?)(?![\p{L}\d])`,
	'iu'
);
const OVERNIGHT = /(?<![\p{L}])(?:just\s+)?(?:overnight(?:\s+stop)?|night\s+(?:stop|halt))(?![\p{L}])/iu;
const NO_NIGHT =
	/(?<![\p{L}])(?:no\s+nights?|0\s*nights?|(?:just\s+|only\s+)?(?:passing(?:\s+(?:by|through))?|pass\s+(?:by|through)|stopping|quick\s+stop)|day\s+stop|lunch(?:\s+(?:stop|break))?)(?![\p{L}])/iu;
const HOURS = new RegExp(
	String.raw`(?<![\p{L}\d])(?:for\s+)?(${NUMBER}|an?|half\s+an?)\s*(?:hours?|hrs?|h)(?![\p{L}\d])`,
	'iu'
);
const KM = new RegExp(
	String.raw`(?:\+|(?<![\p{L}\d])(?:another|about|around|ca\.?|after)\s+|~\s*)?(?<![\p{L}\d.,])(${NUMBER})\s*(km|kms|kilomet(?:er|re)s?|nmi|nm|nautical\s+miles?|sea\s+miles?|mi|miles?)(?![\p{L}\d])(?:\s+(?:by\s+(?:road|sea|boat)|drive|sail|further(?:\s+on)?|away|from\s+there|on(?=\s*(?:$|[,;:]))|to(?=\s)))?`,
	'iu'
);
const KM_UNITS: readonly (readonly [RegExp, 'km' | 'mi' | 'nmi'])[] = [
	[/^k/i, 'km'],
	[/^(?:n|sea)/i, 'nmi'],
	[/^mi/i, 'mi']
];
const DEGREES = String.raw`[-−–]?\d{1,3}(?:[.,]\d)?`;
const TWO_DEGREES = new RegExp(
	String.raw`(?<![\p{L}\d])(${DEGREES})\s*(?:°\s*[CF]?|[CF](?![\p{L}]))?\s*(?:\/|to|–|\.\.\.?|…|-(?=\d))\s*(${DEGREES})\s*(?:°\s*([CF])?|degrees?\s*([CF])?|([CF]))(?![\p{L}\d])`,
	'iu'
);
const ONE_DEGREE = new RegExp(
	String.raw`(?<![\p{L}\d])(?:(min(?:imum)?|low|down\s+to|nights?\s+(?:at|of)|frost)\s*:?\s*|(?:max(?:imum)?|high|up\s+to|heat)\s*:?\s*|about\s+)?(${DEGREES})\s*(?:°\s*([CF])?|degrees?(?:\s*([CF])(?![\p{L}]))?|([CF]))(?![\p{L}\d])`,
	'iu'
);
const PEOPLE = new RegExp(
	String.raw`(?<![\p{L}\d])(?:with\s+)?(?:the\s+)?${COUNT}\s*(?:people|persons?|pers|pax|aboard|on\s+board|of\s+us)(?![\p{L}])`,
	'iu'
);
const FAMILY = new RegExp(
	String.raw`(?<![\p{L}\d])(?:with\s+)?${COUNT}\s*adults?(?:\s*(?:,|and|\+|&)\s*${COUNT}\s*(?:kids?|children|child))?(?![\p{L}])`,
	'iu'
);
const GUESTS = new RegExp(
	String.raw`(?<![\p{L}\d])(?:with\s+|and\s+|plus\s+|\+\s*)?${COUNT}\s*(?:more\s+)?(?:guests?|visitors?|friends?|more(?:\s+people)?)(?![\p{L}])`,
	'iu'
);
const ALONE = /(?<![\p{L}])(?:alone|by\s+myself|just\s+me|solo|single-?handed)(?![\p{L}])/iu;
const NOTE = /(?:^|[\s,;])notes?\s*:?\s+(.+)$/iu;

/** A night is cooler than its day by so much where only one of them is said, °C. */
const NIGHT_COOLER_C = 10;
const tenth = (value: number): number => Math.round(10 * value) / 10;
const celsius = (text: string, unit: string | undefined): number => {
	const value = figure(text.replace(/^[−–]/, '-'));
	return tenth(unit?.toUpperCase() === 'F' ? ((value - 32) * 5) / 9 : value);
};

function cutWeather(line: Cutting): WayLine['weather'] {
	const both = line.take(TWO_DEGREES);
	if (both) {
		const [, one = '', two = '', a, b, c] = both;
		const values = [one, two].map((text) => celsius(text, a ?? b ?? c));
		return { maxC: Math.max(...values), minC: Math.min(...values) };
	}
	const first = line.take(ONE_DEGREE);
	if (!first) return undefined;
	const told = [first, line.take(ONE_DEGREE)].flatMap((match) => {
		if (!match) return [];
		const [, low, text = '', a, b, c] = match;
		return [{ low: low !== undefined, value: celsius(text, a ?? b ?? c) }];
	});
	const values = told.map(({ value }) => value);
	if (told.length > 1) return { maxC: Math.max(...values), minC: Math.min(...values) };
	const [{ low, value } = { low: false, value: 0 }] = told;
	// Frost is said of nights.
	return low || value < 0
		? { maxC: value + NIGHT_COOLER_C, minC: value }
		: { maxC: value, minC: value - NIGHT_COOLER_C };
}

function cutPeople(line: Cutting): Pick<WayLine, 'persons' | 'guests'> {
	const family = line.take(FAMILY);
	if (family) return { persons: countOf(family[1] ?? '0') + (family[2] ? countOf(family[2]) : 0) };
	const people = line.take(PEOPLE);
	if (people) return { persons: countOf(people[1] ?? '0') };
	if (line.take(ALONE)) return { persons: 1 };
	const guests = line.take(GUESTS);
	return guests ? { guests: countOf(guests[1] ?? '0') } : {};
}

function cutStay(line: Cutting): Pick<WayLine, 'nights' | 'stayHours'> {
	const counted = line.take(NIGHTS, ([, count, unit = '']) => {
		// `a day` names no number of nights; a bare letter needs a figure before it
		return (
			/^\d/.test(count ?? '') || /^(?:night|sleep|week|fortnight)/i.test(unit) || !/^an?$/i.test(count ?? '')
		);
	});
	if (counted) {
		const [, count = '', unit = ''] = counted;
		const each = /^w/i.test(unit) ? 7 : /^fortnight/i.test(unit) ? 14 : 1;
		return { nights: each * countOf(count) };
	}
	if (line.take(OVERNIGHT)) return { nights: 1 };
	const hours = line.take(HOURS);
	if (hours) {
		const [, text = ''] = hours;
		return { stayHours: /^half/i.test(text) ? 0.5 : /^a/i.test(text) ? 1 : figure(text) };
	}
	return line.take(NO_NIGHT) ? { nights: 0 } : {};
}

const WEEKEND = /(?<![\p{L}])(?:for|over)\s+(?:the|a)\s+weekend(?![\p{L}])/iu;

/** A moment behind a word such as `until`; what stands there and is no moment is told. */
function cutUntil(line: Cutting, after: string, problems: NotUnderstood[]): WhenSaid | undefined {
	if (line.take(WEEKEND)) return whenAt('Sunday', after)?.said;
	for (const pattern of [UNTIL, LEAVING, TO_DAY]) {
		const match = new RegExp(pattern.source, pattern.flags).exec(line.text);
		if (!match) continue;
		const from = match.index + match[0].length;
		const when = whenAt(line.text.slice(from), after);
		if (when) {
			line.cut(match.index, match[0].length + when.length);
			return when.said;
		}
		if (pattern !== UNTIL) continue;
		const got = /^\s*([^\s,;]+)?/.exec(line.text.slice(from));
		problems.push({
			expected: 'a day or an hour, such as “till Sunday” or “till 14:00”',
			got: got?.[1] ?? match[0]
		});
		line.cut(match.index, match[0].length + (got?.[0].length ?? 0));
	}
	return undefined;
}

/** What stands between two ends of a stretch of days. */
const BETWEEN_DAYS = /^\s*(?:[-–—→]|->|to|(?:un)?till?)\s*/iu;

interface Dates {
	readonly arrive?: WhenSaid;
	readonly until?: WhenSaid;
}

/** A moment, or a stretch of days, that begins at a place of a line, cut out of it. */
function cutDatesAt(line: Cutting, from: number, lead: number, after: string): Dates | undefined {
	const first = whenAt(line.text.slice(from + lead), after);
	if (!first) return undefined;
	const behind = line.text.slice(from + lead + first.length);
	if (!/^\s*(?:$|[\s,:;.–—→\ue000-])/u.test(behind)) return undefined;
	const between = first.end === undefined ? BETWEEN_DAYS.exec(behind)?.[0].length : undefined;
	const last = between === undefined ? undefined : whenAt(behind.slice(between), first.said.day ?? after);
	line.cut(from, lead + first.length + (last ? (between ?? 0) + last.length : 0));
	const until = first.end === undefined ? last?.said : { day: first.end };
	return { arrive: first.said, ...(until ? { until } : {}) };
}

/** Where a clock or a day may stand by itself: `Tamsel Ford 10:20`, `Skarn Hause, Friday`. */
const BY_ITSELF =
	/(?<=[\s,;\ue000])(?=\d{1,2}[:.]\d\d|today\b|tomorrow\b|tonight\b|(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*\b|\d{1,2}(?:st|nd|rd|th)?\s+(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)|\d{1,2}[./]\d{1,2}\b|\d{4}-\d\d)/giu;

/** When one arrives: at the beginning of a line, behind a word that says so, or by itself; `29.11.–2.12.` says until when as well. */
function cutArrival(line: Cutting, after: string): Dates {
	const lead = new RegExp(`^[\\s${CUT}]*(?:on\\s+|from\\s+)?`, 'iu').exec(line.text)?.[0].length ?? 0;
	const places = [
		[0, lead] as const,
		...[...line.text.matchAll(new RegExp(ARRIVE.source, `${ARRIVE.flags}g`))].map(
			(match) => [match.index, match[0].length] as const
		),
		...[...line.text.matchAll(BY_ITSELF)].map((match) => [match.index, 0] as const)
	];
	for (const [from, length] of places) {
		const dates = cutDatesAt(line, from, length, after);
		if (!dates) continue;
		if (dates.arrive?.hour !== undefined) return dates;
		// the day stands here, its hour perhaps elsewhere
		const clock = line.take(/(?<=[\s,;\ue000])(?:at\s+|by\s+)?(\d{1,2}):(\d\d)(?!\d)/u);
		const said = clock && whenAt(`${clock[1]}:${clock[2]}`, after)?.said;
		return said ? { ...dates, arrive: { ...dates.arrive, ...said } } : dates;
	}
	return {};
}

const LEADING =
	/^(?:(?:then|and|via|next|to|at|in|for|from|on|on\s+to|onto|go\s+to|drive\s+to|sail\s+to|motor\s+to|head\s+(?:for|to)|stay(?:ing)?(?:\s+(?:at|in))?|camp(?:ing)?\s+(?:at|in)|moor(?:ed)?\s+(?:at|in)|anchor(?:ed)?\s+(?:at|in|off)|overnight\s+(?:at|in)|stop(?:ping)?\s+(?:at|in|by)|visit|with|by|:|[-–—→=])\s+)+/iu;
const TRAILING =
	/(?:[\s,;:.–—-]|\s(?:for|at|with|and|a|an|the|by|until|to|in|has|have|there|is|of|from|on|stay|costs?|only))+$/iu;
/** Words that say nothing by themselves. */
const FILLER =
	/^(?:and|with|for|at|a|an|the|then|there|has|have|is|stay|staying|to|in|on|by|of|plus|or|here|offers?|available|about|drive|sail|ca|from|stop|per\s+night|a\s+night|each|please|we|we’ll|i|anchored|moored|camping|wild\s+camp(?:ing)?|fees?)*$/iu;

/** The name that is left of a line, and what is left beside it. */
function nameIn(text: string): { readonly name: string; readonly rest: readonly string[] } {
	const pieces = text
		.split(
			new RegExp(
				`${CUT}|[,;|]|\\s[–—-]\\s|:(?=\\s|$)|\\s\\+\\s|[()]|\\swith\\s(?=(?:the\\s)?(?:friends|guests|visitors|family|kids))`,
				'u'
			)
		)
		.map((piece) => piece.trim().replace(LEADING, '').replace(TRAILING, '').trim())
		.filter((piece) => !FILLER.test(piece.replace(/\s+/g, ' ').replaceAll(/\s/g, '')) && !FILLER.test(piece))
		.filter((piece) => /[\p{L}\d]/u.test(piece));
	const named = pieces.findIndex((piece) => /\p{L}/u.test(piece));
	return {
		name: pieces[named] ?? '',
		rest: pieces.filter((_, i) => i !== named)
	};
}

/** Parentheses: what can be understood in them is as if they were commas; all else is a note. */
function cutAsides(line: Cutting): string | undefined {
	const notes: string[] = [];
	line.text = line.text.replace(/\(([^()]*)\)/g, (all, inside: string) => {
		const understood = new RegExp(
			`${KM.source}|${NIGHTS.source}|${ONE_DEGREE.source}|${PEOPLE.source}|\\b(?:water|grey|gray|black|tap|drain|dump|fill|drinking|potable|free|min)\\b|[€£$]`,
			'iu'
		).test(inside);
		if (understood) return `, ${inside},`;
		if (inside.trim() !== '') notes.push(inside.trim());
		return inside.trim() === '' ? ' ' : ` ${CUT} `;
	});
	return notes.length > 0 ? notes.join('; ') : undefined;
}

/** Understands one line of a trip: a stop with whatever stands beside its name, in any order. */
export function readLine(text: string, { after, waste, names }: LineHelp): WayLine {
	let plain = text.normalize('NFC').replaceAll(/[\u00a0\u202f\t]/g, ' ');
	for (let next = plain.replace(MARKS, ''); next !== plain; next = plain.replace(MARKS, '')) plain = next;
	const line = new Cutting(plain);
	const problems: NotUnderstood[] = [];
	const noted = line.take(NOTE)?.[1]?.trim();
	// A name in quotes, or one that is known, is shielded: no word of it means anything else.
	let name = line.take(/[“"„]([^“”"„]+)[”"“]/u)?.[1]?.trim() ?? '';
	const spoken = line.text.toLowerCase();
	for (const known of name === '' ? names : []) {
		const at = spoken.indexOf(known.lower);
		if (at < 0) continue;
		const [before, behind] = [line.text[at - 1] ?? ' ', line.text[at + known.lower.length] ?? ' '];
		if (/[\p{L}\d]/u.test(before) || /[\p{L}\d]/u.test(behind)) continue;
		line.cut(at, known.lower.length);
		({ name } = known);
		break;
	}
	const aside = cutAsides(line);
	const weather = cutWeather(line);
	const people = cutPeople(line);
	const until = cutUntil(line, after, problems);
	const stay = cutStay(line);
	const said = cutServices(line, waste);
	const km = line.take(KM);
	const { arrive, until: lastDay } = cutArrival(line, after);
	const leaves = until ?? lastDay;
	const left = nameIn(line.text);
	const rest = name === '' ? left.rest : [left.name, ...left.rest].filter((piece) => piece !== '');
	const note = [noted, aside].filter((one) => one !== undefined).join('; ');
	const unit = KM_UNITS.find(([pattern]) => pattern.test(km?.[2] ?? ''))?.[1];
	return {
		name: name === '' ? left.name : name,
		...(arrive ? { arrive } : {}),
		...stay,
		...(leaves ? { until: leaves } : {}),
		...(km && unit
			? { legKm: unit === 'km' ? figure(km[1] ?? '0') : tenth(toBase(figure(km[1] ?? '0'), unit)) }
			: {}),
		said,
		...(weather ? { weather } : {}),
		...people,
		...(note === '' ? {} : { note }),
		problems: [
			...problems,
			...said.stray.map((got) => ({ expected: 'a service that it belongs to, such as “water 5 €”', got })),
			...rest.map((got) => ({ expected: 'nights, kilometres, a tap or drain, heat or people', got }))
		]
	};
}
