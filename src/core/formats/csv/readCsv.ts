import Papa from 'papaparse';
import {
	checkReferences,
	parseRecord,
	parseStop,
	type Entry,
	type Logbook,
	type Parsed,
	type Point,
	type Rig,
	type Stop
} from '../../logbook/index.js';
import { Findings, quoted, zoneOf, type Imported, type ReadingContext } from '../imported.js';
import { lineFinder } from '../lines.js';
import { madeId } from '../madeId.js';
import { parseNumber } from '../../units/index.js';
import { readCell, withoutMark } from './cells.js';
import {
	fieldNamed,
	SERVICE_COLUMNS,
	SERVICE_KINDS,
	serviceColumn,
	TABLES,
	type TableKind
} from './columns.js';
import { idMeant, shownBy } from './names.js';

interface Row {
	readonly cells: readonly string[];
	/** from 1 */
	readonly line: number;
}
interface Header {
	readonly table: TableKind;
	readonly names: readonly string[];
}

const DELIMITERS = [',', ';', '\t'] as const;
/** A title or a note may stand above the header: it is looked for in so many rows. */
const HEADER_WITHIN = 10;

/** The header that a row is, when it names what a table cannot do without. */
function headerOf(cells: readonly string[]): Header | undefined {
	const names = cells.map(fieldNamed);
	const table = (Object.keys(TABLES) as TableKind[]).find((kind) =>
		TABLES[kind].needs.every((name) => names.includes(name))
	);
	return table && { table, names };
}

/** The delimiter with which a header is found; a comma where none is. */
function delimiterOf(text: string): string {
	const found = DELIMITERS.find((delimiter) =>
		Papa.parse<string[]>(text, { delimiter, preview: HEADER_WITHIN }).data.some(headerOf)
	);
	return found ?? ',';
}

/** The rows of a table, each with the line it begins in; what the parser could not make out is a problem. */
function rowsOf(text: string, findings: Findings): readonly Row[] {
	const lineAt = lineFinder(text);
	const rows: Row[] = [];
	let begins = 0;
	Papa.parse<string[]>(text, {
		delimiter: delimiterOf(text),
		step: ({ data, errors, meta }) => {
			const line = lineAt(begins);
			for (const { code, message } of errors)
				findings.wrong(`line ${line}`, 'closed quotes and cells as in RFC 4180', code ?? message);
			if (data.some((cell) => cell.trim() !== '')) rows.push({ cells: data, line });
			begins = meta.cursor;
		}
	});
	return rows;
}

/** Puts a value at a place among fields; a position is made of two columns, weather too. */
function put(record: Record<string, unknown>, name: string, value: unknown): void {
	if (name === 'lon' || name === 'lat') {
		const at = (record.position ??= []) as unknown[];
		at[name === 'lon' ? 0 : 1] = value;
	} else if (name === 'maxC' || name === 'minC')
		record.weather = { ...(record.weather as object | undefined), [name]: value };
	else record[name] = value;
}

/** An entry that was read, and its line. */
interface Kept {
	readonly entry: Entry;
	readonly line: number;
}

/** Reads one table after the other: a file may hold several, each under its header. */
class TableReader {
	readonly #findings: Findings;
	readonly #context: ReadingContext;
	readonly #seen = new Set<string>();
	readonly #lines: Kept[] = [];
	readonly #timeZone: string | undefined;
	#header: Header | undefined;

	constructor(findings: Findings, context: ReadingContext) {
		this.#findings = findings;
		this.#context = context;
		this.#timeZone = zoneOf(context);
	}

