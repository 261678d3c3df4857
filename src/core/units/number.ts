const VULGAR: Readonly<Record<string, string>> = {
	'½': '1/2',
	'⅓': '1/3',
	'⅔': '2/3',
	'¼': '1/4',
	'¾': '3/4',
	'⅕': '1/5',
	'⅛': '1/8',
	'⅜': '3/8',
	'⅝': '5/8',
	'⅞': '7/8'
};

/** Spaces that people (and phones) put between thousands: narrow, thin, no-break, figure space. */
const THIN_SPACES = /[\u00a0\u2007\u2009\u202f]/g;

const withPlainFractions = (text: string): string =>
	text.replace(/\s*([½⅓⅔¼¾⅕⅛⅜⅝⅞])/g, (_, sign: string) => ` ${VULGAR[sign] ?? sign}`).trim();

const decimal = (text: string): number | undefined => {
	if (/^[-+]?(\d+([.,]\d*)?|[.,]\d+)$/.test(text)) return Number(text.replace(',', '.'));
	// Both marks present: the last one is the decimal mark (`1.234,5` and `1,234.5`).
	const both = /^([-+]?\d{1,3})(?:([.,])\d{3})+(?!\2)[.,]\d+$/.exec(text);
	if (!both) return undefined;
	const mark = both[2] === '.' ? ',' : '.';
	return Number(text.replaceAll(both[2] ?? '', '').replace(mark, '.'));
};

const fraction = (text: string): number | undefined => {
	const parts = /^(?:(\d+)\s+)?(\d+)\s*[/⁄]\s*(\d+)$/.exec(text);
	if (!parts) return undefined;
	const below = Number(parts[3]);
	return below === 0 ? undefined : Number(parts[1] ?? 0) + Number(parts[2]) / below;
};

/**
 * Reads one number as people type it: `12,5`, `12.5`, `3/4`, `1 1/2`, `1½`, `1 200` with thin or ordinary
 * spaces between thousands. A single comma or point is the decimal mark, whatever the locale.
 *
 * @returns the number, or `undefined` when the text is not one number.
 */
export function parseNumber(text: string): number | undefined {
	const plain = withPlainFractions(text.replace(THIN_SPACES, ' ').trim());
	const grouped = /^[-+]?\d{1,3}( \d{3})+([.,]\d+)?$/.test(plain) ? plain.replaceAll(' ', '') : plain;
	return decimal(grouped) ?? fraction(grouped);
}
