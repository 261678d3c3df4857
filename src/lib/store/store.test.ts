import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyEntries, entry, exactRig, freshStart } from '../../../tests/helpers/logbooks';
import { keepsTheContract } from './contract';
import {
	browserPort,
	browserPortApart,
	memoryFiles,
	memoryPort,
	queuedTurns,
	recordStore,
	secondCopy,
	type Change,
	type Edit,
	type KeptCopy,
	type KeyValuePort,
	type RecordStore
} from './index';
import { withMarks } from './sound';

let stores = 0;

describe('in memory', () => keepsTheContract(() => memoryPort()));
describe('in the browser', () => keepsTheContract(() => browserPort(`contract${++stores}`)));
it('what is there is read although another tab has just made a newer database of it', async () => {
	const port = browserPort(`made${++stores}`);
	await port.set('a', 1);
	await new Promise<void>((resolve, reject) => {
		const open = indexedDB.open('dipsometer', 1000);
		open.onerror = () => reject(open.error ?? new Error('not opened'));
		open.onsuccess = () => {
			open.result.close();
			resolve();
		};
	});
	expect(await port.entries()).toEqual([['a', 1]]);
});

it('a tab that has read stands in nobody’s way when the database is taken away, and goes on with a new one', async () => {
	const read = browserPortApart(`gone${++stores}`);
	expect(await read.entries()).toEqual([]);
	await new Promise<void>((resolve, reject) => {
		const taken = indexedDB.deleteDatabase(`dipsometer-gone${stores}`);
		taken.onblocked = () => reject(new Error('this tab kept it'));
		taken.onsuccess = () => resolve();
	});
	expect(await read.get('a')).toBeUndefined();
	await read.set('a', 1);
	expect(await read.get('a')).toBe(1);
});

/** Where records are kept: there is a rig that entries are of. */
const ports = (records: KeyValuePort = memoryPort([['rig:rig', exactRig]])) => ({
	records,
	meta: memoryPort(),
	aside: memoryPort(),
	rules: 'this build'
});
type EntryChange = Extract<Change, { kind: 'entry' }>;
const put = (value: EntryChange['value']): EntryChange => ({ kind: 'entry', value });
/** Puts records as they are, whatever stands there. */
const write = (store: RecordStore, changes: readonly Change[]) =>
	store.update(changes.map(({ kind, value }) => ({ kind, id: value.id, make: () => value }) as Edit));
const opened = async (store: ReturnType<typeof recordStore>) => {
	const result = await store.open();
	if (result.state !== 'open') throw new Error('not open');
	return result;
};

