// @vitest-environment ./tests/helpers/runes.ts
import { afterEach, describe, expect, it } from 'vitest';
import { assess } from '$core/assess';
import { estimate } from '$core/estimate';
import type { Entry, EntryDraft, Logbook, Rig } from '$core/logbook';
import { memoryPort, recordStore, type Change, type KeyValuePort, type RecordStore } from '$lib/store';
import type { Engine, Question } from '$lib/workers/engine';
import type { Remote } from 'comlink';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks';
import { App } from './app.svelte';
import { Preferences } from './prefs.svelte';

const boat: Rig = { ...exactRig, id: 'boat', name: 'Paper boat', kind: 'boat' };
const start: Logbook = { ...logbookOf(freshStart(), exactRig, [exactTrip]), rigs: [exactRig, boat] };

/** The engine without a worker; `hold` keeps its answers back until they are let go. */
function engineHere() {
	let book = start;
	const waiting: (() => void)[] = [];
	let holding = false;
	const listOf = { rig: 'rigs', trip: 'trips', point: 'points', entry: 'entries' } as const;
	const engine = {
		load: async (whole: Logbook) => void (book = whole),
		change: async (changes: readonly Change[]) => {
			for (const { kind, value } of changes) {
				const others = (book[listOf[kind]] as readonly { id: string }[]).filter(({ id }) => id !== value.id);
				book = { ...book, [listOf[kind]]: [...others, value] };
			}
		},
		assess: async ({ rig, atMs, timeZone }: Question) => {
			const answer = assess(estimate(book, rig, atMs), book, { timeZone, paths: 20 });
			if (holding) await new Promise<void>((go) => waiting.push(go));
			return answer;
		}
	};
	return {
		engine: engine as unknown as Remote<Engine>,
		hold: () => void (holding = true),
		letGo: () => {
			holding = false;
			for (const go of waiting.splice(0).reverse()) go();
		}
	};
}

const apps: App[] = [];
afterEach(() => apps.splice(0).forEach((app) => app.close()));

const portsOf = (records = memoryPort()) => ({ records, meta: memoryPort(), aside: memoryPort() });
const put = (logbook: Logbook): readonly Change[] => [
	...logbook.rigs.map((value): Change => ({ kind: 'rig', value })),
	...logbook.trips.map((value): Change => ({ kind: 'trip', value })),
	...logbook.entries.map((value): Change => ({ kind: 'entry', value }))
];

async function opened(store: RecordStore, engine = engineHere()): Promise<App> {
	const app = new App(store, engine.engine, new Preferences(memoryPort()));
	apps.push(app);
	await app.start();
	return app;
}
/** An application on a store that holds the start, and the store's ports. */
async function begun(engine = engineHere()) {
	const ports = portsOf();
	await recordStore(ports).write(put(start));
	return { ports, app: await opened(recordStore(ports), engine) };
}
const wash: EntryDraft = { kind: 'use', at: '2027-05-01T08:00:00Z', habit: 'dishes', times: 1 };
const storedIn = async (ports: ReturnType<typeof portsOf>): Promise<ReadonlyMap<string, Entry>> => {
	const found = await recordStore(ports).open();
	if (found.state !== 'open') throw new Error('not open');
	return found.records.entry;
};

describe('what a person does', () => {
	it('is in the store before it is called done, and is there after a new start', async () => {
		const { app, ports } = await begun();
		expect(app.phase).toBe('ready');
		expect(await app.log(wash, 'Dishes')).toBe(true);
		expect((await storedIn(ports)).size).toBe(start.entries.length + 1);
		const again = await opened(recordStore(ports));
		expect(new Set(again.entries.map(({ id }) => id))).toEqual(new Set(app.entries.map(({ id }) => id)));
	});
	it('is undone by voiding, never by erasing, and done again', async () => {
		const { app, ports } = await begun();
		await app.log(wash, 'Dishes');
		const id = app.entries.at(-1)?.id ?? '';
		expect((await app.undo())?.label).toBe('Dishes');
		expect((await storedIn(ports)).get(id)?.void).toBe(true);
		await app.redo();
		expect((await storedIn(ports)).get(id)).not.toHaveProperty('void');
		expect((await app.undo())?.label).toBe('Dishes');
		expect(await app.undo()).toBeUndefined();
	});
	it('a change of the rig goes back to what stood before, as the later edit', async () => {
		const { app } = await begun();
		await app.save({ kind: 'rig', value: { ...exactRig, crew: 4 } }, 'Crew');
		expect(app.rig?.crew).toBe(4);
		const edited = app.rig?.edited ?? '';
		await app.undo();
		expect(app.rig?.crew).toBe(2);
		expect((app.rig?.edited ?? '') > edited).toBe(true);
	});
	it('a finding is mended: an entry is moved, trusted, voided or added', async () => {
		const { app } = await begun();
		await app.log(wash, 'Dishes');
		const id = app.entries.at(-1)?.id ?? '';
		const now = () => app.entries.find((one) => one.id === id);
		await app.mend({ kind: 'move', entry: id, at: '2027-05-02T08:00:00Z' }, 'Move');
		expect(now()?.at).toBe('2027-05-02T08:00:00Z');
		await app.mend({ kind: 'void', entry: id }, 'Void');
		expect(now()?.void).toBe(true);
		expect(await app.mend({ kind: 'void', entry: 'nothing' }, 'Void')).toBe(false);
		const before = app.entries.length;
		await app.mend({ kind: 'add', draft: { kind: 'fill', at: wash.at, tank: 'main', to: 'full' } }, 'Add');
		expect(app.entries).toHaveLength(before + 1);
		expect(app.entries.at(-1)).toMatchObject({ rig: 'rig', source: 'hand' });
	});
});

