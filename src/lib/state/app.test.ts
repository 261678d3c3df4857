import { DAY_MS, HOUR_MS, MINUTE_MS } from '$core/time';
import { describe, expect, it } from 'vitest';
import { parseLogbook, readable, type Entry, type EntryDraft, type Logbook } from '$core/logbook';
import { withTrials } from '$core/rig';
import { METRIC } from '$core/units';
import { takeIn } from '$lib/engine/logbookReader';
import { memoryPort, recordStore, type Edit, type KeyValuePort } from '$lib/store';
import { engineHere } from '../../../tests/helpers/engine';
import { entry, exactRig, logbookOf } from '../../../tests/helpers/logbooks';
import { begun, browser, putting, start, tab, type Browser } from '../../../tests/helpers/tab';
import { App } from './app.svelte';
import { Commands } from './commands.svelte';
import { followChoices, forgetChoices } from './choosing';
import { isFileOld } from './fileAge';
import { Preferences } from './prefs.svelte';
import { Presence } from './presence.svelte';

const wash: EntryDraft = { kind: 'use', at: '2027-05-01T08:00:00Z', habit: 'dishes', times: 1 };
const storedIn = async ({ ports }: Browser) => {
	const found = await recordStore(ports).open();
	if (found.state !== 'open') throw new Error('not open');
	return found.records;
};
const lastOf = (app: App): Entry => app.records.entries.at(-1)!;

