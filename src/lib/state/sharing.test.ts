import { describe, expect, it } from 'vitest';
import { canonical, corrected, parseLogbook, type Entry, type EntryDraft } from '$core/logbook';
import { behind, look, lookAt, noteTaken, prepare } from '$lib/exchange/handover/handOver';
import { seeded } from '$core/numerics';
import { recordStore } from '$lib/store';
import { browser, putting, start, tab, type Browser } from '../../../tests/helpers/tab';
import type { App } from './app.svelte';
import { Sharing } from './sharing.svelte';

const api = {
	behind: async (...args: Parameters<typeof behind>) => behind(...args),
	look,
	lookAt: async (...args: Parameters<typeof lookAt>) => lookAt(...args),
	noteTaken: async (...args: Parameters<typeof noteTaken>) => noteTaken(...args),
	prepare
};

interface Phone {
	readonly name: string;
	readonly here: Browser;
	readonly app: App;
	readonly sharing: Sharing;
}
async function phone(name: string, full: boolean): Promise<Phone> {
	const here = browser();
	if (full) await recordStore(here.ports).update(putting(start));
	const app = await tab(here);
	// What follows from what is logged is not asked about here.
	app.sleep();
	await app.choose({ by: name, rig: 'rig' });
	app.nowMs = Date.parse('2027-05-05T09:00:00Z');
	return { name, here, app, sharing: new Sharing(app, api, 'https://water.example') };
}
/** What would travel from the one to the other. */
const letter = async (from: Phone, to: string): Promise<string> =>
	(await from.sharing.prepare(to, from.name)).link;
async function take(to: Phone, text: string, choices = {}): Promise<readonly string[]> {
	const looked = await to.sharing.look(text, choices);
	if (!looked.ok) throw new Error(JSON.stringify(looked));
	await to.sharing.take(looked, looked.handOver?.by ?? '', 'Taken');
	return looked.taken.coming.map(({ state }) => state);
}
const wash: EntryDraft = { kind: 'use', at: '2027-05-01T08:00:00Z', habit: 'dishes', times: 1 };
const contentOf = async ({ here }: Phone): Promise<string> => {
	const entries = await here.ports.records.entries();
	return canonical(Object.fromEntries([...entries].sort(([a], [b]) => (a < b ? -1 : 1))));
};

