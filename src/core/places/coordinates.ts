import type { LatLon } from './sphere.js';

const MOST_LAT = 90;
const MOST_LON = 180;
const HALF = 60;
/** Degrees, and perhaps minutes and seconds. */
const ANGLE =
	/([-+]?\d+(?:[.,]\d+)?)\s*(?:[°º]|deg)?\s*(?:(\d+(?:[.,]\d+)?)\s*[′'’]\s*)?(?:(\d+(?:[.,]\d+)?)\s*(?:[″"”]|'')\s*)?/
		.source;
/** With a letter of the compass before or after, where there is one. */
const PART = new RegExp(`([NSEW])\\s*${ANGLE}|${ANGLE}([NSEW])?`, 'giu');

const asNumber = (text: string | undefined): number => Number((text ?? '0').replace(',', '.'));

interface Part {
	readonly degrees: number;
	readonly letter: string | undefined;
}

/**
 * A place as people type or paste it: `56.91, -21.62`, `56,91 -21,62`, `56.91N 21.62W`, `56°54'36"N 21°37'12"W`,
 * `N 56° 54.6' W 21° 37.2'`. Without letters the latitude comes first, as people say it.
 */
export function parsePlace(text: string): LatLon | undefined {
	// A comma with a space, or between two numbers that have a point each, parts them; else it may be a decimal mark.
	const parted = text
		.trim()
		.replace(/,\s+|;|(?<=\.\d+\s*),(?=\s*[-+]?\d+\.)|(?<=^[-+]?\d+),(?=[-+]?\d+$)/g, ' ; ');
	const parts: Part[] = [...parted.matchAll(PART)].map(([, before, d, m, s, dd, mm, ss, after]) => {
		const [degrees, minutes, seconds] = before === undefined ? [dd, mm, ss] : [d, m, s];
		const whole = asNumber(degrees);
		const size = Math.abs(whole) + asNumber(minutes) / HALF + asNumber(seconds) / HALF ** 2;
		const letter = (before ?? after)?.toUpperCase();
		const south = letter === 'S' || letter === 'W';
		return { degrees: (degrees?.startsWith('-') ? -1 : 1) * (south ? -1 : 1) * size, letter };
	});
	const rest = parted.replaceAll(PART, '').replaceAll(/[\s;,]/g, '');
	const [first, second] = parts;
	if (!first || !second || parts.length > 2 || rest !== '') return undefined;
	const axisOf = ({ letter }: Part): 'lat' | 'lon' | undefined =>
		letter === undefined ? undefined : 'NS'.includes(letter) ? 'lat' : 'lon';
	const [one, other] = [axisOf(first), axisOf(second)];
	if (one !== undefined && one === other) return undefined;
	const crossed = one === 'lon' || other === 'lat';
	const [lat, lon] = crossed ? [second.degrees, first.degrees] : [first.degrees, second.degrees];
	if (Math.abs(lat) > MOST_LAT || Math.abs(lon) > MOST_LON) return undefined;
	return [lon, lat];
}

const DIGITS = 5;
/** A place as it can be typed again: `56.91000, -21.62000`, to a metre. */
export const placeText = ([lon, lat]: LatLon): string => `${lat.toFixed(DIGITS)}, ${lon.toFixed(DIGITS)}`;

/** A longitude within ±180°. */
export const wrapped = (lon: number): number => {
	const turned = ((((lon + MOST_LON) % (2 * MOST_LON)) + 2 * MOST_LON) % (2 * MOST_LON)) - MOST_LON;
	return turned === -MOST_LON && lon > 0 ? MOST_LON : turned;
};