describe('what a person does', () => {
	it('is in the store before it is called done, and is there after a new start', async () => {
		const { app, here } = await begun();
		expect(app.phase).toBe('ready');
		expect(await app.commands.log(wash, 'Dishes')).toBe(true);
		expect((await storedIn(here)).entry.size).toBe(start.entries.length + 1);
		const again = await tab(here);
		expect(new Set(again.records.entries.map(({ id }) => id))).toEqual(
			new Set(app.records.entries.map(({ id }) => id))
		);
	});
	it('is undone by voiding, never by erasing, and done again', async () => {
		const { app, here } = await begun();
		await app.commands.log(wash, 'Dishes');
		const { id } = lastOf(app);
		expect((await app.commands.undo())?.label).toBe('Dishes');
		expect((await storedIn(here)).entry.get(id)?.void).toBe(true);
		await app.commands.redo();
		expect((await storedIn(here)).entry.get(id)).not.toHaveProperty('void');
		expect((await app.commands.undo())?.label).toBe('Dishes');
		expect(await app.commands.undo()).toBeUndefined();
	});
	it('several entries are taken out in one act with what is put in their place, and undone in one', async () => {
		const { app, here } = await begun();
		await app.commands.log(wash, 'Dishes');
		const first = lastOf(app);
		const other = app.commands.entryFrom({ ...wash, times: 2 });
		await app.commands.setVoid([first.id], true, 'Mend', [{ kind: 'entry', value: other }]);
		const stored = (await storedIn(here)).entry;
		expect([stored.get(first.id)?.void, stored.get(other.id)?.void]).toEqual([true, undefined]);
		expect((await app.commands.undo())?.label).toBe('Mend');
		const back = (await storedIn(here)).entry;
		expect([back.get(first.id)?.void, back.get(other.id)?.void]).toEqual([undefined, true]);
	});
	it('a change of the rig goes back to what stood before, as the later edit', async () => {
		const { app } = await begun();
		await app.commands.correct('rig', exactRig, { ...exactRig, crew: 4 }, 'Crew');
		expect(app.rig?.crew).toBe(4);
		const edited = app.rig?.edited ?? '';
		await app.commands.undo();
		expect(app.rig?.crew).toBe(2);
		expect((app.rig?.edited ?? '') > edited).toBe(true);
	});
	it('can be undone as soon as it is seen', async () => {
		const { app } = await begun();
		const seen: number[] = [];
		const logging = app.commands.log(wash, 'Dishes');
		while (app.records.entries.length === start.entries.length) await Promise.resolve();
		seen.push(app.commands.history.done.length);
		await logging;
		expect(seen).toEqual([1]);
	});
	it('undo pressed while the last act is still being stored takes back that one, not the one before', async () => {
		const { app } = await begun();
		await app.commands.log(wash, 'First');
		void app.commands.log(wash, 'Second');
		expect((await app.commands.undo())?.label).toBe('Second');
		expect(lastOf(app).void).toBe(true);
		// What undo needs for a correction is loaded first: it is being done all the same.
		void app.commands.correct('rig', exactRig, { ...exactRig, crew: 4 }, 'Crew');
		expect((await app.commands.undo())?.label).toBe('Crew');
		expect(app.rig?.crew).toBe(exactRig.crew);
		expect((await app.commands.undo())?.label).toBe('First');
	});
	it('undoing leaves alone what was changed again since', async () => {
		const { app } = await begun();
		const [first] = start.entries;
		await app.commands.change('entry', first!.id, (now) => ({ ...now, note: 'one', by: 'Ada' }), 'One');
		const { history } = app.commands;
		const acts = history.done;
		await app.commands.change('entry', first!.id, (now) => ({ ...now, note: 'two' }), 'Two');
		history.done = acts;
		await app.commands.undo();
		const now = app.records.entries.find(({ id }) => id === first!.id);
		expect([now?.note, now?.by]).toEqual(['two', undefined]);
	});
	it('a use that is written where the same one is seen is meant: it is no slip', async () => {
		const { app } = await begun();
		await app.commands.log(wash, 'Dishes');
		expect(lastOf(app)).not.toHaveProperty('again');
		await app.commands.log({ ...wash, at: new Date(Date.parse(wash.at) + 120_000).toISOString() }, 'Dishes');
		expect(lastOf(app)).toMatchObject({ again: true });
	});
	it('a finding is mended: an entry is moved, trusted, voided or added', async () => {
		const { app } = await begun();
		await app.commands.log(wash, 'Dishes');
		const { id } = lastOf(app);
		const now = () => app.records.entries.find((one) => one.id === id);
		await app.commands.mend({ kind: 'move', entry: id, at: '2027-05-02T08:00:00Z' }, 'Move');
		expect(now()?.at).toBe('2027-05-02T08:00:00Z');
		await app.commands.mend({ kind: 'insist', entry: id }, 'It was two');
		expect(now()).toMatchObject({ again: true });
		await app.commands.mend({ kind: 'litres', entry: id, litres: 6 }, 'Litres');
		expect(now()).toMatchObject({ litres: 6 });
		await app.commands.mend({ kind: 'void', entry: id }, 'Void');
		expect(now()?.void).toBe(true);
		expect(await app.commands.mend({ kind: 'void', entry: 'nothing' }, 'Void')).toBe(false);
		const draft = { kind: 'fill', at: wash.at, tank: 'main', to: 'full' } as const;
		await app.commands.mend({ kind: 'add', draft }, 'Add');
		expect(lastOf(app)).toMatchObject({ rig: 'rig', source: 'hand', to: 'full' });
		const fill = lastOf(app).id;
		await app.commands.mend({ kind: 'insist', entry: fill }, 'It was 6 L');
		expect(app.records.entries.find((one) => one.id === fill)).toMatchObject({ trusted: true });
	});
});

