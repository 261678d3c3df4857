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

/** Splits a line into words and figures. */
export function readLine(text: string): Line {
	const figures: Figure[] = [];
	const left = text.replace(FIGURE, (whole, number: string, unit: string | undefined) => {
		const value = parseNumber(number.replace('−', '-'));
		if (value === undefined) return whole;
		figures.push({
			value,
			unit: (unit ?? '').toLowerCase().replaceAll(/\s/g, ''),
			fraction: /[/½⅓⅔¼¾⅕⅛⅜⅝⅞]/.test(number),
			text: number.trim()
		});
		return ' ';
	});
	const words = left
		.toLowerCase()
		.split(/[\s,;]+/)
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

/** The first figure without a unit. */
export const bareFigure = (line: Line): Figure | undefined => line.figures.find(({ unit }) => unit === '');
