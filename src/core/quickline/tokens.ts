import { parseNumber, toBase, unitNamed, type Measurand, type UnitChoice } from '../units/index.js';

/** A number in a line, with the unit that was typed behind it. */
export interface Figure {
	readonly value: number;
	/** as typed, lower case; '' when none */
	readonly unit: string;
	/** typed as a fraction such as 2/3 */
	readonly fraction: boolean;
	readonly text: string;
}

export interface Line {
	/** words in lower case, figures left out */
	readonly words: readonly string[];
	readonly figures: readonly Figure[];
}

const NUMBER = String.raw`[-−]?(?:\d+\s+\d+\/\d+|\d+\/\d+|\d*[½⅓⅔¼¾⅕⅛⅜⅝⅞]|\d{1,3}(?:[\u2009\u202f\u00a0]\d{3})+(?:[.,]\d+)?|\d+(?:[.,]\d+)?|[.,]\d+)`;
const UNIT = String.raw`litres?|liters?|l|us\s?gal|imp\s?gal|gal(?:lons?)?|ml|mm|cm|in(?:ch(?:es)?)?|%|"`;
const FIGURE = new RegExp(`(?<=^|\\s|x)(${NUMBER})\\s*(?:(${UNIT})(?=\\s|$|[.,;]))?`, 'gi');

/** Stands before a digit that belongs to a name, so that it is read as a word; a sign of the private use area. */
const OF_A_NAME = '\uE000';
const BEGINS_WITH_DIGIT = /^\d/;

/** The beginnings of a name that end in a word with a digit at its front: of `Jug 2 blue`, `jug 2`. */
function numberedBeginnings(name: string): readonly (readonly string[])[] {
	const words = name
		.toLowerCase()
		.split(/[^\p{L}\p{N}]+/u)
		.filter((word) => word !== '');
	return words.flatMap((word, i) => (BEGINS_WITH_DIGIT.test(word) ? [words.slice(0, i + 1)] : []));
}

/** Marks the digits that belong to names, as in `fill jug 2 20`; a number with a unit behind it is an amount. */
function withNamesMarked(text: string, names: readonly string[]): string {
	return names.flatMap(numberedBeginnings).reduce((line, words) => {
		const phrase = new RegExp(
			`(?<=^|\\s)(${words.join('[^\\p{L}\\p{N}]+')})(?=$|[\\s,;])(?!\\s*(?:${UNIT})(?=\\s|$|[.,;]))`,
			'giu'
		);
		return line.replace(phrase, (found) => found.replaceAll(/(?<![\p{L}\p{N}\uE000])\d/gu, `${OF_A_NAME}$&`));
	}, text);
}

/**
 * Splits a line into words and figures.
 *
 * @param names of things whose digits are no figures
 */
export function readLine(text: string, names: readonly string[] = []): Line {
	const figures: Figure[] = [];
	const left = withNamesMarked(text, names).replace(
		FIGURE,
		(whole, number: string, unit: string | undefined) => {
			const value = parseNumber(number.replace('−', '-'));
			if (value === undefined) return whole;
			figures.push({
				value,
				unit: (unit ?? '').toLowerCase().replaceAll(/\s/g, ''),
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
	return { words, figures };
}

/** The first figure that measures something, in base units; a bare one is in the chosen unit if `bare` allows it. */
export function quantityOf(line: Line, of: Measurand, units: UnitChoice, bare = true): number | undefined {
	for (const figure of line.figures) {
		const unit = figure.unit === '' ? (bare ? units[of] : undefined) : unitNamed(figure.unit, of, units);
		if (unit !== undefined) return toBase(figure.value, unit);
	}
	return undefined;
}

/** The first figure that is one too many, as typed. */
export const figureBeyond = ({ figures }: Line, most: number): string | undefined => figures[most]?.text;

/** The first figure without a unit. */
export const bareFigure = (line: Line): Figure | undefined => line.figures.find(({ unit }) => unit === '');
