import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyEntries, entry, exactRig, freshStart } from '../../../tests/helpers/logbooks';
import { keepsTheContract } from './contract';
import { browserPort, memoryPort, recordStore, type Change, type KeyValuePort } from './index';

let stores = 0;
describe('in memory', () => keepsTheContract(() => memoryPort()));
describe('in the browser', () => keepsTheContract(() => browserPort(`contract${++stores}`)));

const ports = (records: KeyValuePort = memoryPort()) => ({
	records,
	meta: memoryPort(),
	aside: memoryPort()
});
const put = (value: Extract<Change, { kind: 'entry' }>['value']): Change => ({ kind: 'entry', value });
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
				await recordStore(here).write([{ kind: 'rig', value: exactRig }, ...entries.map(put)]);
				const { records } = await opened(recordStore(here));
				expect(records.rig.get('rig')).toEqual(exactRig);
				expect([...records.entry.values()].sort((a, b) => (a.id < b.id ? -1 : 1))).toEqual(
					[...entries].sort((a, b) => (a.id < b.id ? -1 : 1))
				);
			}),
			{ numRuns: 30 }
		));

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
		void recordStore({ ...here, records: dying }).write(two);
		await new Promise((resolve) => setTimeout(resolve, 20));
		expect((await here.records.entries()).length).toBe(1);
		expect((await opened(recordStore(here))).records.entry.size).toBe(2);
	});

	it('puts everything back when a batch fails half-way', async () => {
		const here = ports();
		const [first, second] = freshStart();
		await recordStore(here).write([put(first!)]);
		const full: KeyValuePort = {
			...here.records,
			setAll: async (values) => {
				await here.records.setAll(values.filter(([key]) => key !== `entry:${second!.id}`));
				throw new Error('full');
			}
		};
		await expect(
			recordStore({ ...here, records: full }).write([put({ ...first!, note: 'changed' }), put(second!)])
		).rejects.toThrow('full');
		expect([...(await opened(recordStore(here))).records.entry.values()]).toEqual([first]);
	});

	it('says when the disk is full, and keeps what was there', async () => {
		const here = ports();
		const [first] = freshStart();
		await recordStore(here).write([put(first!)]);
		const full: KeyValuePort = {
			...here.records,
			set: () => Promise.reject(new DOMException('full', 'QuotaExceededError'))
		};
		await expect(
			recordStore({ ...here, records: full }).write([put({ ...first!, note: 'more' })])
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
		await recordStore(here).write([
			put(entry({ kind: 'note', at: '2027-05-01T06:00:00Z', text: 'new' }, 'bad'))
		]);
		expect((await recordStore(here).aside()).map(({ value }) => value)).toContainEqual({
			id: 'bad',
			kind: 'fill'
		});
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
		await store.write(freshStart().map(put));
		const [first] = freshStart();
		const one = put(first!);
		await store.write([one]);
		expect(await store.reread([`entry:${first!.id}`, 'entry:gone'])).toEqual([one]);
		await store.wipe();
		expect((await opened(store)).records.entry.size).toBe(0);
	});
});