describe('sharing between two phones', () => {
	it('gives all, then the difference; what came last is one act, undone as one, after a new start too', async () => {
		const [mara, ivo] = [await phone('Mara', true), await phone('Ivo', false)];
		await take(ivo, await letter(mara, 'Ivo'));
		expect(await contentOf(ivo)).toBe(await contentOf(mara));
		await take(mara, await letter(ivo, 'Mara'));
		await mara.app.commands.log(wash, 'Dishes');
		await mara.app.commands.log({ ...wash, at: '2027-05-01T20:00:00Z' }, 'Dishes');
		const text = await letter(mara, 'Ivo');
		expect(await take(ivo, text)).toEqual(['new', 'new']);
		expect(await take(ivo, text)).toEqual([]);
		const again = new Sharing(await tab(ivo.here), api, 'https://water.example');
		await Promise.all([again.load(), again.loadLast()]);
		expect([again.last?.from, again.last?.act.steps.length, again.partners.map(({ name }) => name)]).toEqual([
			'Mara',
			2,
			['Mara']
		]);
		await ivo.sharing.undoLast('Undone');
		expect(ivo.app.records.entries.filter((one) => one.void)).toHaveLength(2);
		expect(ivo.sharing.lastStands).toBe(false);
		await ivo.app.commands.undo();
		expect(ivo.app.records.entries.filter((one) => one.void)).toHaveLength(0);
	});
	it('what was undone here while it was looked at is not asked about twice, and preferences stay', async () => {
		const [mara, ivo] = [await phone('Mara', true), await phone('Ivo', false)];
		await mara.app.choose({ theme: 'night' });
		await take(ivo, await letter(mara, 'Ivo'));
		expect(ivo.app.prefs.current.theme).toBe('day');
		expect(await letter(ivo, 'Mara').then((text) => take(mara, text))).toEqual([]);
	});
	it('after a wipe it is a new device to the others, and gets all of it again', async () => {
		const [mara, ivo] = [await phone('Mara', true), await phone('Ivo', false)];
		await take(ivo, await letter(mara, 'Ivo'));
		await take(mara, await letter(ivo, 'Mara'));
		await ivo.app.wipe();
		await mara.app.commands.log(wash, 'Dishes');
		const looked = await ivo.sharing.look(await letter(mara, 'Ivo'), {});
		expect(looked).toMatchObject({ ok: false, why: 'lacking' });
		await take(ivo, (await mara.sharing.prepare('Ivo', 'Mara', true)).link);
		expect(await contentOf(ivo)).toBe(await contentOf(mara));
	});
	it('a store that was filled again from its copy, and lacks the last of it, does not say that it has it', async () => {
		const [mara, ivo] = [await phone('Mara', true), await phone('Ivo', false)];
		await take(ivo, await letter(mara, 'Ivo'));
		await mara.app.commands.log(wash, 'Dishes');
		await take(mara, await letter(ivo, 'Mara'));
		await take(ivo, await letter(mara, 'Ivo'));
		const lost = ivo.app.records.entries.at(-1)!;
		await ivo.here.ports.records.remove(`entry:${lost.id}`);
		const back: Phone = { ...ivo, app: await tab(ivo.here), sharing: ivo.sharing };
		const sharing = new Sharing(back.app, api, 'https://water.example');
		await take(mara, (await sharing.prepare('Mara', 'Ivo')).link);
		await take({ ...back, sharing }, await letter(mara, 'Ivo'));
		expect(await contentOf(ivo)).toBe(await contentOf(mara));
	});
	it('what goes out from another tab while something is looked at is not numbered again', async () => {
		const [mara, ivo] = [await phone('Mara', true), await phone('Ivo', false)];
		await take(ivo, await letter(mara, 'Ivo'));
		await take(mara, await letter(ivo, 'Mara'));
		await ivo.app.commands.log(wash, 'Dishes');
		const looked = await mara.sharing.look(await letter(ivo, 'Mara'), {});
		if (!looked.ok) throw new Error(looked.why);
		await mara.app.commands.log({ ...wash, at: '2027-05-02T08:00:00Z' }, 'Dishes');
		const other = { ...mara, sharing: new Sharing(mara.app, api, 'https://water.example') };
		await other.sharing.load();
		await take(ivo, await letter(other, 'Ivo'));
		await mara.sharing.take(looked, 'Ivo', 'Taken');
		await mara.app.commands.log({ ...wash, at: '2027-05-03T08:00:00Z' }, 'Dishes');
		await take(ivo, await letter(mara, 'Ivo'));
		expect(await contentOf(ivo)).toBe(await contentOf(mara));
	});
	it('what was made here is not imported here, nor is one a partner of oneself', async () => {
		const mara = await phone('Mara', true);
		expect(await mara.sharing.look(await letter(mara, 'Ivo'), {})).toEqual({ ok: false, why: 'own' });
	});
	it('says who is behind, and since when; not of what was sent', async () => {
		const [mara, ivo] = [await phone('Mara', true), await phone('Ivo', false)];
		await take(ivo, await letter(mara, 'Ivo'));
		expect((await mara.sharing.behind()).size).toBe(0);
		await take(mara, await letter(ivo, 'Mara'));
		await mara.app.commands.log(wash, 'Dishes');
		expect((await mara.sharing.behind()).get('Ivo')).toEqual({ records: 1, since: wash.at });
		await mara.sharing.offered('Ivo', await mara.sharing.prepare('Ivo', 'Mara'));
		expect((await mara.sharing.behind()).size).toBe(0);
		await mara.sharing.forget('Ivo');
		expect(mara.sharing.partners).toEqual([]);
	});
	it('an older word that comes later takes nothing back of what somebody said to have', async () => {
		const [mara, ivo] = [await phone('Mara', true), await phone('Ivo', false)];
		await take(ivo, await letter(mara, 'Ivo'));
		const early = await letter(ivo, 'Mara');
		await mara.app.commands.log(wash, 'Dishes');
		await take(ivo, await letter(mara, 'Ivo'));
		await take(mara, await letter(ivo, 'Mara'));
		expect(await mara.sharing.hasAll('Ivo')).toBe(true);
		await take(mara, early);
		expect(await mara.sharing.hasAll('Ivo')).toBe(true);
	});
	it('what bears no time is lacking too', async () => {
		const [mara, ivo] = [await phone('Mara', true), await phone('Ivo', false)];
		await take(ivo, await letter(mara, 'Ivo'));
		await take(mara, await letter(ivo, 'Mara'));
		const tap = { id: 'tap', name: 'Tap', position: [1, 2] as const, services: [] };
		await mara.app.commands.put([{ kind: 'point', value: tap }], 'Point');
		expect(await mara.sharing.hasAll('Ivo')).toBe(false);
		expect((await mara.sharing.behind()).get('Ivo')).toEqual({ records: 1 });
	});
	it('what cannot be kept is not said to be known', async () => {
		const [mara, ivo] = [await phone('Mara', true), await phone('Ivo', false)];
		await take(ivo, await letter(mara, 'Ivo'));
		await mara.app.commands.log(wash, 'Dishes');
		const looked = await ivo.sharing.look(await letter(mara, 'Ivo'), {});
		if (!looked.ok) throw new Error(looked.why);
		const { records } = ivo.here.ports;
		const { set } = records;
		records.set = () => Promise.reject(new DOMException('full', 'QuotaExceededError'));
		expect(await ivo.sharing.take(looked, 'Mara', 'Taken')).toBe(false);
		records.set = set;
		expect(ivo.app.troubles[0]).toMatch(/disk is full/);
		const again = new Sharing(await tab(ivo.here), api, 'https://water.example');
		expect(await again.look(await letter(mara, 'Ivo'), {})).toMatchObject({
			ok: true,
			taken: { coming: [{ state: 'new' }] }
		});
	});
});

