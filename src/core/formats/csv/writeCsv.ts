import Papa from 'papaparse';
import { isWeatherByDay, type Entry, type Point, type Service, type Stop } from '../../logbook/index.js';
import { MADE_HARMLESS } from './cells.js';
import { SERVICE_COLUMNS, SERVICE_KINDS, TABLES, type Columns, type TableKind } from './columns.js';

type Fields = Readonly<Record<string, unknown>>;

/** How a table is written: its separator and decimal sign. */
export interface CsvStyle {
	/** numbers with a comma and cells parted by semicolons, as table programs in many countries want it */
	readonly decimalComma?: boolean;
}

/** What the columns do not hold stands as text in a column of its own name. */
const asCell = (value: unknown, { decimalComma }: CsvStyle): unknown => {
	if (typeof value === 'number') return decimalComma ? String(value).replace('.', ',') : value;
	return typeof value === 'object' && value !== null ? JSON.stringify(value) : value;
};

/** Rows as RFC 4180 wants them; a text that begins like a formula gets a mark before it. */
function written(rows: readonly Fields[], table: TableKind, style: CsvStyle): string {
	const { columns: own, needs } = TABLES[table];
	const first = table === 'entries' ? own : withServices(own);
	const said = rows.flatMap((row) => Object.keys(row).filter((name) => row[name] !== undefined));
	const used = new Set([...needs, ...said]);
	const needed = [...first.keys()].filter((name) => used.has(name));
	const columns = [...needed, ...[...used].filter((name) => !first.has(name))];
	const data = rows.map((row) => columns.map((name) => asCell(row[name], style)));
	return unparsed(columns, data, style);
}

const unparsed = (
	fields: readonly string[],
	data: readonly (readonly unknown[])[],
	{ decimalComma }: CsvStyle
): string =>
	`${Papa.unparse(
		{ fields: [...fields], data: data.map((row) => [...row]) },
		{ escapeFormulae: MADE_HARMLESS, delimiter: decimalComma ? ';' : ',', newline: '\r\n' }
	)}\r\n`;

/** Figures as a table, for a table program; what is absent is an empty cell. */
export const figuresCsv = (
	fields: readonly string[],
	rows: readonly (readonly (string | number | undefined)[])[],
	style: CsvStyle = {}
): string =>
	unparsed(
		fields,
		rows.map((row) => row.map((value) => asCell(value, style))),
		style
	);

/** The services of a place as columns: `water`, `water_fee`, and of a second one `water2`. */
function serviceFields(services: readonly Service[]): Fields {
	const fields: Record<string, unknown> = {};
	for (const kind of SERVICE_KINDS)
		services
			.filter((service) => service.kind === kind)
			.forEach(({ kind: _kind, ...facts }, i) => {
				const name = i === 0 ? kind : `${kind}${i + 1}`;
				fields[name] = 'yes';
				for (const [field, value] of Object.entries(facts)) fields[`${name}_${field}`] = value;
			});
	return fields;
}

const withServices = (columns: Columns): Columns =>
	new Map([
		...columns,
		...SERVICE_KINDS.flatMap((kind) => [
			[kind, 'yes'] as const,
			...[...SERVICE_COLUMNS].map(([field, of]) => [`${kind}_${field}`, of] as const)
		])
	]);

/** Entries as a table, one a row. */
export const entriesCsv = (entries: readonly Entry[], style: CsvStyle = {}): string =>
	written(entries, 'entries', style);

/** Points as a table, one a row. */
export const pointsCsv = (points: readonly Point[], style: CsvStyle = {}): string =>
	written(
		points.map(({ position: [lon, lat], services, ...rest }) => ({
			...rest,
			lon,
			lat,
			...serviceFields(services)
		})),
		'points',
		style
	);

/** Stops as a table, one a row. */
export const stopsCsv = (stops: readonly Stop[], style: CsvStyle = {}): string =>
	written(
		stops.map(({ position, services, weather, ...rest }) => ({
			...rest,
			...(isWeatherByDay(weather) ? { weather } : {}),
			...(position ? { lon: position[0], lat: position[1] } : {}),
			...(weather && !Array.isArray(weather) ? weather : {}),
			...serviceFields(services)
		})),
		'stops',
		style
	);
