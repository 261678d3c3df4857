import { parseRecord, type Problem, type RecordKind, type RecordTypes } from '$core/logbook';
import { migrate, STORE_VERSION, type Migration } from './migrate';
import type { KeyValuePort } from './port';

/** One record to be put, by its kind. Records are never removed one by one: an entry is voided. */
export type Change = { [K in RecordKind]: { readonly kind: K; readonly value: RecordTypes[K] } }[RecordKind];

/** A record that could not be read: it was copied to one side, untouched, and is no longer in the way. */
export interface KeptAside {
	readonly key: string;
	readonly value: unknown;
	readonly problems: readonly Problem[];
}

export type Records = { readonly [K in RecordKind]: ReadonlyMap<string, RecordTypes[K]> };

export type Opened =
	| { readonly state: 'open'; readonly records: Records; readonly aside: readonly KeptAside[] }
	/** written by a later version of the application: nothing is touched, the raw content can be saved */
	| {
			readonly state: 'newer';
			readonly version: unknown;
			readonly raw: readonly (readonly [string, unknown])[];
	  };

export interface RecordStore {
	/** Reads everything, finishes a batch that a crash cut short, migrates, sets unreadable records aside. */
	open(): Promise<Opened>;
	/** Puts all of the changes or none; durable when it resolves. */
	write(changes: readonly Change[]): Promise<void>;
	/** Reads some records again, for a change made in another tab. */
	reread(keys: readonly string[]): Promise<readonly Change[]>;
	/** Everything kept aside so far. */
	aside(): Promise<readonly KeptAside[]>;
	/** Empties the store, what was kept aside too. */
	wipe(): Promise<void>;
}

export interface Ports {
	readonly records: KeyValuePort;
	readonly meta: KeyValuePort;
	readonly aside: KeyValuePort;
}

const KINDS: readonly RecordKind[] = ['rig', 'trip', 'point', 'entry'];

type Batch = readonly (readonly [key: string, value: unknown])[];
const BATCH = 'batch:';

export const keyOf = (change: Change): string => `${change.kind}:${change.value.id}`;

const kindOf = (key: string): RecordKind | undefined => KINDS.find((kind) => key.startsWith(`${kind}:`));

function asChange(key: string, value: unknown): Change | readonly Problem[] {
	const kind = kindOf(key);
	if (!kind) return [{ path: '$', expected: `a key that begins with one of ${KINDS.join(', ')}`, got: key }];
	const parsed = parseRecord(kind, value);
	return parsed.ok ? ({ kind, value: parsed.value } as Change) : parsed.problems;
}

const isChange = (read: Change | readonly Problem[]): read is Change => 'kind' in read;

/** From here on, reading the whole store is quicker than asking for each key. */
const MANY = 50;

/**
 * The logbook's records, one key each, on three ports.
 *
 * @param ports `records` holds the records; `meta` the store's version and a batch under way; `aside` what could not be read
 * @param migrations for tests; the application's own when absent
 */
export function recordStore(
	ports: Ports,
	migrations?: readonly Migration[],
	version = STORE_VERSION
): RecordStore {
	const { records, meta, aside } = ports;
	const putAll = async (batch: Batch): Promise<void> => {
		await records.setAll(batch);
	};
	/** What stands at a batch's keys: asked one by one, or all at once when they are many. */
	const standing = async (batch: Batch): Promise<Batch> => {
		if (batch.length <= MANY)
			return Promise.all(batch.map(async ([key]) => [key, await records.get(key)] as const));
		const all = new Map(await records.entries());
		return batch.map(([key]) => [key, all.get(key)] as const);
	};
	const putBack = async (before: Batch): Promise<void> => {
		for (const [key, value] of before)
			await (value === undefined ? records.remove(key) : records.set(key, value));
	};
	/**
	 * A batch is first written down as a whole, in one atomic step: after a crash it will be finished. When it
	 * fails with the application alive, what was there is put back.
	 */
	const writeBatch = async (batch: Batch): Promise<void> => {
		const journal = `${BATCH}${crypto.randomUUID()}`;
		const before = await standing(batch);
		await meta.set(journal, batch);
		try {
			await putAll(batch);
		} catch (error) {
			await putBack(before);
			throw error;
		} finally {
			await meta.remove(journal);
		}
	};
	const finishBatches = async (): Promise<void> => {
		for (const [key, batch] of await meta.entries())
			if (key.startsWith(BATCH)) {
				await putAll(batch as Batch);
				await meta.remove(key);
			}
	};
	const setAside = async (kept: KeptAside): Promise<void> => {
		// The copy first: a crash between the two leaves it twice, never nowhere.
		await aside.set(`${Date.now()}|${kept.key}`, kept);
		await records.remove(kept.key);
	};
	const listAside = async (): Promise<readonly KeptAside[]> =>
		(await aside.entries()).map(([, value]) => value as KeptAside);
	return {
		async open() {
			const found = await meta.get('version');
			const known = found ?? version;
			if (typeof known !== 'number' || known > version)
				return { state: 'newer', version: known, raw: await records.entries() };
			await finishBatches();
			if (known < version) await writeBatch(migrate(await records.entries(), known, version, migrations));
			if (found !== version) await meta.set('version', version);
			const maps = { rig: new Map(), trip: new Map(), point: new Map(), entry: new Map() };
			for (const [key, value] of await records.entries()) {
				const read = asChange(key, value);
				if (isChange(read)) maps[read.kind].set(read.value.id, read.value);
				else await setAside({ key, value, problems: read });
			}
			return { state: 'open', records: maps, aside: await listAside() };
		},
		async write(changes) {
			const batch = changes.map((change) => [keyOf(change), change.value] as const);
			const [only] = batch;
			if (batch.length === 1 && only) await records.set(...only);
			else if (batch.length > 1) await writeBatch(batch);
		},
		async reread(keys) {
			const read = await Promise.all(keys.map(async (key) => asChange(key, await records.get(key))));
			return read.filter(isChange);
		},
		aside: listAside,
		async wipe() {
			await records.clear();
			await aside.clear();
			await meta.clear();
			await meta.set('version', version);
		}
	};
}