describe('two changes at once', () => {
	it('of different places of an entry, made in two tabs, both stand', async () => {
		const { app: one, here } = await begun();
		const two = await tab(here);
		const opened = start.entries[0]!;
		await one.commands.correct('entry', opened, { ...opened, note: 'by lamp' }, 'Note');
		// the other tab has not even heard of it
		const late = await two.commands.correct('entry', opened, { ...opened, by: 'Ada' }, 'By');
		expect(late).toEqual({ kept: true, conflicts: [] });
		expect((await storedIn(here)).entry.get(opened.id)).toMatchObject({ note: 'by lamp', by: 'Ada' });
	});
	it('of the same place: the second is told, stores nothing, and stands when it is insisted on', async () => {
		const { app: one, here } = await begun();
		const two = await tab(here);
		const opened = start.entries[0]!;
		await one.commands.correct('entry', opened, { ...opened, note: 'mine' }, 'Note');
		const other = { ...opened, note: 'no, mine' };
		const told = await two.commands.correct('entry', opened, other, 'Note');
		expect(told).toEqual({
			kept: false,
			conflicts: [{ path: 'note', mine: 'no, mine', theirs: 'mine' }]
		});
		expect((await storedIn(here)).entry.get(opened.id)?.note).toBe('mine');
		// it has changed once more: what the person was told of is not what stands there
		await one.commands.change('entry', opened.id, (now) => ({ ...now, note: 'mine, still' }), 'Note');
		const again = await two.commands.correct('entry', opened, other, 'Note', told.conflicts);
		expect(again.conflicts).toMatchObject([{ theirs: 'mine, still' }]);
		expect((await two.commands.correct('entry', opened, other, 'Note', again.conflicts)).kept).toBe(true);
		expect((await storedIn(here)).entry.get(opened.id)?.note).toBe('no, mine');
	});
	it('of a rig, one right after the other, as when two trials are switched: both stand', async () => {
		const { app } = await begun();
		const trial = (id: string) => ({ id, at: wash.at, kind: 'run-dry' as const, litres: 90, used: true });
		await app.commands.change(
			'rig',
			'rig',
			(rig) => withTrials(rig, 'main', () => [trial('a'), trial('b')]),
			'Two'
		);
		const off = (id: string) =>
			app.commands.change(
				'rig',
				'rig',
				(rig) =>
					withTrials(rig, 'main', (list) =>
						list.map((one) => (one.id === id ? { ...one, used: false } : one))
					),
				'Off'
			);
		await Promise.all([off('a'), off('b')]);
		expect(app.rig?.tanks[0]?.trials?.map(({ used }) => used)).toEqual([false, false]);
	});
	it('are taken back in the order in which they were done, though the first waits for its code', async () => {
		const { app } = await begun();
		await Promise.all([
			app.commands.change('rig', 'rig', (rig) => ({ ...rig, name: 'Other' }), 'Name'),
			app.commands.log(wash, 'Dishes')
		]);
		expect(app.commands.history.done.map(({ label }) => label)).toEqual(['Name', 'Dishes']);
	});
});

describe('an act whose code cannot be fetched', () => {
	it('is not done and says so; what it would have taken back can be taken back later', async () => {
		const { app } = await begun();
		let signal = false;
		const commands = new Commands(
			app.records,
			{ rig: () => 'rig', by: () => undefined, now: () => new Date().toISOString() },
			() => (signal ? import('./revising') : Promise.reject(new Error('no network')))
		);
		await commands.log(wash, 'Dishes');
		const { id } = lastOf(app);
		expect(await commands.setVoid([id], true, 'Slip')).toBe(false);
		expect(commands.trouble).toContain('“Slip” was not done: no network.');
		expect(await commands.undo()).toBeUndefined();
		expect(commands.trouble).toContain('“Undo” was not done');
		expect(lastOf(app)).not.toHaveProperty('void');
		signal = true;
		expect((await commands.undo())?.label).toBe('Dishes');
		expect(commands.trouble).toBeUndefined();
		expect(lastOf(app).void).toBe(true);
	});
});

