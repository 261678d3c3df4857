import type { Service } from '../../logbook/index.js';

/** What a column of a table holds. */
export type ColumnKind =
	'text' | 'number' | 'yes' | 'only-yes' | 'yes-or-list' | 'list' | 'instant' | 'day' | 'shown';
/** The columns of a table, by name, in the order in which they are written. */
export type Columns = ReadonlyMap<string, ColumnKind>;

const columns = (list: Readonly<Record<string, ColumnKind>>): Columns => new Map(Object.entries(list));

/** An entry's own fields: the contract's names, one entry a row. `only-yes`: said, or left out. */
export const ENTRY_COLUMNS: Columns = columns({
	id: 'text',
	rig: 'text',
	at: 'instant',
	kind: 'text',
	trip: 'text',
	by: 'text',
	tank: 'text',
	habit: 'text',
	times: 'number',
	litres: 'number',
	sdL: 'number',
	to: 'text',
	potable: 'yes',
	point: 'text',
	where: 'text',
	leftL: 'number',
	fromTank: 'text',
	toTank: 'text',
	until: 'text',
	instrument: 'text',
	value: 'shown',
	reset: 'only-yes',
	rollDeg: 'number',
	pitchDeg: 'number',
	trusted: 'only-yes',
	state: 'text',
	persons: 'number',
	measure: 'text',
	on: 'yes',
	trial: 'text',
	mains: 'yes',
	sewer: 'yes-or-list',
	since: 'instant',
	lived: 'text',
	from: 'text',
	stop: 'text',
	event: 'text',
	task: 'text',
	text: 'text',
	note: 'text',
	source: 'text',
	edited: 'instant',
	void: 'only-yes'
});

/** Every kind of service that a table may name. */
export const SERVICE_KINDS: readonly Service['kind'][] = ['water', 'grey', 'black', 'mains', 'sewer'];
/** The fields of a service, each in a column of its own: `water_fee`, of a second one `water2_fee`. */
export const SERVICE_COLUMNS: Columns = columns({
	potable: 'yes',
	fee: 'number',
	minutes: 'number',
	detourKm: 'number',
	flowLpm: 'number',
	barMax: 'number',
	verified: 'day',
	open: 'text',
	reports: 'list',
	note: 'text'
});

/** A point's fields; its services stand in columns of their own. */
export const POINT_COLUMNS: Columns = columns({
	id: 'text',
	name: 'text',
	lon: 'number',
	lat: 'number',
	access: 'text',
	hours: 'text',
	season: 'text',
	noDischarge: 'yes',
	source: 'text',
	verified: 'day',
	note: 'text',
	edited: 'instant',
	retired: 'only-yes'
});

/** A stop's fields; its services stand in columns of their own. */
export const STOP_COLUMNS: Columns = columns({
	id: 'text',
	name: 'text',
	arrive: 'instant',
	depart: 'instant',
	legKm: 'number',
	lon: 'number',
	lat: 'number',
	point: 'text',
	maxC: 'number',
	minC: 'number',
	weather: 'list',
	weatherFrom: 'text',
	hookup: 'list',
	ashore: 'yes',
	heel: 'list',
	noDischarge: 'yes',
	exertion: 'number',
	persons: 'number',
	note: 'text',
	retired: 'only-yes'
});

/** What a table is a list of. */
export type TableKind = 'entries' | 'points' | 'stops';
/** The columns of each table. */
export const TABLES: Readonly<
	Record<TableKind, { readonly columns: Columns; readonly needs: readonly string[] }>
> = {
	entries: { columns: ENTRY_COLUMNS, needs: ['at', 'kind'] },
	stops: { columns: STOP_COLUMNS, needs: ['name', 'arrive', 'depart'] },
	points: { columns: POINT_COLUMNS, needs: ['name', 'lon', 'lat'] }
};

const SERVICE_NAME = /^(water|grey|black|mains|sewer)([2-9])?(?:_(\w+))?$/;
/** A column of a service: of which kind, the how manieth of that kind from 1, and which field; the service itself without one. */
export function serviceColumn(
	name: string
): { readonly kind: Service['kind']; readonly nth: number; readonly field?: string } | undefined {
	const [, kind, nth, field] = SERVICE_NAME.exec(name) ?? [];
	if (kind === undefined) return undefined;
	return { kind: kind as Service['kind'], nth: Number(nth ?? 1), ...(field === undefined ? {} : { field }) };
}

const ALIASES: Readonly<Record<string, string>> = { longitude: 'lon', lng: 'lon', latitude: 'lat' };
const KNOWN = new Map(
	Object.values(TABLES)
		.flatMap(({ columns: own }) => [...own.keys()])
		.map((name) => [name.toLowerCase(), name])
);
/** The field that a column's head means: its own name in any case, or another usual one; else as it is written. */
export const fieldNamed = (head: string): string => {
	const plain = head.trim().toLowerCase();
	return ALIASES[plain] ?? KNOWN.get(plain) ?? head.trim();
};
