import {
	keyOf,
	RECORD_KINDS,
	type Kept,
	type Problem,
	type RecordKind,
	type RecordTypes
} from '$core/logbook';
import { journal, type Batch } from './journal';
import { migrate, STORE_VERSION, type Migration } from './migrate';
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

const WIPED = 'the logbook in this browser was wiped in another tab';

/** What is known of the records as they were looked at last; see `Sound`. */
const SOUND = 'sound';
/** Names what the store holds since it was last emptied. */
const EPOCH = 'epoch';
/** Stands from a wipe until there is a logbook again: a store without it that holds nothing has lost what it held. */
const EMPTIED = 'emptied';

/** The kind of record that a key is of. */
export const kindOf = (key: string): RecordKind | undefined =>
	RECORD_KINDS.find((kind) => key.startsWith(`${kind}:`));

/** The rules of the contract, for values that are not known to be records; they are loaded where something must be looked at. */
export const checkedRecords = (): Promise<Checked> => import('./checked');
type Checked = typeof import('./checked');

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
	const { standing, write, finish, forget } = journal(records, meta);
	const setAside = async (kept: KeptAside): Promise<void> => {
		await meta.remove(SOUND);
		// The copy first: a crash between the two leaves it twice, never nowhere.
		await aside.set(`${Date.now()}|${kept.key}`, kept);
		await records.remove(kept.key);
	};
	const listAside = async (): Promise<readonly KeptAside[]> =>
		(await aside.entries()).map(([, value]) => value as KeptAside);
	/** The record that stands at a key; what is none is set aside. */
	const lookedAt = async (
		{ storedRecordOf, isChange }: Checked,
		key: string,
		value: unknown
	): Promise<Change | undefined> => {
		const found = storedRecordOf(key, value);
		if (isChange(found)) return found;
		await setAside({ key, value, problems: found });
		return undefined;
	};
	const read = async (key: string, value: unknown): Promise<Change | undefined> =>
		value === undefined ? undefined : lookedAt(await checkedRecords(), key, value);
	/** Those that are records; the others are set aside. On a first visit there are none, and no rules to fetch for them. */
	const goodAmong = async (all: Batch): Promise<readonly Change[]> => {
		if (all.length === 0) return [];
		const checked = await checkedRecords();
		const good: Change[] = [];
		for (const [key, value] of all) {
			const found = await lookedAt(checked, key, value);
			if (found) good.push(found);
		}
		return good;
	};
	/** All records, each looked at unless it is known that nothing has changed since they were. */
	const readAll = async (sound: Sound | undefined): Promise<readonly Change[]> => {
		const all = await records.entries();
		if (rules !== undefined && sound?.by === rules && sound.sum === withMarks(0, all))
			return all.map(([key, value]) => ({ kind: kindOf(key), value }) as Change);
		const good = await goodAmong(all);
		if (rules !== undefined && good.length === all.length)
			await meta.set(SOUND, { by: rules, sum: withMarks(0, all) } satisfies Sound);
		return good;
	};
	/** The sum as it will be; it goes before what is written, so that all is looked at again where that fails or a crash comes between. */
	const foreseeSound = async (before: Batch, after: Batch): Promise<void> => {
		const sound = (await meta.get(SOUND)) as Sound | undefined;
		if (sound && sound.by === rules)
			await meta.set(SOUND, { ...sound, sum: withMarks(withMarks(sound.sum, before, -1), after) });
	};
	/** What edits come to, each made to the newest record, one after the other; and what stood there before. */
	const made = async (edits: readonly Edit[]): Promise<readonly [readonly Change[], Batch]> => {
		const keys = [...new Set(edits.map(({ kind, id }) => `${kind}:${id}`))];
		const newest = new Map<string, Change | undefined>();
		const before = await standing(keys);
		for (const [key, value] of before) newest.set(key, await read(key, value));
		const changed = new Map<string, Change>();
		for (const { kind, id, make } of edits) {
			const key = `${kind}:${id}`;
			const value = (make as (newest: unknown) => unknown)(newest.get(key)?.value);
			if (value === undefined) continue;
			const change = { kind, value } as Change;
			newest.set(key, change);
			changed.set(key, change);
		}
		return [[...changed.values()], before.filter(([key]) => changed.has(key))];
	};
	/** Whether the rig of each new entry is there, or comes with it: what was begun in a logbook that is gone is on no screen. */
	const haveTheirRig = async (changes: readonly Change[], before: Batch): Promise<boolean> => {
		const fresh = new Set(before.flatMap(([key, value]) => (value === undefined ? [key] : [])));
		const coming = new Set(changes.map(keyOf));
		const rigs = changes.flatMap((change) =>
			change.kind === 'entry' && fresh.has(keyOf(change)) ? [`rig:${change.value.rig}`] : []
		);
		const asked = [...new Set(rigs)].filter((key) => !coming.has(key));
		return (await standing(asked)).every(([, rig]) => rig !== undefined);
	};
	return {
		open: () =>
			turns(async () => {
				// All notes in one answer: each question to the browser's database takes as long as reading a hundred records.
				const noted = await meta.entries();
				const notes = new Map(noted);
				const found = notes.get('version');
				const known = found ?? version;
				if (typeof known !== 'number' || known > version)
					return { state: 'newer', version: known, raw: await records.entries() };
				await finish(noted);
				if (known < version) await write(migrate(await records.entries(), known, version, migrations));
				if (found !== version) await meta.set('version', version);
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
			turns(async () => {
				// This tab may have heard of the wipe while these edits waited for their turn: they are of the logbook before it.
				if ((await meta.get(EPOCH)) !== since) throw new EmptiedElsewhere(WIPED);
				const [changes, before] = await made(edits);
				if (!(await haveTheirRig(changes, before))) throw new EmptiedElsewhere(WIPED);
				const batch = changes.map((change) => [keyOf(change), change.value] as const);
				const [only] = batch;
				if (only) await foreseeSound(before, batch);
				if (batch.length === 1 && only) await records.set(...only);
				else if (batch.length > 1) await write(batch);
				return changes;
			}),
		async reread(keys) {
			const found = await Promise.all(keys.map(async (key) => [key, await records.get(key)] as const));
			return (await checkedRecords()).recordsAmong(found);
		},
		aside: listAside,
		wipe: () =>
			turns(async () => {
				// The new epoch first: from here on no other tab writes to what is being emptied.
				epoch = crypto.randomUUID();
				await meta.set(EPOCH, epoch);
				await meta.set(EMPTIED, true);
				await records.clear();
				await aside.clear();
				await forget();
				await meta.remove(SOUND);
				await meta.set('version', version);
			})
	};
}