describe('two hundred exchanges among three phones', () => {
	it('end in three equal stores, whatever was lost, late or twice', async () => {
		const random = seeded(33);
		const draw = (n: number): number => Math.floor(random.uniform() * n);
		const phones = [await phone('Mara', true), await phone('Ivo', false), await phone('Cleo', false)];
		const [mara, ivo, cleo] = phones as [Phone, Phone, Phone];
		for (const other of [ivo, cleo]) await take(other, await letter(mara, other.name));
		const posted: { readonly to: Phone; readonly text: string }[] = [];
		const CHOICES = ['mine', 'theirs', 'one', 'two'] as const;
		for (let i = 0; i < 200; i++) {
			const from = phones[draw(3)]!;
			const { commands, records } = from.app;
			const some = records.entries[draw(records.entries.length)]!;
			const at = new Date(Date.parse('2027-05-02T00:00:00Z') + draw(300) * 600_000).toISOString();
			const act = draw(6);
			if (act < 2) await commands.log({ ...wash, at }, 'Dishes');
			else if (act === 2)
				await commands.correct(
					'entry',
					some,
					corrected(some, { ...some, note: `${from.name} ${i}` } as Entry, at),
					'Note'
				);
			else if (act === 3) await commands.setVoid([some.id], some.void !== true, 'Void');
			else if (act === 4)
				await commands.change(
					'rig',
					'rig',
					(rig) => ({
						...rig,
						crew: 1 + draw(5),
						habits: [...rig.habits, { ...rig.habits[0]!, id: `h${i}`, name: `Habit ${i}` }]
					}),
					'Rig'
				);
			else await commands.undo();
			const to = phones[(phones.indexOf(from) + 1 + draw(2)) % 3]!;
			posted.push({ to, text: await letter(from, to.name) });
			// A third of them is lost, some come late, some twice.
			const come = posted[Math.max(0, posted.length - 1 - draw(5))]!;
			const choice = CHOICES[draw(5)];
			if (draw(3) > 0) {
				const looked = await come.to.sharing.look(come.text, {});
				const keys = looked.ok ? looked.taken.coming.map(({ key }) => key) : [];
				await take(come.to, come.text, choice ? Object.fromEntries(keys.map((key) => [key, choice])) : {});
			}
		}
		for (let round = 0, busy = true; busy; round++) {
			expect(round).toBeLessThan(10);
			busy = false;
			for (const from of phones)
				for (const to of phones) {
					if (from === to) continue;
					const states = await take(to, await letter(from, to.name));
					busy ||= states.length > 0;
				}
		}
		const whole = await contentOf(mara);
		expect(await contentOf(ivo)).toBe(whole);
		expect(await contentOf(cleo)).toBe(whole);
		expect(parseLogbook(mara.app.records.logbook()).ok).toBe(true);
		expect(mara.app.records.entries.length).toBeGreaterThan(60);
	}, 120_000);
});
