import { ENTRY_COLUMNS, POINT_COLUMNS, SERVICE_COLUMNS, STOP_COLUMNS } from '$core/formats';
import { logbookJsonSchema } from '$core/logbook';

/** One field of a record, as the JSON Schema has it. */
export interface FieldRow {
	readonly name: string;
	readonly needed: boolean;
	readonly holds: string;
}
/** A record, or one of the kinds it comes in. */
export interface RecordTable {
	readonly name: string;
	readonly fields: readonly FieldRow[];
}

interface Schema {
	readonly type?: string;
	readonly format?: string;
	readonly const?: unknown;
	readonly enum?: readonly unknown[];
	readonly anyOf?: readonly Schema[];
	readonly oneOf?: readonly Schema[];
	readonly items?: Schema;
	readonly prefixItems?: readonly Schema[];
	readonly properties?: Readonly<Record<string, Schema>>;
	readonly required?: readonly string[];
	readonly minimum?: number;
	readonly maximum?: number;
	readonly exclusiveMinimum?: number;
}

const FORMATS: Readonly<Record<string, string>> = {
	'date-time': 'instant with offset',
	date: 'day, YYYY-MM-DD'
};
const MOST_WORDS = 8;

/** What a value must be, in a few words. */
function holds(schema: Schema): string {
	if (schema.const !== undefined) return JSON.stringify(schema.const);
	if (schema.enum) return schema.enum.map((one) => JSON.stringify(one)).join(' | ');
	const either = schema.anyOf ?? schema.oneOf;
	if (either) return [...new Set(either.map(holds))].slice(0, MOST_WORDS).join(' or ');
	if (schema.prefixItems) return `[${schema.prefixItems.map(holds).join(', ')}]`;
	if (schema.type === 'array') return `list of ${schema.items ? holds(schema.items) : 'anything'}`;
	if (schema.type === 'object')
		return schema.properties ? `{ ${Object.keys(schema.properties).join(', ')} }` : 'object';
	if (schema.format !== undefined) return FORMATS[schema.format] ?? schema.format;
	const [low, high] = [schema.minimum ?? schema.exclusiveMinimum, schema.maximum];
	const range = low === undefined && high === undefined ? '' : ` ${low ?? '…'} … ${high ?? '…'}`;
	return `${schema.type === 'string' ? 'text' : (schema.type ?? 'anything')}${range}`;
}

const tableOf = (name: string, { properties = {}, required = [] }: Schema): RecordTable => ({
	name,
	fields: Object.entries(properties).map(([field, schema]) => ({
		name: field,
		needed: required.includes(field),
		holds: holds(schema)
	}))
});

/** The kinds in which a list of records comes, told apart by a field that is one word. */
function tablesOf(name: string, list: Schema | undefined): readonly RecordTable[] {
	const item = list?.items ?? {};
	const kinds = item.oneOf ?? item.anyOf;
	if (!kinds) return [tableOf(name, item)];
	return kinds.map((kind) => tableOf(`${name}: ${String(kind.properties?.kind?.const ?? '')}`, kind));
}

/** Every record of the logbook with its fields: from the schema that validates, so that it is never out of date. */
export function recordTables(): readonly RecordTable[] {
	const { properties = {} } = logbookJsonSchema() as Schema;
	const inner = (list: string, field: string): Schema | undefined =>
		properties[list]?.items?.properties?.[field];
	return [
		...tablesOf('Rig', properties.rigs),
		...tablesOf('Tank', inner('rigs', 'tanks')),
		...tablesOf('Outlet', inner('rigs', 'outlets')),
		...tablesOf('Instrument', inner('rigs', 'instruments')),
		...tablesOf('Habit', inner('rigs', 'habits')),
		...tablesOf('Way to save', inner('rigs', 'measures')),
		...tablesOf('Container', inner('rigs', 'containers')),
		...tablesOf('Care task', inner('rigs', 'care')),
		...tablesOf('Trip', properties.trips),
		...tablesOf('Stop', inner('trips', 'stops')),
		...tablesOf('Point', properties.points),
		...tablesOf('Service', inner('points', 'services')),
		...tablesOf('Entry', properties.entries)
	];
}

/** The columns of each table that is written and read as CSV. */
export const CSV_TABLES = [
	{ name: 'Entries', columns: [...ENTRY_COLUMNS.keys()] },
	{ name: 'Points', columns: [...POINT_COLUMNS.keys()] },
	{ name: 'Stops', columns: [...STOP_COLUMNS.keys()] },
	{
		name: 'Each service of a point or stop',
		columns: [
			'water',
			...[...SERVICE_COLUMNS.keys()].map((field) => `water_${field}`),
			'grey',
			'grey_fee',
			'…',
			'water2'
		]
	}
] as const;

/** The open map's tags that are read and written, and what they mean here. */
export const TAG_ROWS: readonly (readonly [tag: string, means: string])[] = [
	['amenity=drinking_water', 'water, for drinking unless drinking_water=no'],
	['amenity=water_point, waterway=water_point', 'water; for drinking only with drinking_water=yes'],
	['man_made=water_tap', 'water from a tap; for drinking only with drinking_water=yes'],
	['natural=spring', 'water from a spring; for drinking only with drinking_water=yes'],
	[
		'amenity=sanitary_dump_station',
		'grey drain and dump point; less with sanitary_dump_station:grey_water=no or :black_water=no'
	],
	['water_point=yes, sanitary_dump_station=yes', 'the same at any other place'],
	['fee, charge', 'the fee: the first number of the charge, 0 with fee=no'],
	['opening_hours, access, seasonal', 'hours, access, season'],
	['check_date, survey:date', 'checked on that day'],
	['description, note', 'note']
];
