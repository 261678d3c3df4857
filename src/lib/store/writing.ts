import { keyOf } from '$core/logbook';
import type { Batch } from './batch';
import { journal } from './journal';
import { migrate, type Migration } from './migrate';
import { EMPTIED, EPOCH, SOUND, VERSION } from './notes';
import {
	checkedRecords,
	EmptiedElsewhere,
	type Change,
	type Edit,
	type KeptAside,
	type Ports
} from './records';
import { withMarks, type Sound } from './sound';

const WIPED = 'the logbook in this browser was wiped in another tab';

async function setAside({ meta, aside, records }: Ports, kept: KeptAside): Promise<void> {
	await meta.remove(SOUND);
	// The copy first: a crash between the two leaves it twice, never nowhere.
	await aside.set(`${Date.now()}|${kept.key}`, kept);
	await records.remove(kept.key);
}

type Checked = Awaited<ReturnType<typeof checkedRecords>>;

/** The record that stands at a key; what is none is set aside. */
async function lookedAt(
	{ storedRecordOf, isChange }: Checked,
	ports: Ports,
	key: string,
	value: unknown
): Promise<Change | undefined> {
	const found = storedRecordOf(key, value);
	if (isChange(found)) return found;
	await setAside(ports, { key, value, problems: found });
	return undefined;
}

/** Those that are records; the others are set aside. */
export async function goodAmong(ports: Ports, all: Batch): Promise<readonly Change[]> {
	const checked = await checkedRecords();
	const good: Change[] = [];
	for (const [key, value] of all) {
		const found = await lookedAt(checked, ports, key, value);
		if (found) good.push(found);
	}
	return good;
}

/** Finishes a batch that a crash cut short, and takes the records from the version they are of to this one. */
export async function bringUp(
	{ records, meta }: Ports,
	noted: Batch,
	known: number,
	version: number,
	migrations?: readonly Migration[]
): Promise<void> {
	const { finish, write } = journal(records, meta);
	await finish(noted);
	if (known < version) await write(migrate(await records.entries(), known, version, migrations));
}

/** The sum as it will be; it goes before what is written, so that all is looked at again where that fails or a crash comes between. */
async function foreseeSound({ meta, rules }: Ports, before: Batch, after: Batch): Promise<void> {
	const sound = (await meta.get(SOUND)) as Sound | undefined;
	if (sound && sound.by === rules)
		await meta.set(SOUND, { ...sound, sum: withMarks(withMarks(sound.sum, before, -1), after) });
}

/** What edits come to, each made to the newest record, one after the other; and what stood there before. */
async function made(ports: Ports, edits: readonly Edit[]): Promise<readonly [readonly Change[], Batch]> {
	const keys = [...new Set(edits.map(({ kind, id }) => `${kind}:${id}`))];
	const newest = new Map<string, Change | undefined>();
	const before = await journal(ports.records, ports.meta).standing(keys);
	const stood = before.filter(([, value]) => value !== undefined);
	// What is new needs no rules to be looked at by, and does not wait for them.
	if (stood.length > 0) {
		const checked = await checkedRecords();
		for (const [key, value] of stood) newest.set(key, await lookedAt(checked, ports, key, value));
	}
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
}

/** Whether the rig of each new entry is there, or comes with it: what was begun in a logbook that is gone is on no screen. */
async function haveTheirRig(
	{ records, meta }: Ports,
	changes: readonly Change[],
	before: Batch
): Promise<boolean> {
	const fresh = new Set(before.flatMap(([key, value]) => (value === undefined ? [key] : [])));
	const coming = new Set(changes.map(keyOf));
	const rigs = changes.flatMap((change) =>
		change.kind === 'entry' && fresh.has(keyOf(change)) ? [`rig:${change.value.rig}`] : []
	);
	const asked = [...new Set(rigs)].filter((key) => !coming.has(key));
	return (await journal(records, meta).standing(asked)).every(([, rig]) => rig !== undefined);
}

/** Does edits to the newest records; see `RecordStore.update`. */
export async function writeEdits(
	ports: Ports,
	edits: readonly Edit[],
	since: unknown
): Promise<readonly Change[]> {
	const { records, meta } = ports;
	// This tab may have heard of the wipe while these edits waited for their turn: they are of the logbook before it.
	if ((await meta.get(EPOCH)) !== since) throw new EmptiedElsewhere(WIPED);
	const [changes, before] = await made(ports, edits);
	if (!(await haveTheirRig(ports, changes, before))) throw new EmptiedElsewhere(WIPED);
	const batch = changes.map((change) => [keyOf(change), change.value] as const);
	const [only] = batch;
	if (only) await foreseeSound(ports, before, batch);
	if (batch.length === 1 && only) await records.set(...only);
	else if (batch.length > 1) await journal(records, meta).write(batch);
	return changes;
}

/** Empties the store. @param epoch names what it will hold; it is written first */
export async function wipeAll(
	{ records, meta, aside }: Ports,
	epoch: unknown,
	version: number
): Promise<void> {
	await meta.set(EPOCH, epoch);
	await meta.set(EMPTIED, true);
	await records.clear();
	await aside.clear();
	await journal(records, meta).forget();
	await meta.remove(SOUND);
	await meta.set(VERSION, version);
}
