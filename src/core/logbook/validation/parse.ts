import { LIST_OF, RECORD_KINDS, type RecordKind, type RecordTypes } from '../kinds.js';
import type { Logbook, Problem, Stop } from '../types.js';
import { excessOf, ProblemList } from './limits.js';
import { problemOf } from './problems.js';
import { checkForm, checkReferences } from './references.js';
import { entrySchema, logbookShellSchema, pointSchema, rigSchema, stopSchema, tripSchema } from './schema.js';

/** What is wrong with some data: the first problems, and how many more there are (`atLeast`: that many or more). */
export interface Refusal {
	readonly ok: false;
	readonly problems: readonly Problem[];
	readonly more?: number;
	readonly atLeast?: true;
}

/** Either a value that is right in every part, or what is wrong with it. */
export type Parsed<T> = { readonly ok: true; readonly value: T } | Refusal;

const RECORD_SCHEMAS = { rig: rigSchema, trip: tripSchema, point: pointSchema, entry: entrySchema };

/** Where in a larger body the logbook stands. */
export interface ParseOptions {
	/** where the logbook stands in a larger body, for the paths in the problems */
	readonly root?: readonly string[];
	/** it is a difference: what its ids name may be elsewhere */
	readonly difference?: boolean;
	/** told now and then how much of the records has been looked at, 0 … 1 */
	readonly onprogress?: (done: number) => void;
}

/** After the listed problems so many more wrong records are looked at one by one; then only that there are more is said. */
const PATIENCE = 20_000;
/** Progress is told every so many records. */
const STEP = 2000;

/** Looks at the records of one list; stops early when there is no end of problems. */
class RecordReader {
	readonly problems = new ProblemList();
	atLeast = false;
	#patience = PATIENCE;
	#seen = 0;
	readonly #tell: (seen: number) => void;

	constructor(tell: (seen: number) => void) {
		this.#tell = tell;
	}

	list(kind: RecordKind, items: readonly unknown[], at: readonly (string | number)[]): readonly unknown[] {
		const read: unknown[] = [];
		for (let i = 0; i < items.length; i++) {
			if (++this.#seen % STEP === 0) this.#tell(this.#seen);
			const item = items[i];
			if (this.problems.full && !this.#goOn(item)) continue;
			const path = [...at, i];
			const excess = excessOf(item, path);
			if (excess) {
				this.problems.add(() => excess);
				continue;
			}
			const result = RECORD_SCHEMAS[kind].safeParse(item);
			if (result.success) read.push(result.data);
			else for (const issue of result.error.issues) this.problems.add(() => problemOf(issue, item, path));
		}
		return read;
	}

	/** Whether a record is still worth a look when the list of problems is full. */
	#goOn(item: unknown): boolean {
		if (typeof item !== 'object' || item === null) {
			this.problems.countMore(1);
			return false;
		}
		if (this.#patience-- > 0) return true;
		this.atLeast = true;
		return false;
	}
}

/**
 * Checks data against the whole contract: its outer form, then record by record, then the ids.
 *
 * @param data any JSON value
 */
export function parseLogbook(
	data: unknown,
	{ root = [], difference = false, onprogress }: ParseOptions = {}
): Parsed<Logbook> {
	const shell = logbookShellSchema.safeParse(data);
	if (!shell.success)
		return { ok: false, problems: shell.error.issues.map((issue) => problemOf(issue, data, root)) };
	const rest = Object.fromEntries(
		Object.entries(shell.data).filter(([key]) => !(Object.values(LIST_OF) as string[]).includes(key))
	);
	const excess = excessOf(rest, root);
	if (excess) return { ok: false, problems: [excess] };
	const listsOf = shell.data as unknown as Readonly<Record<string, readonly unknown[]>>;
	const total = RECORD_KINDS.reduce((sum, kind) => sum + (listsOf[LIST_OF[kind]]?.length ?? 0), 0);
	const reader = new RecordReader((seen) => onprogress?.(seen / total));
	const lists = RECORD_KINDS.map((kind) => {
		const list = LIST_OF[kind];
		return [list, reader.list(kind, listsOf[list] ?? [], [...root, list])] as const;
	});
	if (reader.problems.count > 0) return refusalOf(reader.problems, reader.atLeast);
	const logbook = { ...rest, ...Object.fromEntries(lists) } as unknown as Logbook;
	const problems = (difference ? checkForm : checkReferences)(logbook, root);
	return problems.count > 0 ? refusalOf(problems) : { ok: true, value: logbook };
}

const refusalOf = ({ listed, more }: ProblemList, atLeast = false): Refusal => ({
	ok: false,
	problems: listed,
	...(more > 0 ? { more } : {}),
	...(atLeast ? { atLeast } : {})
});

/** Reads the text of a file as a logbook; text that is not JSON is a problem at `$` like any other. */
export function parseLogbookText(text: string, options?: ParseOptions): Parsed<Logbook> {
	let data: unknown;
	try {
		data = JSON.parse(text);
	} catch (error) {
		const reason = error instanceof Error ? error.message : String(error);
		return { ok: false, problems: [{ path: '$', expected: 'JSON', got: reason }] };
	}
	return parseLogbook(data, options);
}

type AnySchema = (typeof RECORD_SCHEMAS)[RecordKind] | typeof stopSchema;
function parsedBy<T>(schema: AnySchema, data: unknown): Parsed<T> {
	const excess = excessOf(data, []);
	if (excess) return { ok: false, problems: [excess] };
	const result = schema.safeParse(data);
	return result.success
		? { ok: true, value: result.data as T }
		: { ok: false, problems: result.error.issues.map((issue) => problemOf(issue, data)) };
}

/** Checks one record by itself; whether its ids name anything is for `checkReferences`. */
export const parseRecord = <K extends RecordKind>(kind: K, data: unknown): Parsed<RecordTypes[K]> =>
	parsedBy(RECORD_SCHEMAS[kind], data);

/** Checks one stop by itself. */
export const parseStop = (data: unknown): Parsed<Stop> => parsedBy(stopSchema, data);

/** How many problems there are beside the listed ones, in words; empty when none. */
export const saidMore = ({ more, atLeast }: Pick<Refusal, 'more' | 'atLeast'>): string =>
	more === undefined ? '' : `and ${atLeast ? 'at least ' : ''}${more} more`;
