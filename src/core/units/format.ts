import { fromBase, METRIC, unitSymbol, type Measurand, type UnitChoice } from './quantity.js';

const MINUS = '\u2212';
const fixed = (value: number, decimals: number): string => {
	const text = Math.abs(value).toFixed(decimals);
	return value < 0 && Number(text) !== 0 ? MINUS + text : text;
};

/** A figure as it stands on screen: below 20 with one decimal, from 20 on with none. */
export const formatFigure = (value: number): string =>
	fixed(value, Math.abs(value) < 19.95 ? 1 : 0).replace(/\.0$/, '');

/** A quantity in base units as the person chose to see it, e.g. `62 L`, `4.1 L`, `16.4 gal`. */
export function formatQuantity(base: number, of: Measurand, chosen: UnitChoice = METRIC): string {
	const unit = chosen[of];
	return `${formatFigure(fromBase(base, unit))}\u00a0${unitSymbol(unit)}`;
}

/** Litres as the person chose to see them: `62 L`, `4.1 L`, `16.4 gal`. */
export const formatLitres = (litres: number, chosen: UnitChoice = METRIC): string =>
	formatQuantity(litres, 'volume', chosen);

/** What fills a form field: up to three decimals, no unit, no grouping. */
export const formatPlain = (base: number, of: Measurand, chosen: UnitChoice = METRIC): string =>
	String(Number(fromBase(base, chosen[of]).toFixed(3)));

const HALF = '½';

/** Days to the half, hours under two days, minutes under two hours: `4½ days`, `31 h`, `20 min`. */
export function formatDuration(days: number): string {
	if (!(days > 0)) return 'none';
	if (days >= 2) {
		const halves = Math.round(days * 2);
		return `${Math.floor(halves / 2)}${halves % 2 ? HALF : ''} days`;
	}
	return formatHours(days * 24);
}

/** Hours to the half under ten, minutes under two hours: `7 h`, `4½ h`, `20 min`; `none` below half a minute. */
export function formatHours(hours: number): string {
	if (!(hours * 60 >= 0.5)) return 'none';
	if (hours < 2) {
		const minutes = hours * 60;
		return `${minutes < 10 ? Math.round(minutes) : Math.round(minutes / 5) * 5} min`;
	}
	const halves = hours < 10 ? Math.round(hours * 2) : Math.round(hours) * 2;
	return `${Math.floor(halves / 2)}${halves % 2 ? HALF : ''} h`;
}
