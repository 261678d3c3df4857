import { fnv1a } from '../../numerics/index.js';
import {
	keyOf,
	LIST_OF,
	RECORD_KINDS,
	type AnyRecord,
	type Kept,
	type RecordKind,
	type RecordTypes
} from '../kinds.js';
import type { Logbook } from '../types.js';
import { canonical } from '../revisions/canonical.js';
import { joined, lastOf, type Stamp, type VersionVector } from './vector.js';

/** All records of a logbook, list after list. */
export const recordsOf = (logbook: Logbook): readonly Kept[] =>
	RECORD_KINDS.flatMap((kind) =>
		(logbook[LIST_OF[kind]] as readonly AnyRecord[]).map((value) => ({ kind, value }) as Kept)
	);

/** The lists that a logbook is made of. */
export type Lists = Pick<Logbook, 'rigs' | 'trips' | 'points' | 'entries'>;

/** Records as the lists of a logbook. */
export function listsOf(records: readonly Kept[]): Lists {
	const of = <K extends RecordKind>(kind: K): readonly RecordTypes[K][] =>
		records.flatMap((one) => (one.kind === kind ? [one.value as RecordTypes[K]] : []));
	return { rigs: of('rig'), trips: of('trip'), points: of('point'), entries: of('entry') };
}

/** What a record came with last, and a mark of what it was then. */
export interface Stamped extends Stamp {
	readonly mark: number;
}

/** An earlier version of a record, for joining two that were changed apart. */
export interface Version extends Stamp {
	readonly value: AnyRecord;
}

/**
 * Which change each record of this device's logbook last came with. Changes are numbered when something is handed over, not
 * when they are made: all that has become another since the last time has one number.
 */
export interface ChangeLog {
	/** this device */
	readonly device: string;
	/** what is known here, this device's own changes included */
	readonly known: VersionVector;
	/** by key */
	readonly stamps: ReadonlyMap<string, Stamped>;
	/** earlier versions of rigs, trips and points, newest last, by key */
	readonly versions: ReadonlyMap<string, readonly Version[]>;
}

/** A device that has numbered nothing yet. */
export const newChangeLog = (device: string): ChangeLog => ({
	device,
	known: {},
	stamps: new Map(),
	versions: new Map()
});

const LENGTHS = 2 ** 20;
/** Tells whether a record has become another: its text's hash and length. Two texts share it once in four thousand million. */
export function markOf(value: AnyRecord): number {
	// Whatever the order in which a store or a parser gives its fields.
	const text = canonical(value);
	return fnv1a(text) * LENGTHS + (text.length % LENGTHS);
}

/** So many earlier versions of a record are kept. */
const MOST_VERSIONS = 8;

const withVersion = (
	versions: readonly Version[] | undefined,
	{ kind, value }: Kept,
	{ device, change }: Stamp
): readonly Version[] | undefined =>
	kind === 'entry' ? undefined : [...(versions ?? []), { device, change, value }].slice(-MOST_VERSIONS);

/**
 * Whether a log is of a logbook: all that it has numbered is there. A store that was lost and filled again, or wiped, has less; what
 * such a log says is known is not there.
 */
export function isOf({ stamps }: ChangeLog, logbook: Logbook): boolean {
	const there = new Set(recordsOf(logbook).map(keyOf));
	return [...stamps.keys()].every((key) => there.has(key));
}

/** Numbers what has become another since the last time: one change of this device for all of it. */
export function numbered(log: ChangeLog, logbook: Logbook): ChangeLog {
	const { device, known } = log;
	const change = lastOf(known, device) + 1;
	const [stamps, versions] = [new Map(log.stamps), new Map(log.versions)];
	let any = false;
	for (const record of recordsOf(logbook)) {
		const [key, mark] = [keyOf(record), markOf(record.value)];
		if (stamps.get(key)?.mark === mark) continue;
		any = true;
		stamps.set(key, { device, change, mark });
		const kept = withVersion(versions.get(key), record, { device, change });
		if (kept) versions.set(key, kept);
	}
	return any ? { ...log, known: joined(known, { [device]: change }), stamps, versions } : log;
}

/**
 * Notes what was taken in: records that are here as they came keep the numbers that they came with. What became another on the way
 * is this device's own change, and is numbered with the next ones.
 *
 * @param came the records as they came, each with its number
 * @param logbook what is here now
 */
export function noted(
	log: ChangeLog,
	came: readonly { readonly record: Kept; readonly stamp: Stamp }[],
	logbook: Logbook,
	known: VersionVector
): ChangeLog {
	const here = new Map(recordsOf(logbook).map((record) => [keyOf(record), record]));
	const [stamps, versions] = [new Map(log.stamps), new Map(log.versions)];
	for (const { record, stamp } of came) {
		const key = keyOf(record);
		const kept = here.get(key);
		const earlier = withVersion(versions.get(key), record, stamp);
		if (earlier) versions.set(key, earlier);
		if (!kept || canonical(kept.value) !== canonical(record.value)) continue;
		stamps.set(key, { ...stamp, mark: markOf(kept.value) });
	}
	return { ...log, known, stamps, versions };
}
