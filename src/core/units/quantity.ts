import { parseNumber } from './number.js';

/** What a number can measure here. The base unit of each is the one the logbook is written in. */
export type Measurand = 'volume' | 'length' | 'mass' | 'distance' | 'temperature';

interface UnitRow {
	readonly id: string;
	readonly of: Measurand;
	/** base units in one of this unit, exactly */
	readonly factor: number;
	/** base = factor × shown + offset */
	readonly offset: number;
	readonly symbol: string;
	readonly words: readonly string[];
}

const row = (
	id: string,
	of: Measurand,
	factor: number,
	symbol: string,
	words: readonly string[],
	offset = 0
): UnitRow => Object.freeze({ id, of, factor, offset, symbol, words });

/**
 * Exact by definition: US gallon = 231 in³ (NIST SP 811 B.8), imperial gallon = 4.546 09 L (UK Units of
 * Measurement Regulations 1995), inch = 25.4 mm, pound = 0.453 592 37 kg, mile = 1609.344 m
 * (international yard and pound agreement 1959), nautical mile = 1852 m.
 */
const UNITS = Object.freeze({
	L: row('L', 'volume', 1, 'L', ['l', 'litre', 'litres', 'liter', 'liters', 'lt']),
	usGal: row('usGal', 'volume', 3.785411784, 'gal', ['gal', 'gallon', 'gallons', 'usgal']),
	impGal: row('impGal', 'volume', 4.54609, 'imp gal', ['impgal', 'ukgal']),
	mL: row('mL', 'volume', 0.001, 'mL', ['ml']),
	mm: row('mm', 'length', 1, 'mm', ['mm']),
	cm: row('cm', 'length', 10, 'cm', ['cm']),
	in: row('in', 'length', 25.4, 'in', ['in', 'inch', 'inches', '"', '″']),
	kg: row('kg', 'mass', 1, 'kg', ['kg', 'kilo', 'kilos']),
	lb: row('lb', 'mass', 0.45359237, 'lb', ['lb', 'lbs', 'pound', 'pounds']),
	km: row('km', 'distance', 1, 'km', ['km']),
	mi: row('mi', 'distance', 1.609344, 'mi', ['mi', 'mile', 'miles']),
	nmi: row('nmi', 'distance', 1.852, 'nmi', ['nmi', 'nm']),
	C: row('C', 'temperature', 1, '°C', ['c', '°c']),
	F: row('F', 'temperature', 5 / 9, '°F', ['f', '°f'], -160 / 9)
});

/** A unit that figures can be shown in. */
export type UnitId = keyof typeof UNITS;

/** The units a person chose to see. The logbook itself is always in L, mm, kg, km and °C. */
export interface UnitChoice {
	readonly volume: 'L' | 'usGal' | 'impGal';
	readonly length: 'mm' | 'in';
	readonly mass: 'kg' | 'lb';
	readonly distance: 'km' | 'mi' | 'nmi';
	readonly temperature: 'C' | 'F';
}

/** Litres, kilometres, kilograms. */
export const METRIC: UnitChoice = Object.freeze({
	volume: 'L',
	length: 'mm',
	mass: 'kg',
	distance: 'km',
	temperature: 'C'
});

/** How a unit is written behind a figure. */
export const unitSymbol = (unit: UnitId): string => UNITS[unit].symbol;

/** From a shown value to the base unit of the logbook (L, mm, kg, km, °C). */
export const toBase = (shown: number, unit: UnitId): number =>
	UNITS[unit].factor * shown + UNITS[unit].offset;

/** From the base unit of the logbook to a shown value: the inverse of `toBase`. */
export const fromBase = (base: number, unit: UnitId): number =>
	(base - UNITS[unit].offset) / UNITS[unit].factor;

/** The unit a word names, among those of one measurand; a bare `gal` is the chosen gallon. */
export function unitNamed(word: string, of: Measurand, chosen: UnitChoice = METRIC): UnitId | undefined {
	const plain = word.toLowerCase().replaceAll(/[\s.]/g, '');
	if (plain === 'gal' && chosen.volume === 'impGal' && of === 'volume') return 'impGal';
	return (Object.keys(UNITS) as UnitId[]).find(
		(id) => UNITS[id].of === of && UNITS[id].words.includes(plain)
	);
}

/**
 * Reads a quantity such as `12.5 gal`, `60`, `1 1/2 in`. A number without a unit is in the chosen unit.
 *
 * @returns the value in the base unit, or `undefined` when it is no number or the unit measures something else.
 */
export function parseQuantity(text: string, of: Measurand, chosen: UnitChoice = METRIC): number | undefined {
	const parts = /^(.*?[\d½⅓⅔¼¾⅕⅛⅜⅝⅞])\s*([a-z°"″ .]*)$/i.exec(text.trim());
	if (!parts) return undefined;
	const shown = parseNumber(parts[1] ?? '');
	const word = (parts[2] ?? '').trim();
	const unit = word === '' ? chosen[of] : unitNamed(word, of, chosen);
	return shown === undefined || unit === undefined ? undefined : toBase(shown, unit);
}
