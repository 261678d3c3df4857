import { canonical } from './canonical.js';

/** One place that two people changed in different ways. */
export interface Conflict {
	/** keys from the record down, items of lists by their id: `litres`, `tanks.main.usableL` */
	readonly path: string;
	readonly mine: unknown;
	readonly theirs: unknown;
}

/** A change put onto the newest version, and what stood against it. */
export interface Rebased<T> {
	/** where both changed a place, mine */
	readonly value: T;
	readonly conflicts: readonly Conflict[];
}

type Plain = Readonly<Record<string, unknown>>;
type Item = { readonly id: string };

const isPlain = (value: unknown): value is Plain =>
	typeof value === 'object' && value !== null && !Array.isArray(value);
const isItems = (value: unknown): value is readonly Item[] =>
	Array.isArray(value) && value.every((one) => isPlain(one) && typeof one.id === 'string');
const same = (a: unknown, b: unknown): boolean =>
	a === b || (a !== undefined && b !== undefined && canonical(a) === canonical(b));

/** The instant of the last change belongs to the record, not to what was changed in it. */
const EDITED = 'edited';

function merged(base: unknown, mine: unknown, newest: unknown, path: string, found: Conflict[]): unknown {
	if (same(mine, newest) || same(base, mine)) return newest;
	if (same(base, newest)) return mine;
	if (isItems(mine) && isItems(newest))
		return mergedItems(isItems(base) ? base : [], mine, newest, path, found);
	if (isPlain(mine) && isPlain(newest))
		return mergedPlain(isPlain(base) ? base : {}, mine, newest, path, found);
	found.push({ path, mine, theirs: newest });
	return mine;
}

const below = (path: string, key: string): string => (path === '' ? key : `${path}.${key}`);

function mergedPlain(base: Plain, mine: Plain, newest: Plain, path: string, found: Conflict[]): Plain {
	const at = (record: Plain, key: string): unknown => (Object.hasOwn(record, key) ? record[key] : undefined);
	const keys = new Set([...Object.keys(newest), ...Object.keys(mine)]);
	return Object.fromEntries(
		[...keys].flatMap((key): readonly (readonly [string, unknown])[] => {
			const value =
				key === EDITED && path === ''
					? at(newest, key)
					: merged(at(base, key), at(mine, key), at(newest, key), below(path, key), found);
			return value === undefined ? [] : [[key, value]];
		})
	);
}

function mergedItems(
	base: readonly Item[],
	mine: readonly Item[],
	newest: readonly Item[],
	path: string,
	found: Conflict[]
): readonly unknown[] {
	const [was, own] = [base, mine].map((list) => new Map(list.map((item) => [item.id, item])));
	const there = new Set(newest.map(({ id }) => id));
	const kept = newest.flatMap((item) => {
		const value = merged(was?.get(item.id), own?.get(item.id), item, below(path, item.id), found);
		return value === undefined ? [] : [value];
	});
	const added = mine
		.filter(({ id }) => !there.has(id))
		.flatMap((item) => {
			const value = merged(was?.get(item.id), item, undefined, below(path, item.id), found);
			return value === undefined ? [] : [value];
		});
	return [...kept, ...added];
}

/**
 * A change made to an earlier version of a record, made to its newest one: only what was changed is put (three-way
 * merge, by key, lists of items by id). Where the newest version changed the same place otherwise, that is told.
 */
export function rebase<T>(base: T, mine: T, newest: T): Rebased<T> {
	const conflicts: Conflict[] = [];
	const value = merged(base, mine, newest, '', conflicts) as T;
	return { value, conflicts };
}