	take(row: Row): void {
		const header = headerOf(row.cells);
		if (header) return this.#begin(header, row);
		if (!this.#header) {
			this.#findings.wrong(
				`line ${row.line}`,
				'a header with the names of fields',
				quoted(row.cells.join(' '))
			);
			return;
		}
		const record = this.#recordOf(row, this.#header);
		if (record) this.#keep(row, this.#header.table, record);
	}

	#begin(header: Header, { line }: Row): void {
		const { names } = header;
		if (this.#header?.names.join('\n') === names.join('\n'))
			this.#findings.wrong(`line ${line}`, 'one header', 'the same header again, which was skipped');
		names.forEach((name, i) => {
			if (name !== '' && names.indexOf(name) < i)
				this.#findings.wrong(`line ${line}, ${name}`, 'each column once', 'one twice: the later was skipped');
		});
		this.#header = header;
	}

	/** The fields of a row by their names; nothing where one does not fit. */
	#recordOf({ cells, line }: Row, { table, names }: Header): Record<string, unknown> | undefined {
		const { columns } = TABLES[table];
		const timeZone = this.#timeZone;
		const record: Record<string, unknown> = {};
		const services = new Map<string, Record<string, unknown>>();
		let fits = true;
		const wrong = (name: string, expected: string, cell: string): void => {
			fits = false;
			this.#findings.wrong(`line ${line}, ${name}`, expected, quoted(cell));
		};
		if (cells.slice(names.length).some((cell) => cell.trim() !== ''))
			wrong('cells', `${names.length} cells, as in the header`, `${cells.length}`);
		names.forEach((name, i) => {
			const cell = cells[i] ?? '';
			if (cell === '' || name === '' || names.indexOf(name) < i) return;
			const service = table === 'entries' ? undefined : serviceColumn(name);
			const kind = service
				? service.field === undefined
					? 'yes'
					: (SERVICE_COLUMNS.get(service.field) ?? 'text')
				: (columns.get(name) ?? 'text');
			const read = readCell(kind, cell, timeZone);
			if ('expected' in read) return wrong(name, read.expected, cell);
			if (read.value === undefined) return;
			if (!service) return put(record, name, read.value);
			if (service.field === undefined && read.value === false) return;
			const key = `${service.kind}${service.nth}`;
			const before = services.get(key) ?? { kind: service.kind };
			services.set(key, service.field === undefined ? before : { ...before, [service.field]: read.value });
		});
		if (!fits) return undefined;
		if (table !== 'entries')
			record.services = SERVICE_KINDS.flatMap((kind) =>
				[...services].filter(([, service]) => service.kind === kind).map(([, service]) => service)
			);
		return record;
	}

	#keep({ line }: Row, table: TableKind, found: Record<string, unknown>): void {
		const record = table === 'entries' ? this.#entryFields(found) : found;
		if (typeof record.id === 'string') {
			if (this.#seen.has(record.id))
				return this.#findings.wrong(`line ${line}, id`, 'an id that no earlier row has', quoted(record.id));
			this.#seen.add(record.id);
		} else record.id = madeId(JSON.stringify(record), this.#seen);
		if (table === 'stops') record.legKm ??= 0;
		const into = {
			entries: (): Parsed<Entry> => parseRecord('entry', record),
			points: (): Parsed<Point> => parseRecord('point', record),
			stops: (): Parsed<Stop> => parseStop(record)
		};
		const read = into[table]();
		if (!read.ok) {
			for (const { path, expected, got } of read.problems)
				this.#findings.wrong(`line ${line}, ${path.replace(/^\$\.?/, '')}`, expected, got);
			return;
		}
		(this.#findings[table] as unknown[]).push(read.value);
		if (table === 'entries') this.#lines.push({ entry: read.value as Entry, line });
	}

	/** An entry's fields with the ids that names mean, of the rig that is meant. */
	#entryFields(found: Record<string, unknown>): Record<string, unknown> {
		const { logbook, rig: given } = this.#context;
		const only = logbook?.rigs.length === 1 ? logbook.rigs[0]?.id : undefined;
		const rigId = typeof found.rig === 'string' ? found.rig : (given ?? only);
		const record: Record<string, unknown> = rigId === undefined ? { ...found } : { ...found, rig: rigId };
		const meant = (name: string, rig: Rig | undefined): void => {
			const cell = record[name];
			if (logbook && typeof cell === 'string') record[name] = idMeant(name, cell, rig, logbook);
		};
		meant('rig', undefined);
		const rig = logbook?.rigs.find(({ id }) => id === record.rig);
		for (const name of Object.keys(record)) if (name !== 'rig') meant(name, rig);
		if (typeof record.value === 'string') {
			const instrument = rig?.instruments.find(({ id }) => id === record.instrument);
			record.value = shownBy(instrument, record.value, shownNumber(record.value));
		}
		return record;
	}

	/** What names nothing in the logbook is a problem of its line, and does not come. */
	checkNames(): void {
		const { logbook } = this.#context;
		if (!logbook) return;
		const known = new Set(logbook.points.map(({ id }) => id));
		const points = [...logbook.points, ...this.#findings.points.filter(({ id }) => !known.has(id))];
		let left: readonly Kept[] = this.#lines;
		// So many problems are listed at a time: what they are about is taken out, and the rest looked at again.
		for (let bad = this.#dangling({ ...logbook, points }, left); bad.size > 0;) {
			left = left.filter((_, i) => !bad.has(i));
			bad = this.#dangling({ ...logbook, points }, left);
		}
		this.#findings.entries.splice(0, this.#findings.entries.length, ...left.map(({ entry }) => entry));
	}

	/** Which of some entries name what is not there; each is told. */
	#dangling(logbook: Logbook, lines: readonly Kept[]): ReadonlySet<number> {
		const { listed } = checkReferences({ ...logbook, entries: lines.map(({ entry }) => entry) }, []);
		const bad = new Set<number>();
		for (const { path, expected, got } of listed) {
			const [, at, field = ''] = /^\$\.entries\[(\d+)\]\.?(.*)$/.exec(path) ?? [];
			if (at === undefined) continue;
			bad.add(Number(at));
			this.#findings.wrong(`line ${lines[Number(at)]?.line}, ${field}`, expected, got);
		}
		return bad;
	}
}

/** A reading that is a plain number; `1/3` is the name of a light. */
const shownNumber = (cell: string): number | undefined =>
	/^\s*[-+]?[\d., \u00a0\u202f]+\s*$/.test(withoutMark(cell)) ? parseNumber(withoutMark(cell)) : undefined;

const HEADER_EXPECTED = Object.entries(TABLES)
	.map(([table, { needs }]) => `${needs.join(', ')} for ${table}`)
	.join('; or ');

/** Progress is told every so many rows. */
const STEP = 2000;

/** Reads CSV (RFC 4180; commas, semicolons or tabs): entries, points or stops, told apart by their header. */
export function readCsv(text: string, context: ReadingContext): Imported {
	const findings = new Findings();
	const plain = text.replace(/^\ufeff/, '').replace(/^sep=.(?=\r?\n)/i, '');
	const rows = rowsOf(plain, findings);
	const first = rows.findIndex(({ cells }) => headerOf(cells) !== undefined);
	if (first < 0) {
		const got = rows[0] ? quoted(rows[0].cells.join(' ')) : 'an empty file';
		findings.wrong('line 1', `a header row with the names of fields: ${HEADER_EXPECTED}`, got);
		return findings.ended;
	}
	const reader = new TableReader(findings, context);
	rows.forEach((row, i) => {
		if (i % STEP === 0) context.onprogress?.(i / rows.length);
		reader.take(row);
	});
	reader.checkNames();
	return findings.ended;
}
