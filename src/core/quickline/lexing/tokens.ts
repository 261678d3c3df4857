import { parseNumber, toBase, unitNamed, type Measurand, type UnitChoice } from '../../units/index.js';
import { plainWords } from './names.js';
import { remembered } from './remembered.js';
import { hiding, shielded } from './shield.js';

/** A number in a line, with the unit that was typed behind it. */
export interface FigureToken {
	readonly value: number;
	/** as typed, lower case; '' when none */
	readonly unit: string;
	/** typed as a fraction such as 2/3 */
	readonly fraction: boolean;
	readonly text: string;
}

/** A line cut into tokens. */
export interface TokenLine {
	/** words in lower case, figures left out */
	readonly words: readonly string[];
	readonly figures: readonly FigureToken[];
	/** the first figure is a mark that is reached: `to 80` */
	readonly upTo?: true;
	/** how long something ran */
	readonly minutes?: number;
}

const NUMBER = String.raw`[-−]?(?:\d+\s+\d+\/\d+|\d+\/\d+|\d*[½⅓⅔¼¾⅕⅛⅜⅝⅞]|\d{1,3}(?:[\u2009\u202f\u00a0]\d{3})+(?:[.,]\d+)?|\d+(?:[.,]\d+)?|[.,]\d+)`;
const UNIT = String.raw`litres?|liters?|ltrs?|lt|l|us\s?gal(?:lons?)?|imp\s?gal(?:lons?)?|gal(?:lons?)?|ml|mm|cm|in(?:ch(?:es)?)?|per\s?cent|pct|%|"`;
const FIGURE = new RegExp(`(?<=^|[\\s(]|x)(${NUMBER})\\s*(?:(${UNIT})(?=\\s|$|[.,;:!?)]))?`, 'gi');

/** Stands before a digit that belongs to a name, so that it is read as a word; a sign of the private use area. */
const OF_A_NAME = '\uE000';
const BEGINS_WITH_DIGIT = /^\d/;

/** The beginnings of a name that end in a word with a digit at its front: of `Jug 2 blue`, `jug 2`. */
const numberedBeginnings = remembered((name): readonly RegExp[] => {
	const words = plainWords(name);
	return words.flatMap((word, i) =>
		BEGINS_WITH_DIGIT.test(word)
			? [
					new RegExp(
						`(?<=^|\\s)(${words.slice(0, i + 1).join('[^\\p{L}\\p{N}]+')})(?=$|[\\s,;])(?!\\s*(?:${UNIT})(?=\\s|$|[.,;]))`,
						'giu'
					)
				]
			: []
	);
});

/** Marks the digits that belong to names, as in `fill jug 2 20`; a number with a unit behind it is an amount. */
function withNamesMarked(text: string, names: readonly string[]): string {
	return names
		.flatMap(numberedBeginnings)
		.reduce(
			(line, phrase) =>
				line.replace(phrase, (found) => found.replaceAll(/(?<![\p{L}\p{N}\uE000])\d/gu, `${OF_A_NAME}$&`)),
			text
		);
}

const COUNTS: ReadonlyMap<string, string> = new Map([
	['two thirds', '2/3'],
	['one third', '1/3'],
	['a third', '1/3'],
	['three quarters', '3/4'],
	['one quarter', '1/4'],
	['a quarter', '1/4'],
	['one half', '1/2'],
	['half a litre', '0.5 litres'],
	['a litre', '1 litre'],
	['a liter', '1 litre'],
	['a gallon', '1 gallon'],
	['half a dozen', '6'],
	['a dozen', '12'],
	['a couple of', '2'],
	['once', '1'],
	['twice', '2'],
	['one', '1'],
	['two', '2'],
	['three', '3'],
	['four', '4'],
	['five', '5'],
	['six', '6'],
	['seven', '7'],
	['eight', '8'],
	['nine', '9'],
	['ten', '10'],
	['twelve', '12']
]);
const COUNT = new RegExp(`(?<![\\p{L}\\p{N}])(?:${[...COUNTS.keys()].join('|')})(?![\\p{L}\\p{N}])`, 'giu');

/** `2nd`: a place and no figure. */
const PLACE_WORDS: ReadonlyMap<string, string> = new Map([
	['1st', 'first'],
	['2nd', 'second'],
	['3rd', 'third'],
	['4th', 'fourth']
]);