describe('the record store', () => {
	it('gives back every record it was given', () =>
		fc.assert(
			fc.asyncProperty(anyEntries, async (entries) => {
				const here = ports();
				await write(recordStore(here), [{ kind: 'rig', value: exactRig }, ...entries.map(put)]);
				const { records } = await opened(recordStore(here));
				expect(records.rig.get('rig')).toEqual(exactRig);
				expect([...records.entry.values()].sort((a, b) => (a.id < b.id ? -1 : 1))).toEqual(
					[...entries].sort((a, b) => (a.id < b.id ? -1 : 1))
				);
			}),
			{ numRuns: 30 }
		));

	it('gives an edit the newest version, one after the other, and leaves alone what it leaves alone', async () => {
		const here = ports();
		const [first] = freshStart();
		await write(recordStore(here), [put(first!)]);
		const note = (text: string): Edit => ({
			kind: 'entry',
			id: first!.id,
			make: (newest) => newest && { ...newest, note: `${newest.note ?? ''}${text}` }
		});
		const nothing: Edit = { kind: 'entry', id: 'not there', make: (newest) => newest };
		expect(await recordStore(here).update([note('a'), note('b'), nothing])).toEqual([
			put({ ...first!, note: 'ab' })
		]);
		expect((await here.records.entries()).length).toBe(2);
	});

	it('lets one writer go at a time, so that no change is lost among tabs', async () => {
		const here = { ...ports(), turns: queuedTurns() };
		const [first] = freshStart();
		await write(recordStore(here), [put({ ...first!, note: '' })]);
		const tabs = Array.from({ length: 5 }, () => recordStore(here));
		const longer = (store: RecordStore) =>
			store.update([
				{ kind: 'entry', id: first!.id, make: (now) => now && { ...now, note: `${now.note}x` } }
			]);
		await Promise.all([...tabs, ...tabs].map(longer));
		expect((await opened(recordStore(here))).records.entry.get(first!.id)?.note).toBe('xxxxxxxxxx');
	});

	it('refuses to write where another tab has emptied the store, until it is opened anew', async () => {
		const here = ports();
		const [one, two] = [recordStore(here), recordStore(here)];
		const log: readonly Change[] = [{ kind: 'rig', value: exactRig }, ...freshStart().map(put)];
		await opened(one);
		await opened(two);
		await two.wipe();
		await expect(write(one, log)).rejects.toThrow(/wiped in another tab/);
		expect(await here.records.entries()).toEqual([]);
		await opened(one);
		await write(one, log);
		await write(two, log);
		expect((await opened(one)).records.entry.size).toBe(3);
	});

	it('refuses what waited for its turn while the store was emptied and opened anew, and an entry of no rig', async () => {
		const here = { ...ports(), turns: queuedTurns() };
		const [one, two] = [recordStore(here), recordStore(here)];
		await opened(one);
		const log: readonly Change[] = [{ kind: 'rig', value: exactRig }, ...freshStart().map(put)];
		const wiping = two.wipe();
		const reopening = opened(one);
		await expect(write(one, log)).rejects.toThrow(/wiped in another tab/);
		await Promise.all([wiping, reopening]);
		await expect(write(one, freshStart().map(put))).rejects.toThrow(/wiped in another tab/);
		expect(await here.records.entries()).toEqual([]);
	});

	it('finishes a batch that a crash cut short', async () => {
		const here = ports();
		const two = freshStart().slice(0, 2).map(put);
		const crash = new Promise<void>(() => {});
		const dying: KeyValuePort = {
			...here.records,
			setAll: async (values) => {
				await here.records.setAll(values.slice(0, 1));
				return crash;
			}
		};
		void write(recordStore({ ...here, records: dying }), two);
		await new Promise((resolve) => setTimeout(resolve, 20));
		expect((await here.records.entries()).length).toBe(2);
		expect((await opened(recordStore(here))).records.entry.size).toBe(2);
	});

	it('puts everything back when a batch fails half-way', async () => {
		const here = ports();
		const [first, second] = freshStart();
		await write(recordStore(here), [put(first!)]);
		const full: KeyValuePort = {
			...here.records,
			setAll: async (values) => {
				await here.records.setAll(values.filter(([key]) => key !== `entry:${second!.id}`));
				throw new Error('full');
			}
		};
		await expect(
			write(recordStore({ ...here, records: full }), [put({ ...first!, note: 'changed' }), put(second!)])
		).rejects.toThrow('full');
		expect([...(await opened(recordStore(here))).records.entry.values()]).toEqual([first]);
	});

	it('keeps what was written down of a batch when it can neither be finished nor put back, and finishes it later', async () => {
		const here = ports();
		const [first, second] = freshStart();
		await write(recordStore(here), [put(first!)]);
		const dead: KeyValuePort = {
			...here.records,
			set: () => Promise.reject(new Error('dead')),
			setAll: async (values) => {
				await here.records.setAll(values.slice(0, 1));
				throw new Error('dead');
			}
		};
		const store = recordStore({ ...here, records: dead });
		const both = [put({ ...first!, note: 'changed', edited: '2027-05-02T00:00:00Z' }), put(second!)];
		await expect(write(store, both)).rejects.toThrow('dead');
		// the disk is well again at the next start
		const { records } = await opened(recordStore(here));
		expect(records.entry.get(first!.id)?.note).toBe('changed');
		expect(records.entry.size).toBe(2);
		expect((await here.meta.entries()).filter(([key]) => key.startsWith('batch:'))).toEqual([]);
	});

	it('an old batch does not undo a later change', async () => {
		const here = ports();
		const [first] = freshStart();
		const later = { ...first!, note: 'later', edited: '2027-05-03T00:00:00Z' };
		await write(recordStore(here), [put(later)]);
		const stale = { ...first!, note: 'stale', edited: '2027-05-02T00:00:00Z' };
		await here.meta.set('batch:old', [[`entry:${first!.id}`, stale]]);
		expect((await opened(recordStore(here))).records.entry.get(first!.id)).toEqual(later);
	});

	it('says when the disk is full, and keeps what was there', async () => {
		const here = ports();
		const [first] = freshStart();
		await write(recordStore(here), [put(first!)]);
		const full: KeyValuePort = {
			...here.records,
			set: () => Promise.reject(new DOMException('full', 'QuotaExceededError'))
		};
		await expect(
			write(recordStore({ ...here, records: full }), [put({ ...first!, note: 'more' })])
		).rejects.toThrow('full');
		expect((await opened(recordStore(here))).records.entry.get(first!.id)).toEqual(first);
	});

	it('sets aside what it cannot read, says why, and does not overwrite it', async () => {
		const here = ports(
			memoryPort([
				['entry:bad', { id: 'bad', kind: 'fill' }],
				['rig:rig', exactRig],
				['odd', 1]
			])
		);
		const result = await opened(recordStore(here));
		expect(result.records.rig.size).toBe(1);
		expect(result.aside.map(({ key, value }) => [key, value])).toEqual(
			expect.arrayContaining([
				['entry:bad', { id: 'bad', kind: 'fill' }],
				['odd', 1]
			])
		);
		expect(result.aside.find(({ key }) => key === 'entry:bad')?.problems[0]?.path).toBe('$.rig');
		await write(recordStore(here), [
			put(entry({ kind: 'note', at: '2027-05-01T06:00:00Z', text: 'new' }, 'bad'))
		]);
		expect((await recordStore(here).aside()).map(({ value }) => value)).toContainEqual({
			id: 'bad',
			kind: 'fill'
		});
	});

	it('looks at records again only where one has become another, or another build looks', async () => {
		const here = ports();
		const [first, second] = freshStart();
		await opened(recordStore(here));
		await write(recordStore(here), [{ kind: 'rig', value: exactRig }, put(first!), put(second!)]);
		await write(recordStore(here), [put({ ...first!, note: 'changed' })]);
		// what no rule would let pass, under a sum that says it was looked at
		const sound = (await here.meta.get('sound')) as { by: string; sum: number };
		expect(sound).toEqual({ by: 'this build', sum: withMarks(0, await here.records.entries()) });
		const odd = ['entry:odd', { id: 'odd', kind: 'fill' }] as const;
		await here.records.set(...odd);
		await here.meta.set('sound', { ...sound, sum: withMarks(sound.sum, [odd]) });
		expect((await opened(recordStore(here))).records.entry.size).toBe(3);
		const other = await opened(recordStore({ ...here, rules: 'another build' }));
		expect(other.records.entry.size).toBe(2);
		expect(other.aside.map(({ key }) => key)).toEqual(['entry:odd']);
		// the same by a change behind its back
		await opened(recordStore(here));
		await here.records.set(...odd);
		expect((await opened(recordStore(here))).records.entry.size).toBe(2);
	});

	it('leaves a store of a later version alone', async () => {
		const here = ports(memoryPort([['rig:rig', { future: true }]]));
		await here.meta.set('version', 99);
		expect(await recordStore(here).open()).toEqual({
			state: 'newer',
			version: 99,
			raw: [['rig:rig', { future: true }]]
		});
		expect(await here.records.get('rig:rig')).toEqual({ future: true });
	});

	it('migrates a store of an earlier version, step by step', async () => {
		const here = ports(memoryPort([['rig:rig', { ...exactRig, crew: undefined, people: 2 }]]));
		await here.meta.set('version', 1);
		const rename = {
			from: 1,
			migrate: (records: readonly (readonly [string, unknown])[]) =>
				records.map(
					([key, value]) =>
						[key, { ...(value as object), crew: (value as { people: number }).people }] as const
				)
		};
		const { records, aside } = await opened(recordStore(here, [rename], 2));
		expect(records.rig.get('rig')?.crew).toBe(2);
		expect(aside).toEqual([]);
		expect(await here.meta.get('version')).toBe(2);
		await expect(recordStore(here, [], 3).open()).rejects.toThrow(/no migration of the store from version 2/);
	});

	it('rereads for another tab, and wipes', async () => {
		const here = ports();
		const store = recordStore(here);
		await write(store, freshStart().map(put));
		const [first] = freshStart();
		const one = put(first!);
		await write(store, [one]);
		expect(await store.reread([`entry:${first!.id}`, 'entry:gone'])).toEqual([one]);
		await store.wipe();
		expect((await opened(store)).records.entry.size).toBe(0);
	});
});

