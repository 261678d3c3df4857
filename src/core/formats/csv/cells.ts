import { isCalendarDay } from '../../time/index.js';
import { instantFrom } from '../localTime.js';
import { parseNumber } from '../../units/index.js';
import type { ColumnKind } from './columns.js';

/** What begins a formula in a table program, and the mark that is put before it (which is itself such a beginning). */
const FORMULA_START = /^['=+\-@\t\r]/;

/** Texts that get the mark: all that begin so but plain numbers, which are no formula. */
export const MADE_HARMLESS = /^(?!-?\d+([.,]\d+)?$)['=+\-@\t\r]/;

/** A text as it was before it was made harmless. */
export const withoutMark = (cell: string): string =>
	cell.startsWith("'") && FORMULA_START.test(cell.slice(1)) ? cell.slice(1) : cell;

const YES = new Set(['true', 'yes', 'y', '1', 'x', 'on']);
const NO = new Set(['false', 'no', 'n', '0', 'off']);

/** What a cell must be to fit its column, in words. */
const EXPECTED: Readonly<Record<Exclude<ColumnKind, 'text' | 'shown'>, string>> = {
	number: 'a number such as 12.5 or 12,5',
	yes: 'true or false',
	'only-yes': 'true, or nothing',
	'yes-or-list': 'true or false, or a list such as ["grey"]',
	list: 'a list or an object in JSON, such as ["grey"]',
	instant: 'an instant such as 2027-04-18T07:10:00+02:00',
	day: 'a day such as 2027-04-18'
};

/** What a cell holds: a value (absent where it says nothing), or what it should have been. */
export type Cell = { readonly value: unknown } | { readonly expected: string };

/** Reads a cell, which is not empty, by what its column holds. */
export function readCell(kind: ColumnKind, cell: string, timeZone: string | undefined): Cell {
	const text = cell.trim();
	switch (kind) {
		case 'text':
		case 'shown':
			return { value: withoutMark(cell) };
		case 'number': {
			const value = parseNumber(withoutMark(text));
			return value === undefined ? { expected: EXPECTED.number } : { value };
		}
		case 'yes':
		case 'only-yes': {
			const word = text.toLowerCase();
			if (YES.has(word)) return { value: true };
			if (NO.has(word)) return { value: kind === 'yes' ? false : undefined };
			return { expected: EXPECTED[kind] };
		}
		case 'yes-or-list':
			return text.startsWith('[') ? readCell('list', cell, timeZone) : readCell('yes', cell, timeZone);
		case 'list':
			try {
				return { value: JSON.parse(text) as unknown };
			} catch {
				return { expected: EXPECTED.list };
			}
		case 'day':
			return isCalendarDay(text) ? { value: text } : { expected: EXPECTED.day };
		case 'instant': {
			const at = instantFrom(text, timeZone);
			if (at === 'zone') return { expected: `${EXPECTED.instant}: without an offset, give the time zone` };
			return at === undefined ? { expected: EXPECTED.instant } : { value: at };
		}
	}
}