describe('what a person chose', () => {
	it('is seen once it is kept; choices made at once do not undo each other', async () => {
		const port = memoryPort();
		const slow: KeyValuePort = {
			...port,
			set: async (key, value) => {
				await new Promise((resolve) => setTimeout(resolve, 5));
				return port.set(key, value);
			}
		};
		const prefs = new Preferences(slow);
		const choosing = Promise.all([prefs.set({ theme: 'night' }), prefs.set({ by: 'Ada' })]);
		expect(prefs.current.theme).toBe('day');
		await choosing;
		expect(prefs.current).toMatchObject({ theme: 'night', by: 'Ada' });
		const again = new Preferences(port);
		await again.load();
		expect(again.current).toEqual(prefs.current);
	});
	it('is shown all the same where nothing can be kept', async () => {
		const full = { ...memoryPort(), set: () => Promise.reject(new Error('full')) };
		const prefs = new Preferences(full);
		await expect(prefs.set({ theme: 'dusk' })).rejects.toThrow('full');
		expect(prefs.current.theme).toBe('dusk');
		await expect(prefs.set({ by: 'Ada' })).rejects.toThrow('full');
		expect(prefs.current).toMatchObject({ theme: 'dusk', by: 'Ada' });
		const ports = portsOf();
		await recordStore(ports).write(put(start));
		const app = new App(recordStore(ports), engineHere().engine, prefs);
		apps.push(app);
		await app.start();
		await app.openRig('boat');
		expect(app.rig?.id).toBe('boat');
		expect(app.trouble).toMatch(/could not be kept: full/);
	});
});

describe('when the disk is full', () => {
	const full = (records: KeyValuePort): KeyValuePort => ({
		...records,
		set: () => Promise.reject(new DOMException('full', 'QuotaExceededError')),
		setAll: () => Promise.reject(new DOMException('full', 'QuotaExceededError'))
	});
	it('the entry stays on screen, is said, and is stored when tried again', async () => {
		const ports = portsOf();
		await recordStore(ports).write(put(start));
		const engine = engineHere();
		const store = { ...recordStore({ ...ports, records: full(ports.records) }) };
		const working = recordStore(ports);
		const app = await opened({ ...working, write: (changes) => store.write(changes) } as RecordStore, engine);
		expect(await app.log(wash, 'Dishes')).toBe(false);
		expect(app.trouble).toMatch(/disk is full/);
		expect(app.entries).toHaveLength(start.entries.length + 1);
		expect(app.unsaved).toHaveLength(1);
		expect((await storedIn(ports)).size).toBe(start.entries.length);
		store.write = (changes) => working.write(changes);
		await app.retry();
		expect(app.trouble).toBeUndefined();
		expect((await storedIn(ports)).size).toBe(start.entries.length + 1);
	});
});

describe('two tabs', () => {
	it('stay in step, and a wipe in one empties the other', async () => {
		const { app: one, ports } = await begun();
		const two = await opened(recordStore(ports));
		await one.log(wash, 'Dishes');
		await expect.poll(() => two.entries.length).toBe(one.entries.length);
		await two.wipe();
		await expect.poll(() => one.phase).toBe('first-run');
		expect(one.entries).toEqual([]);
		expect(one.history.done).toEqual([]);
	});
});

describe('what the engine says', () => {
	it('is of the rig in view; an answer about another one is never shown', async () => {
		const engine = engineHere();
		const { app } = await begun(engine);
		expect(app.assessment?.rig).toBe('rig');
		engine.hold();
		const opening = app.openRig('boat');
		await expect.poll(() => app.rig?.id).toBe('boat');
		expect(app.assessment).toBeUndefined();
		engine.letGo();
		await opening;
		expect(app.assessment?.rig).toBe('boat');
	});
	it('a late answer to an earlier question is dropped', async () => {
		const engine = engineHere();
		const { app } = await begun(engine);
		engine.hold();
		const early = app.refresh();
		app.nowMs += 3_600_000;
		const late = app.refresh();
		await new Promise((resolve) => setTimeout(resolve, 20));
		// both are let go, the later question first
		engine.letGo();
		await Promise.all([early, late]);
		expect(app.assessment?.atMs).toBe(app.nowMs);
	});
	it('a failure is said, and the next answer takes it back', async () => {
		const engine = engineHere();
		const { app } = await begun(engine);
		const { assess: works } = engine.engine;
		Object.assign(engine.engine, { assess: () => Promise.reject(new Error('no memory')) });
		await app.refresh();
		expect(app.engineTrouble).toBe('no memory');
		Object.assign(engine.engine, { assess: works });
		await app.refresh();
		expect(app.engineTrouble).toBeUndefined();
	});
});

describe('another logbook', () => {
	it('is taken in by id, the later edit winning, and taking it in twice changes nothing more', async () => {
		const { app } = await begun();
		const first = start.entries[0]!;
		const theirs: Logbook = {
			...start,
			entries: [{ ...first, note: 'theirs', edited: '2027-06-01T00:00:00Z' }, entry(wash, 'from-elsewhere')]
		};
		expect(await app.merge(theirs)).toBe(true);
		expect(app.entries.find(({ id }) => id === first.id)?.note).toBe('theirs');
		expect(app.entries.some(({ id }) => id === 'from-elsewhere')).toBe(true);
		const deeds = app.history.done.length;
		await app.merge(theirs);
		expect(app.history.done).toHaveLength(deeds);
	});
	it('a store that a later version wrote is shown for saving, and never written to', async () => {
		const ports = portsOf();
		await ports.meta.set('version', 999);
		const app = await opened(recordStore(ports));
		expect(app.phase).toBe('newer-store');
		expect(app.raw).toEqual([]);
	});
});