describe('the second copy', () => {
	const kept = (id: string, note: string, edited?: string): KeptCopy => [
		`entry:${id}`,
		{ id, note, ...(edited ? { edited } : {}) }
	];
	it('gives back the latest of everything that was noted, by edit and then by turn', async () => {
		const copy = secondCopy(memoryFiles(), queuedTurns());
		await copy.add([kept('a', 'one', '2027-05-02T00:00:00Z'), kept('b', 'only')]);
		await copy.add([kept('a', 'older', '2027-05-01T00:00:00Z')]);
		await copy.add([kept('b', 'again')]);
		expect(new Map(await copy.read())).toEqual(
			new Map([kept('a', 'one', '2027-05-02T00:00:00Z'), kept('b', 'again')])
		);
		await copy.clear();
		expect(await copy.read()).toEqual([]);
	});
	it('is gathered into few files, from several tabs too, and nothing is lost', async () => {
		const files = memoryFiles();
		const turns = queuedTurns();
		const tabs = [secondCopy(files, turns), secondCopy(files, turns)];
		for (let i = 0; i < 260; i++) await tabs[i % 2]?.add([kept(`e${i}`, String(i))]);
		expect((await files.names()).length).toBeLessThan(150);
		expect(await tabs[0]?.read()).toHaveLength(260);
	});
	it('is gathered though no tab ever writes many', async () => {
		const files = memoryFiles();
		for (let day = 0; day < 150; day++) {
			const copy = secondCopy(files, queuedTurns());
			await copy.missing([]);
			await copy.add([kept(`e${day}`, 'x')]);
		}
		expect((await files.names()).length).toBeLessThan(110);
		expect(await secondCopy(files, queuedTurns()).read()).toHaveLength(150);
	});
	it('passes over a file that was cut short', async () => {
		const files = memoryFiles();
		const copy = secondCopy(files, queuedTurns());
		await copy.add([kept('a', 'one')]);
		await files.write('part-torn', '[["entry:b", {"id"');
		await files.write('part-odd', '{"no": "list"}');
		expect(await copy.read()).toEqual([kept('a', 'one')]);
	});
	it('a crash while gathering leaves things twice, and they are read once', async () => {
		const files = memoryFiles();
		const copy = secondCopy({ ...files, remove: () => Promise.reject(new Error('crash')) }, queuedTurns());
		await expect(
			(async () => {
				for (let i = 0; i < 101; i++) await copy.add([kept(`e${i}`, 'x'), kept('same', String(i))]);
				for (let i = 0; i < 99; i++) await copy.add([kept(`f${i}`, 'x')]);
			})()
		).rejects.toThrow('crash');
		const read = new Map(await secondCopy(files, queuedTurns()).read());
		expect(read.get('entry:same')).toMatchObject({ note: '100' });
		expect([...read.keys()].filter((key) => key.startsWith('entry:e'))).toHaveLength(101);
	});
});
