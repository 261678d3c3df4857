import { checkReferences } from './check.js';
import { problemsOf } from './problems.js';
import { entrySchema, logbookSchema, pointSchema, rigSchema, tripSchema } from './schema.js';
import type { Entry, Logbook, Point, Problem, Rig, Trip } from './types.js';

/** Either a value that is right in every part, or the full list of what is wrong with it. */
export type Parsed<T> =
	{ readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * Checks data against the whole contract: the schema first, then the ids.
 *
 * @param data any JSON value
 * @param root where the logbook stands in a larger body, for the paths in the problems
 */
export function parseLogbook(data: unknown, root: readonly string[] = []): Parsed<Logbook> {
	const result = logbookSchema.safeParse(data);
	if (!result.success) return { ok: false, problems: problemsOf(result.error, data, root) };
	const logbook: Logbook = result.data;
	const problems = checkReferences(logbook, root);
	return problems.length > 0 ? { ok: false, problems } : { ok: true, value: logbook };
}

/** Reads the text of a file as a logbook; text that is not JSON is a problem at `$` like any other. */
export function parseLogbookText(text: string): Parsed<Logbook> {
	let data: unknown;
	try {
		data = JSON.parse(text);
	} catch (error) {
		const reason = error instanceof Error ? error.message : String(error);
		return { ok: false, problems: [{ path: '$', expected: 'JSON', got: reason }] };
	}
	return parseLogbook(data);
}

/** The records of a logbook as they are kept one by one in a store. */
export interface RecordTypes {
	readonly rig: Rig;
	readonly trip: Trip;
	readonly point: Point;
	readonly entry: Entry;
}
export type RecordKind = keyof RecordTypes;

const RECORD_SCHEMAS = { rig: rigSchema, trip: tripSchema, point: pointSchema, entry: entrySchema };

/** Checks one record by itself; whether its ids name anything is for `checkReferences`. */
export function parseRecord<K extends RecordKind>(kind: K, data: unknown): Parsed<RecordTypes[K]> {
	const result = RECORD_SCHEMAS[kind].safeParse(data);
	return result.success
		? { ok: true, value: result.data as RecordTypes[K] }
		: { ok: false, problems: problemsOf(result.error, data) };
}
