import Papa from 'papaparse';
import type { Problem } from '../../logbook/index.js';
import { parseNumber } from '../../units/index.js';
import { Findings, quoted } from '../imported.js';
import { lineFinder } from '../lines.js';
import { instantFrom } from '../localTime.js';

/** What a meter showed, as a file has it. */
export interface SampleTable {
	/** moment, ms, and total, displayed units; in the order of the file */
	readonly samples: readonly (readonly [atMs: number, shows: number])[];
	readonly problems: readonly Problem[];
}

/** What columns are called, in the header of a file that has one. */
const TIME = /^(time|timestamp|date|datetime|date.?time|at|when|instant|moment|t)$/i;
const TOTAL = /total|shows|reading|value|count|meter|litres|liters|volume|gallons|^l$/i;
/** Seconds and milliseconds since 1970 have so many digits before the point. */
const SECONDS = /^\d{9,10}(\.\d+)?$/;
const MILLISECONDS = /^\d{12,13}(\.\d+)?$/;

/** The separator is seen in so many letters. */
const HEAD = 2000;

/** A moment as a file has it, ms; `'zone'` where it needs one. */
function momentOf(text: string, timeZone: string | undefined): number | 'zone' | undefined {
	const plain = text.trim();
	if (SECONDS.test(plain)) return 1000 * Number(plain);
	if (MILLISECONDS.test(plain)) return Number(plain);
	// Loggers write fractions of seconds that no clock of a zone needs.
	const instant = instantFrom(plain.replace(/(:\d{2})[.,]\d+$/, '$1'), timeZone);
	return instant === undefined || instant === 'zone' ? instant : Date.parse(instant);
}

/** Which columns hold moment and total: those that a header names so, else the first two. */
function columnsOf(cells: readonly string[]): {
	readonly time: number;
	readonly total: number;
	readonly isHeader: boolean;
} {
	const time = cells.findIndex((cell) => TIME.test(cell.trim()));
	const total = cells.findIndex(
		(cell, i) => i !== time && TOTAL.test(cell.trim()) && parseNumber(cell) === undefined
	);
	return time >= 0 && total >= 0 ? { time, total, isHeader: true } : { time: 0, total: 1, isHeader: false };
}

/**
 * Samples of a meter from CSV: a moment and a total a line, with a header or without, separated by comma, semicolon or tab. Lines that are
 * none are told, and passed over.
 *
 * @param timeZone of moments that name none
 */
export function readSamples(text: string, timeZone: string | undefined): SampleTable {
	const lineAt = lineFinder(text);
	const findings = new Findings();
	const samples: (readonly [number, number])[] = [];
	let columns: ReturnType<typeof columnsOf> | undefined;
	let begins = 0;
	Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
		// A comma may be a decimal's: it separates where nothing else does.
		delimiter: /[;\t|]/.exec(text.slice(0, HEAD))?.[0] ?? ',',
		step: ({ data, meta }) => {
			const line = `line ${lineAt(begins)}`;
			begins = meta.cursor;
			if (data.every((cell) => cell.trim() === '') || data[0]?.trim().startsWith('#')) return;
			const isFirst = columns === undefined;
			columns ??= columnsOf(data);
			if (isFirst && columns.isHeader) return;
			const [when = '', shown = ''] = [data[columns.time], data[columns.total]];
			const [atMs, shows] = [momentOf(when, timeZone), parseNumber(shown)];
			if (atMs === 'zone')
				findings.wrong(
					line,
					'a time with its offset, such as 2027-04-18T07:10:00+02:00, or a known zone',
					quoted(when)
				);
			else if (atMs === undefined)
				findings.wrong(
					line,
					'a time such as 2027-04-18T07:10:00Z or 2027-04-18 07:10:00, then the total',
					quoted(when)
				);
			else if (shows === undefined || !(shows >= 0))
				findings.wrong(line, 'a total of 0 or more, such as 412.63', quoted(shown));
			else samples.push([atMs, shows]);
		}
	});
	return { samples, problems: findings.ended.problems };
}