describe('what is saved can be read back', () => {
	const extra = { ...exactRig.habits[1]!, id: 'sauna', name: 'Sauna' };
	it('also when the habit that was logged is undone: it is kept, retired, and named', async () => {
		const { app } = await begun();
		await app.commands.change('rig', 'rig', (rig) => ({ ...rig, habits: [...rig.habits, extra] }), 'Habit');
		await app.commands.log({ ...wash, habit: 'sauna' } as EntryDraft, 'Sauna');
		await app.commands.undo();
		await app.commands.undo();
		expect(app.rig?.habits.at(-1)).toMatchObject({ id: 'sauna', retired: true });
		expect(app.liveRig?.habits.some(({ id }) => id === 'sauna')).toBe(false);
		expect(parseLogbook(app.records.logbook()).ok).toBe(true);
	});
	it('also when a rig could not be read: its entries stand aside in the file', async () => {
		const here = browser();
		await recordStore(here.ports).update(putting(start));
		await here.ports.records.set('rig:rig', { id: 'rig', name: 7 });
		const app = await tab(here);
		expect(app.records.aside).toHaveLength(1);
		const { logbook, unfit } = readable(app.records.logbook());
		expect(parseLogbook(logbook).ok).toBe(true);
		expect(unfit).toHaveLength(start.entries.length + start.trips.length);
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
	it('in two tabs stands in both, but for the rig that each looks at; nothing is asked anew for what stayed', async () => {
		const { here, app: one } = await begun();
		const two = await tab(here);
		await two.openRig('rig');
		await one.choose({ theme: 'night', units: { ...METRIC, volume: 'usGal' } });
		await one.openRig('boat');
		await two.choose({ by: 'Ada' });
		expect(two.prefs.current).toMatchObject({ theme: 'night', by: 'Ada' });
		const { units } = one;
		await followChoices(one.prefs, here.prefs);
		expect(one.prefs.current).toMatchObject({ theme: 'night', by: 'Ada' });
		expect(one.units).toBe(units);
		expect([one.rig?.id, two.rig?.id]).toEqual(['boat', 'rig']);
		expect((await tab(here)).prefs.current).toMatchObject({ theme: 'night', by: 'Ada' });
	});
	it('is not taken back by what was read of another tab before it', async () => {
		const { here, app } = await begun();
		await app.choose({ theme: 'dusk' });
		const late: KeyValuePort = {
			...here.prefs,
			get: async (key) => {
				const kept = await here.prefs.get(key);
				await new Promise((resolve) => setTimeout(resolve, 50));
				return kept;
			}
		};
		const following = followChoices(app.prefs, late);
		await Promise.all([app.choose({ theme: 'night' }), following]);
		expect(app.prefs.current.theme).toBe('night');
	});
	it('and is of the logbook goes when it is wiped, in every tab; how things look stays', async () => {
		const { here, app: one } = await begun();
		const two = await tab(here);
		await one.choose({ theme: 'night', by: 'Ada', waved: { rig: ['file'] } });
		await one.openRig('boat');
		await followChoices(two.prefs, here.prefs);
		await forgetChoices(one.prefs, here.prefs);
		await followChoices(two.prefs, here.prefs);
		for (const { prefs } of [one, two, await tab(here)])
			expect(prefs.current).toEqual({ theme: 'night', units: METRIC });
	});
	it('and could not be kept is not lost when something else can be', async () => {
		const { here } = await begun();
		let full = true;
		const port = memoryPort();
		const set: KeyValuePort['set'] = (key, value) =>
			full ? Promise.reject(new Error('full')) : port.set(key, value);
		const app = await tab({ ...here, prefs: { ...port, set } });
		await app.choose({ theme: 'night' });
		full = false;
		await app.choose({ by: 'Ada' });
		await followChoices(app.prefs, app.beside.port);
		expect(app.prefs.current).toMatchObject({ theme: 'night', by: 'Ada' });
		expect(await port.get('prefs')).toMatchObject({ theme: 'night', by: 'Ada' });
	});
	it('is shown all the same where nothing can be kept, and that is said', async () => {
		const { here } = await begun();
		const full = { ...memoryPort(), set: () => Promise.reject(new Error('full')) };
		const app = await tab({ ...here, prefs: full });
		await app.openRig('boat');
		expect(app.rig?.id).toBe('boat');
		expect(app.trouble).toMatch(/couldn’t be saved: full/);
	});
	it('units change what the engine says at once', async () => {
		const engine = engineHere();
		const { app } = await begun(engine);
		await app.choose({ units: { ...METRIC, volume: 'usGal' } });
		expect(engine.asked.at(-1)?.units?.volume).toBe('usGal');
	});
});

describe('when the disk is full', () => {
	/** A store that refuses to write until it is healed. */
	const failing = (here: Browser) => {
		const store = recordStore(here.ports);
		let full = true;
		return {
			heal: () => void (full = false),
			store: {
				...store,
				update: (edits: readonly Edit[]) =>
					full ? Promise.reject(new DOMException('full', 'QuotaExceededError')) : store.update(edits)
			}
		};
	};
	it('the entry stays on screen, is said, and is stored when tried again', async () => {
		const { here } = await begun();
		const { store, heal } = failing(here);
		const app = await tab(here, engineHere().api, store);
		expect(await app.commands.log(wash, 'Dishes')).toBe(false);
		expect(app.troubles[0]).toMatch(/disk is full/);
		expect(app.records.entries).toHaveLength(start.entries.length + 1);
		expect(app.commands.unsaved).toHaveLength(1);
		expect((await storedIn(here)).entry.size).toBe(start.entries.length);
		heal();
		// Who sees that nothing is amiss any more may close the page: until then it is said, however often one taps.
		const [retrying, again] = [app.commands.retry(), app.commands.retry()];
		expect(app.commands.unsaved).toHaveLength(1);
		expect(app.troubles[0]).toMatch(/disk is full/);
		await Promise.all([retrying, again]);
		expect(app.troubles).toEqual([]);
		expect(app.commands.unsaved).toEqual([]);
		expect((await storedIn(here)).entry.size).toBe(start.entries.length + 1);
	});
	it('what fails again is listed once', async () => {
		const { here } = await begun();
		const app = await tab(here, engineHere().api, failing(here).store);
		await app.commands.log(wash, 'Dishes');
		await app.commands.retry();
		expect(app.commands.unsaved).toHaveLength(1);
		expect(app.troubles[0]).toMatch(/disk is full/);
	});
	it('trying again does not put an older version over what another tab wrote meanwhile', async () => {
		const { here, app: other } = await begun();
		const { store, heal } = failing(here);
		const app = await tab(here, engineHere().api, store);
		const opened = start.entries[0]!;
		await app.commands.correct('entry', opened, { ...opened, note: 'here' }, 'Note');
		await other.commands.correct('entry', opened, { ...opened, by: 'Ada' }, 'By');
		heal();
		await app.commands.retry();
		expect((await storedIn(here)).entry.get(opened.id)).toMatchObject({ note: 'here', by: 'Ada' });
	});
});

describe('two tabs', () => {
	it('stay in step, and a wipe in one empties the other', async () => {
		const { app: one, here } = await begun();
		const two = await tab(here);
		await one.commands.log(wash, 'Dishes');
		await expect.poll(() => two.records.entries.length).toBe(one.records.entries.length);
		await two.wipe();
		await expect.poll(() => one.phase).toBe('first-run');
		expect([one.records.entries, one.commands.history.done]).toEqual([[], []]);
	});
	it('what is logged in a tab that has not heard of the wipe yet is not left in the dark, and is said', async () => {
		const { app: one, here } = await begun();
		const two = recordStore(here.ports);
		await two.open();
		await two.wipe();
		await here.copy.clear();
		expect(await one.commands.log(wash, 'Dishes')).toBe(false);
		expect(one.troubles[0]).toMatch(/wiped this browser, so “Dishes” was not saved/);
		expect(one.phase).toBe('first-run');
		expect((await storedIn(here)).entry.size).toBe(0);
	});
	it('a tab that goes on logging leaves nothing in a store that was wiped, however its lines fall', async () => {
		for (const lines of [1, 7, 79]) {
			const { app: one, here } = await begun();
			const two = await tab(here);
			const logged = Array.from({ length: lines }, async (_, i) => {
				// Some at once, some later: before the wipe, while it goes on, and when this tab has heard of it.
				for (let turns = i % 40; turns > 0; turns--) await Promise.resolve();
				return i % 2 === 0
					? one.commands.log(wash, 'Dishes')
					: one.commands.correct('entry', start.entries[0], { ...start.entries[0]!, note: `${i}` }, 'Note');
			});
			await two.wipe();
			await Promise.all(logged);
			await one.commands.log(wash, 'Dishes');
			await one.commands.change('rig', 'van', (rig) => ({ ...rig, crew: 3 }), 'Crew');
			const left = await storedIn(here);
			expect([left.rig.size, left.trip.size, left.entry.size], `${lines} lines`).toEqual([0, 0, 0]);
		}
	});
	it('a tab that has not heard of a wipe writes nothing into the logbook that came after it', async () => {
		const { app: one, here } = await begun();
		const two = recordStore(here.ports);
		await two.open();
		const late = one.commands.correct('rig', exactRig, { ...exactRig, crew: 4 }, 'Crew');
		await two.wipe();
		await two.update(putting({ ...start, entries: [] }));
		await Promise.all([late, one.commands.log(wash, 'Dishes'), one.commands.log(wash, 'Dishes')]);
		const left = await storedIn(here);
		expect([left.entry.size, left.rig.get(exactRig.id)?.crew]).toEqual([0, exactRig.crew]);
	});
	it('what another tab wrote and cannot be read is said, and the next news is heard all the same', async () => {
		const { here, app: other } = await begun();
		const store = recordStore(here.ports);
		let broken = true;
		const app = await tab(here, engineHere().api, {
			...store,
			reread: (keys) => (broken ? Promise.reject(new Error('torn')) : store.reread(keys))
		});
		await other.commands.log(wash, 'Dishes');
		await expect.poll(() => app.troubles[0]).toMatch(/another tab wrote can’t be shown: torn/);
		broken = false;
		await other.commands.log(wash, 'Dishes');
		await expect.poll(() => app.records.entries.length).toBe(start.entries.length + 1);
		expect(app.troubles).toEqual([]);
	});
});

describe('wiping and reading a file in again', () => {
	it('leaves nothing of the old log in the engine, in this tab and in another', async () => {
		const { app, here } = await begun();
		const other = await tab(here);
		app.nowMs = other.nowMs = Date.parse('2027-05-01T09:00:00Z');
		const file = { ...app.records.logbook(), rigs: [exactRig] };
		await app.commands.log({ kind: 'use', at: wash.at, habit: 'shower', times: 5 }, 'Showers');
		await app.wipe();
		expect(app.engine.assessment).toBeUndefined();
		const none = { ...file, rigs: [], trips: [], entries: [] };
		await app.commands.takeIn(takeIn(none, file).changes, 'Read in');
		const main = (one: App) =>
			one.engine.assessment?.levels.tanks.find(({ id }) => id === 'main')?.litres ?? 0;
		for (const one of [app, other]) await expect.poll(() => Math.round(main(one))).toBe(100);
	});
});

describe('when the store is lost', () => {
	it('it is filled again from the second copy, and that is said', async () => {
		const { app, here } = await begun();
		// what was put before this tab was there came from elsewhere; the file is read in here
		await app.wipe();
		await app.commands.takeIn(takeIn({ ...start, rigs: [], trips: [], entries: [] }, start).changes, 'In');
		await app.commands.log(wash, 'Dishes');
		const all = [...start.rigs, ...start.trips, ...start.entries];
		await expect.poll(async () => new Map(await here.copy.read()).size).toBe(all.length + 1);
		const lost = { ...here, ports: browser().ports };
		const again = await tab(lost);
		expect(again.phase).toBe('ready');
		expect(again.restored).toBe(start.entries.length + 1);
		expect((await storedIn(lost)).entry.size).toBe(start.entries.length + 1);
	});
	it('and the copy with it: that a logbook was here is known, and how large it was', async () => {
		const { here } = await begun();
		const again = await tab({ ...here, ports: browser().ports, copy: browser().copy });
		expect(again.phase).toBe('first-run');
		expect(again.presence.current?.entries).toBe(start.entries.length);
	});
	it('a copy that is new, or that a crash kept something from, is filled up', async () => {
		const { here } = await begun();
		expect(await here.copy.read()).toEqual([]);
		const app = await tab(here);
		await app.records.mendCopy();
		expect(await here.copy.read()).toHaveLength(
			start.rigs.length + start.trips.length + start.entries.length
		);
		await recordStore(here.ports).update(putting(logbookOf([entry(wash, 'unnoted')], exactRig, [])).slice(1));
		const again = await tab(here);
		await again.records.mendCopy();
		expect((await here.copy.read()).map(([key]) => key)).toContain('entry:unnoted');
	});
	it('a wipe in another tab is not undone from the copy, though it is not cleared yet', async () => {
		const { app, here } = await begun();
		await app.records.mendCopy();
		await recordStore(here.ports).wipe();
		expect(await app.commands.log(wash, 'Dishes')).toBe(false);
		expect(app.phase).toBe('first-run');
		expect(app.restored).toBeUndefined();
		await expect.poll(() => here.copy.read()).toEqual([]);
	});
	it('a wipe on purpose is not taken for a loss', async () => {
		const { app, here } = await begun();
		await app.wipe();
		const again = await tab(here);
		expect(again.phase).toBe('first-run');
		expect(again.presence.current).toBeUndefined();
	});
	it('where there is no place for a copy, that is said, and all else works', async () => {
		const { here } = await begun();
		const app = await tab({ ...here, copy: undefined as never });
		expect(app.records.copyTrouble).toMatch(/no place/);
		expect(await app.commands.log(wash, 'Dishes')).toBe(true);
	});
	it('with the first logbook the browser is asked to keep it, and not with every start', async () => {
		const notes = memoryPort();
		let asked = 0;
		const ask = () => Promise.resolve((asked += 1));
		const first = new Presence(notes, ask);
		first.note(3);
		first.note(4);
		const second = new Presence(notes, ask);
		await second.load();
		second.note(5);
		expect(asked).toBe(1);
	});
	it('a file that is old, with much since, is reminded of; a new one is not', async () => {
		const { app } = await begun();
		const { presence } = app;
		expect(isFileOld(presence.current, app.nowMs)).toBe(false);
		const monthOn = app.nowMs + 30 * DAY_MS;
		presence.note(40);
		expect(isFileOld(presence.current, app.nowMs)).toBe(false);
		expect(isFileOld(presence.current, monthOn)).toBe(true);
		presence.saved(40);
		presence.note(45);
		expect(isFileOld(presence.current, monthOn)).toBe(false);
		presence.note(65);
		expect(isFileOld(presence.current, monthOn)).toBe(true);
	});
});

describe('what the engine says', () => {
	it('is not asked for while nobody looks; what was missed is, once, when somebody does', async () => {
		const engine = engineHere();
		const { app } = await begun(engine);
		const before = engine.asked.length;
		app.sleep();
		await app.commands.log(wash, 'Dishes');
		await app.commands.log(wash, 'Dishes');
		await app.openRig('boat');
		expect(engine.asked).toHaveLength(before);
		await app.wake(app.nowMs);
		expect(engine.asked).toHaveLength(before + 1);
		expect(app.engine.assessment?.rig).toBe('boat');
		app.sleep();
		await app.wake(app.nowMs);
		expect(engine.asked).toHaveLength(before + 1);
		app.sleep();
		await app.wake(app.nowMs + 5 * MINUTE_MS);
		expect(engine.asked).toHaveLength(before + 2);
	});
	it('is of the rig in view; an answer about another one is never shown', async () => {
		const engine = engineHere();
		const { app } = await begun(engine);
		expect(app.engine.assessment?.rig).toBe('rig');
		engine.hold();
		const opening = app.openRig('boat');
		await expect.poll(() => app.rig?.id).toBe('boat');
		expect(app.engine.assessment).toBeUndefined();
		// What is told on the way to an answer is lost while it is held: the answer itself is waited for.
		await expect.poll(engine.kept).toBe(1);
		engine.letGo();
		await opening;
		expect(app.engine.assessment?.rig).toBe('boat');
	});
	it('an answer that nobody waits for is given up, unless another view asked the same since', async () => {
		const engine = engineHere();
		const { app } = await begun(engine);
		const given: string[] = [];
		const { giveUp } = engine.api;
		engine.api.giveUp = (kind) => {
			given.push(kind);
			return giveUp(kind);
		};
		const [one, two] = [app.engine.ask('habits/saving'), app.engine.ask('habits/saving')];
		one?.giveUp?.();
		expect(given).toEqual([]);
		two?.giveUp?.();
		expect(given).toEqual(['habits/saving']);
		await Promise.allSettled([one, two]);
	});
	it('a late answer to an earlier question is dropped', async () => {
		const engine = engineHere();
		const { app } = await begun(engine);
		engine.hold();
		const early = app.engine.refresh();
		app.nowMs += HOUR_MS;
		const late = app.engine.refresh();
		await new Promise((resolve) => setTimeout(resolve, 20));
		// both are let go, the later question first
		engine.letGo();
		await Promise.all([early, late]);
		expect(app.engine.assessment?.atMs).toBe(app.nowMs);
	});
	it('a failure is said, and the next answer takes it back', async () => {
		const engine = engineHere();
		const { app } = await begun(engine);
		engine.fail('no memory');
		await app.engine.refresh();
		expect(app.engine.trouble).toBe('no memory');
		expect(app.hasNews).toBe(true);
		engine.fail(undefined);
		await app.engine.refresh();
		expect([app.engine.trouble, app.hasNews]).toEqual([undefined, false]);
	});
	it('follows a correction of the past as a whole replay would', async () => {
		const { app } = await begun();
		app.nowMs = Date.parse('2027-05-01T09:00:00Z');
		await app.commands.log(wash, 'Dishes');
		const { id } = lastOf(app);
		await app.commands.change('entry', id, (now) => ({ ...now, times: 3 }) as Entry, 'Three');
		const grey = () => app.engine.assessment?.levels.tanks.find((tank) => tank.id === 'grey')?.litres ?? 0;
		await expect.poll(() => Math.round(grey())).toBe(18);
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
		const take = () => app.commands.takeIn(takeIn(app.records.logbook(), theirs).changes, 'Merged');
		expect(await take()).toBe(true);
		expect(app.records.entries.find(({ id }) => id === first.id)?.note).toBe('theirs');
		expect(app.records.entries.some(({ id }) => id === 'from-elsewhere')).toBe(true);
		const acts = app.commands.history.done.length;
		await take();
		expect(app.commands.history.done).toHaveLength(acts);
	});
	it('while its preview stands what is changed here is kept when it is later, whatever zone wrote it', async () => {
		const { app } = await begun();
		const first = start.entries[0]!;
		const edited = (note: string, at: string) => ({ ...first, note, edited: at }) as Entry;
		const theirs = { ...start, entries: [edited('theirs', '2027-06-01T10:00:00+02:00')] };
		const { changes } = takeIn(app.records.logbook(), theirs);
		await app.commands.put([{ kind: 'entry', value: edited('later', '2027-06-01T09:30:00Z') }], 'Note');
		await app.commands.takeIn(changes, 'Merged');
		expect(app.records.entries.find(({ id }) => id === first.id)?.note).toBe('later');
	});
	it('and what its entries name is kept in a rig that is changed here meanwhile', async () => {
		const { app } = await begun();
		const sauna = { ...exactRig.habits[0]!, id: 'sauna', name: 'Sauna' };
		const theirs = {
			...start,
			rigs: [{ ...exactRig, habits: [...exactRig.habits, sauna] }],
			entries: [entry({ ...wash, habit: 'sauna' }, 'hot')]
		};
		const { changes } = takeIn(app.records.logbook(), theirs);
		await app.commands.change('rig', 'rig', (rig) => ({ ...rig, name: 'Renamed' }), 'Name');
		await app.commands.takeIn(changes, 'Merged');
		const rig = app.records.rigs.find(({ id }) => id === 'rig');
		expect(rig?.name).toBe('Renamed');
		expect(rig?.habits.find(({ id }) => id === 'sauna')).toMatchObject({ retired: true });
		expect(parseLogbook(app.records.logbook()).ok).toBe(true);
	});
	it('a store that a later version wrote is shown for saving, and never written to', async () => {
		const here = browser();
		await here.ports.meta.set('version', 999);
		const app = await tab(here);
		expect(app.phase).toBe('newer-store');
		expect(app.raw).toEqual([]);
	});
	it('a store that cannot be opened is said', async () => {
		const here = browser();
		const store = recordStore(here.ports);
		const app = await tab(here, engineHere().api, {
			...store,
			open: () => Promise.reject(new Error('blocked'))
		});
		expect([app.phase, app.trouble]).toEqual(['unreadable', 'blocked']);
	});
});
