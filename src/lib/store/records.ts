import { RECORD_KINDS, type Kept, type Problem, type RecordKind, type RecordTypes } from '$core/logbook';
import { isBatch } from './batch';
import { EMPTIED, EPOCH, SOUND, VERSION } from './notes';
import { STORE_VERSION, type Migration } from './migrate';
import type { KeyValuePort } from './port';
import { withMarks, type Sound } from './sound';
import { queuedTurns, type Turns } from './turns';

/** One record as it is to stand, by its kind. Records are never removed one by one: an entry is voided. */
export type Change = Kept;

/**
 * What is to be done to one record. `make` is given the newest version when the turn comes, from whatever tab it is,
 * and answers with the next one, or with nothing when it is to stay as it is.
 */
export type Edit = {
	[K in RecordKind]: {
		readonly kind: K;
		readonly id: string;
		readonly make: (newest: RecordTypes[K] | undefined) => RecordTypes[K] | undefined;
	};
}[RecordKind];

/** A record that could not be read: it was copied to one side, untouched, and is no longer in the way. */
export interface KeptAside {
	readonly key: string;
	readonly value: unknown;
	readonly problems: readonly Problem[];
}

export type RecordLists = { readonly [K in RecordKind]: ReadonlyMap<string, RecordTypes[K]> };

export type Opened =
	| {
			readonly state: 'open';
			readonly records: RecordLists;
			readonly aside: readonly KeptAside[];
			/** it holds nothing because it was emptied on purpose */
			readonly emptied: boolean;
	  }
	/** written by a later version of the application: nothing is touched, the raw content can be saved */
	| {
			readonly state: 'newer';
			readonly version: unknown;
			readonly raw: readonly (readonly [string, unknown])[];
	  };

/** The store was emptied by another tab since this one opened it: what it holds now is not what this tab shows. */
export class EmptiedElsewhere extends Error {
	override readonly name = 'EmptiedElsewhere';
}

export interface RecordStore {
	/** Reads everything, finishes a batch that a crash cut short, migrates, sets unreadable records aside. */
	open(): Promise<Opened>;
	/** Names what the store holds as it was opened last: another one after a wipe. */
	readonly epoch: unknown;
	/**
	 * Does edits to the newest records, in this tab's turn among all tabs: all of them or none; durable when it
	 * resolves, with what was changed.
	 *
	 * @param since the epoch in which the edits were begun; that of the call when absent
	 * @throws EmptiedElsewhere when the store was emptied since, or holds no rig that a new entry is of
	 */
	update(edits: readonly Edit[], since?: unknown): Promise<readonly Change[]>;
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
	/** names the rules by which this build looks at records; where absent each start looks at all of them */
	readonly rules?: string;
	/** one writer at a time; within this tab when absent */
	readonly turns?: Turns;
}

/** The kind of record that a key is of. */
export const kindOf = (key: string): RecordKind | undefined =>
	RECORD_KINDS.find((kind) => key.startsWith(`${kind}:`));

/** The rules of the contract, for values that are not known to be records; they are loaded where something must be looked at. */
export const checkedRecords = (): Promise<typeof import('./checked')> => import('./checked');
/** What writes: a later visit reads first, and shows what it read. */
export const fetchWriting = (): Promise<typeof import('./writing')> => import('./writing');

/**
 * The logbook's records, one key each, on three ports.
 *
 * @param ports `records` holds the records; `meta` the store's version, its epoch and a batch under way; `aside` what could not be read
 * @param migrations for tests; the application's own when absent
 */
export function recordStore(
	ports: Ports,
	migrations?: readonly Migration[],
	version = STORE_VERSION
): RecordStore {
	const { records, meta, aside, rules, turns = queuedTurns() } = ports;
	let epoch: unknown;
	const listAside = async (): Promise<readonly KeptAside[]> =>
		(await aside.entries()).map(([, value]) => value as KeptAside);
	/** All records, each looked at unless it is known that nothing has changed since they were; what is none is set aside. */
	const readAll = async (sound: Sound | undefined): Promise<readonly Change[]> => {
		const all = await records.entries();
		if (rules !== undefined && sound?.by === rules && sound.sum === withMarks(0, all))
			return all.map(([key, value]) => ({ kind: kindOf(key), value }) as Change);
		// On a first visit there are none, and no rules to fetch for them.
		const good = all.length === 0 ? [] : await (await fetchWriting()).goodAmong(ports, all);
		if (rules !== undefined && good.length === all.length)
			await meta.set(SOUND, { by: rules, sum: withMarks(0, all) } satisfies Sound);
		return good;
	};
	return {
		open: () =>
			turns(async () => {
				// All notes in one answer: each question to the browser's database takes as long as reading a hundred records.
				const noted = await meta.entries();
				const notes = new Map(noted);
				const found = notes.get(VERSION);
				const known = found ?? version;
				if (typeof known !== 'number' || known > version)
					return { state: 'newer', version: known, raw: await records.entries() };
				if (known < version || noted.some(([key]) => isBatch(key)))
					await (await fetchWriting()).bringUp(ports, noted, known, version, migrations);
				if (found !== version) await meta.set(VERSION, version);
				epoch = notes.get(EPOCH);
				const maps = { rig: new Map(), trip: new Map(), point: new Map(), entry: new Map() };
				for (const { kind, value } of await readAll(notes.get(SOUND) as Sound | undefined))
					maps[kind].set(value.id, value as never);
				const emptied = notes.has(EMPTIED);
				const holds = Object.values(maps).some(({ size }) => size > 0);
				if (emptied && holds) await meta.remove(EMPTIED);
				return { state: 'open', records: maps, aside: await listAside(), emptied: emptied && !holds };
			}),
		get epoch() {
			return epoch;
		},
		update: (edits, since = epoch) =>
			turns(async () => (await fetchWriting()).writeEdits(ports, edits, since)),
		async reread(keys) {
			const found = await Promise.all(keys.map(async (key) => [key, await records.get(key)] as const));
			return (await checkedRecords()).recordsAmong(found);
		},
		aside: listAside,
		wipe: () =>
			turns(async () => {
				// From here on no other tab writes to what is being emptied.
				epoch = crypto.randomUUID();
				await (await fetchWriting()).wipeAll(ports, epoch, version);
			})
	};
}