/** The line with its numbers as figures; those of names stay in words. */
function withFigures(text: string, names: readonly string[]): string {
	const hidden = shielded(text, names);
	return [...hidden.matchAll(COUNT)]
		.toReversed()
		.reduce(
			(line, { 0: found, index }) =>
				`${line.slice(0, index)}${COUNTS.get(found.toLowerCase()) ?? found}${line.slice(index + found.length)}`,
			text
		);
}

/** `for 3 min`, `3-minute`, `90 seconds`: how long, not when. */
const RAN =
	/(?<![\p{L}\p{N}.,-])(?:for\s+)?(\d+(?:[.,]\d+)?|half a|an?)\s*-?\s*(mins?|minutes?|secs?|seconds?)(?![\p{L}\p{N}])(?!\s*(?:ago|before|earlier|later))/iu;

/** A line of the same length in which it is hidden how long something ran. */
export function minutesHidden(text: string): string {
	const found = RAN.exec(text);
	return found ? hiding(text, found.index, found[0].length) : text;
}

/** Takes out how long something ran. */
export function takeMinutes(
	text: string,
	names: readonly string[] = []
): { readonly rest: string; readonly minutes?: number } {
	const figured = withFigures(text, names);
	const found = RAN.exec(shielded(figured, names));
	if (!found) return { rest: text };
	const [all, amount = '', unit = ''] = found;
	const count = /^\d/.test(amount)
		? (parseNumber(amount) ?? 0)
		: amount.toLowerCase().startsWith('half')
			? 0.5
			: 1;
	return {
		rest: `${figured.slice(0, found.index)} ${figured.slice(found.index + all.length)}`.trim(),
		minutes: /^s/i.test(unit) ? count / 60 : count
	};
}

/**
 * Splits a line into words and figures.
 *
 * @param names of things whose digits are no figures
 */
export function readLine(text: string, names: readonly string[] = []): TokenLine {
	const figures: FigureToken[] = [];
	const spaced = text
		.replaceAll(/(?<=^|\s)(?:loads?|rounds?|lots?|sets?) of(?=\s)/gi, ' ')
		.replaceAll(/(?<=\p{L}):(?=\S)/gu, ' ')
		.replaceAll(
			/(?<=^|\s)(?:1st|2nd|3rd|4th)(?=\s|$)/gi,
			(place) => PLACE_WORDS.get(place.toLowerCase()) ?? place
		);
	let upTo = false;
	const left = withNamesMarked(withFigures(spaced, names), names).replace(
		FIGURE,
		(whole, number: string, unit: string | undefined, at: number, all: string) => {
			const value = parseNumber(number.replace('−', '-'));
			if (value === undefined) return whole;
			const typed = (unit ?? '').toLowerCase().replaceAll(/\s/g, '');
			if (figures.length === 0) upTo = /\bto\s+$/i.test(all.slice(0, at));
			figures.push({
				value,
				unit: /^(percent|pct)$/.test(typed) ? '%' : typed,
				fraction: /[/½⅓⅔¼¾⅕⅛⅜⅝⅞]/.test(number),
				text: number.trim()
			});
			return ' ';
		}
	);
	const words = left
		.toLowerCase()
		.split(/[\s,;]+/)
		.map((word) => word.replaceAll(OF_A_NAME, ''))
		.map((word) => word.replace(/^[("'“”]+|[)"'“”.!?:×]+$/g, ''))
		.filter((word) => word !== '' && word !== 'x');
	return { words, figures, ...(upTo ? { upTo } : {}) };
}

/** The first figure that measures something, in base units; a bare one is in the chosen unit if `bare` allows it. */
export function quantityOf(
	line: TokenLine,
	of: Measurand,
	units: UnitChoice,
	bare = true
): number | undefined {
	for (const figure of line.figures) {
		if (figure.unit === '%') continue;
		const unit =
			figure.unit === '' ? (bare ? units[of] : undefined) : unitNamed(plainUnit(figure.unit), of, units);
		if (unit !== undefined) return toBase(figure.value, unit);
	}
	return undefined;
}

/** A unit in the form that the units know: `usgallons` is `usgal`. */
const plainUnit = (unit: string): string =>
	unit.replace(/^(us|imp)?gal(?:lons?)?$/, '$1gal').replace(/^l(tr?|trs)$/, 'l');

/** The first figure that is one too many, as typed. */
export const figureBeyond = ({ figures }: TokenLine, most: number): string | undefined => figures[most]?.text;

/** The first figure without a unit. */
export const bareFigure = (line: TokenLine): FigureToken | undefined =>
	line.figures.find(({ unit }) => unit === '');
