import { describe, expect, it, vi } from 'vitest';
import type { Showing } from '$core/listen';
import type { Entry, EntryOf, Logbook } from '$core/logbook';
import { MORNING, rig, showingsOf, START, written } from '../../core/listen/heard.fixture';
import { browser, putting, tab, type Browser } from '../../../tests/helpers/tab';
import { recordStore, memoryPort } from '$lib/store';
import { Listener } from '$lib/listening/listener';
import { SampleStore } from '$lib/listening/sampleStore';
import type { ListenerApi } from '$lib/listening';
import type { FlowMeter } from '$lib/standins/flowMeter';
import type { RemoteApi } from '$lib/workerClient';
import type { App } from './app.svelte';
import { MeterListening } from './listening.svelte';

/** A listener as the page asks it, without a worker. */
function listenerHere(port = memoryPort()): RemoteApi<ListenerApi> {
	const listener = new Listener(new SampleStore(port));
	return {
		open: (...args) => listener.open(...args),
		add: (...args) => listener.add(...args),
		read: async (...args) => listener.read(...args),
		hear: async (...args) => listener.hear(...args),
		forget: () => listener.forget(),
		clear: () => listener.clear()
	};
}

interface Here {
	readonly app: App;
	readonly listening: MeterListening;
	readonly browser: Browser;
}
/** A tab with a van, what was written in it, and nothing heard yet. */
async function here(entries: readonly Entry[] = [], port = memoryPort()): Promise<Here> {
	const of = browser();
	const logbook: Logbook = {
		format: 'dipsometer-logbook',
		version: 1,
		exportedAt: new Date(START).toISOString(),
		rigs: [rig],
		trips: [],
		points: [],
		entries
	};
	await recordStore(of.ports).update(putting(logbook));
	const app = await tab(of);
	app.sleep();
	return { app, browser: of, listening: new MeterListening(app, () => listenerHere(port)) };
}
/** A device that tells all of it and then no more. */
const device = (showings: readonly Showing[]): FlowMeter => ({
	follow(onreading, onlost) {
		for (const [atMs, shows] of showings) onreading({ atMs, shows });
		onlost();
		return () => undefined;
	}
});
const uses = ({ app }: Here): readonly EntryOf<'use'>[] =>
	app.records.entries.filter((entry): entry is EntryOf<'use'> => entry.kind === 'use');
/** Connects a device and waits until all that it told is heard. */
async function hearAll({ listening }: Here, showings: readonly Showing[], nods: number): Promise<void> {
	await listening.connect(device(showings), 'The device');
	await vi.waitFor(() => expect(listening.nods).toHaveLength(nods), 4000);
}
/** What came an hour later shows that the morning is over. */
const OVER = showingsOf([...MORNING, [13_000, 4, 3]], 14_000);

describe('listening to a meter', () => {
	it('offers what was heard, logs it as one act with its litres, and takes it back as one', async () => {
		const one = await here();
		await hearAll(one, showingsOf(MORNING, 10_000), 3);
		expect(uses(one)).toEqual([]);
		const label = await one.listening.log(
			one.listening.nods.flatMap((nod) => (nod.kind === 'named' ? [{ nod, habit: nod.habit }] : []))
		);
		expect(label).toBe('Heard: 3 uses');
		expect(uses(one).map(({ habit, litres, source }) => [habit, litres, source])).toEqual([
			['shower', 8, 'meter'],
			['dishes', 4, 'meter'],
			['hands', expect.closeTo(0.48, 2), 'meter']
		]);
		expect(one.listening.nods.every(({ kind }) => kind === 'logged')).toBe(true);
		await one.app.commands.undo();
		await one.listening.hear();
		expect(uses(one).filter((entry) => !entry.void)).toEqual([]);
		expect(one.listening.nods.map(({ kind }) => kind)).toEqual(['doubtful', 'doubtful', 'doubtful']);
	});
	it('logs by itself what is as sure as the person says, marked as heard, once it is over', async () => {
		const one = await here();
		await one.listening.choose({ sure: 0.9 });
		await hearAll(one, OVER, 4);
		await vi.waitFor(() => expect(uses(one).length).toBeGreaterThanOrEqual(2));
		expect(uses(one).every(({ heard }) => heard?.unasked === true)).toBe(true);
		expect(uses(one).map(({ habit }) => habit)).toContain('shower');
		await one.listening.hear();
		const before = uses(one).length;
		await one.listening.hear();
		expect(uses(one)).toHaveLength(before);
	});
	it('joins what was written by hand: its litres come, nothing is logged twice', async () => {
		const one = await here([written('a', 420, 'shower')]);
		await hearAll(one, OVER, 4);
		await vi.waitFor(() => expect(uses(one)[0]?.litres).toBe(8));
		expect(uses(one)).toHaveLength(1);
		expect(uses(one)[0]).toMatchObject({ id: 'a', heard: { meter: 'm' } });
	});
	it('lets what is written by hand stand for what it had logged by itself', async () => {
		const one = await here();
		await one.listening.choose({ sure: 0.9 });
		await hearAll(one, OVER, 4);
		await vi.waitFor(() => expect(uses(one).map(({ habit }) => habit)).toContain('shower'));
		const at = new Date(START + 500_000).toISOString();
		await one.app.commands.log({ kind: 'use', at, habit: 'shower', times: 1, source: 'hand' }, 'Shower');
		await one.listening.hear();
		const showers = uses(one).filter((entry) => entry.habit === 'shower' && !entry.void);
		expect(showers).toMatchObject([{ source: 'hand', litres: 8 }]);
	});
	it('reads the meter for the log, so that nobody has to', async () => {
		const one = await here();
		const day = showingsOf([...MORNING, [40_000, 60, 6]], 60_000);
		await hearAll(one, day, 4);
		await vi.waitFor(() =>
			expect(
				one.app.records.entries.some(({ kind, source }) => kind === 'reading' && source === 'meter')
			).toBe(true)
		);
		const read = one.app.records.entries.flatMap((entry) => (entry.kind === 'reading' ? [entry.value] : []));
		expect(read).toEqual([112.48]);
	});
	it('takes a file in, forgets on request, and remembers what was nothing', async () => {
		const port = memoryPort();
		const one = await here([], port);
		const text = showingsOf(MORNING, 10_000)
			.map(([ms, shows]) => `${new Date(ms).toISOString()},${shows}`)
			.join('\n');
		const file = await one.listening.read(`${text}\nnonsense`);
		expect([file.samples.length > 100, file.problems.length]).toEqual([true, 1]);
		vi.setSystemTime(START + 3 * 3_600_000);
		await one.listening.take(file);
		expect(one.listening.nods).toHaveLength(3);
		const [first] = one.listening.nods;
		if (first) await one.listening.skip(first.use);
		expect(one.listening.nods).toHaveLength(2);
		const again = new MeterListening(one.app, () => listenerHere(port));
		await again.hear();
		expect(again.nods).toHaveLength(2);
		await again.clear();
		expect(await port.entries()).toEqual([]);
		vi.useRealTimers();
	});
	it('leaves what is older than samples are kept for out of what it takes in', async () => {
		const one = await here();
		vi.setSystemTime(START + 20 * 86_400_000);
		const showings = showingsOf(MORNING, 10_000);
		const recent = showings.map(([ms, shows]): Showing => [ms + 19 * 86_400_000, shows + 12.48]);
		expect(await one.listening.take({ samples: [...showings, ...recent], problems: [] })).toBe(recent.length);
		expect(one.listening.nods).toHaveLength(3);
		vi.useRealTimers();
	});
	it('keeps what a device sends for its own rig while another one is in view', async () => {
		const one = await here();
		const boat = { ...rig, id: 'boat', name: 'Boat' };
		await one.app.commands.put([{ kind: 'rig', value: boat }], 'Boat');
		await one.app.choose({ rig: 'r' });
		let send: (showing: Showing) => void = () => undefined;
		await one.listening.connect(
			{
				follow: (onreading) => {
					send = ([atMs, shows]) => onreading({ atMs, shows });
					return () => undefined;
				}
			},
			'The device'
		);
		await one.app.choose({ rig: 'boat' });
		showingsOf(MORNING, 10_000).forEach((showing) => send(showing));
		await new Promise((resolve) => setTimeout(resolve, 1500));
		expect(one.listening.nods).toEqual([]);
		await one.app.choose({ rig: 'r' });
		await one.listening.hear();
		expect(one.listening.nods).toHaveLength(3);
	});
	it('says why a device is not heard any more', async () => {
		const one = await here();
		await one.listening.connect(
			{
				follow: (_, onlost) => {
					onlost('the cable is out');
					return () => undefined;
				}
			},
			'The meter by USB'
		);
		expect([one.listening.device, one.listening.trouble]).toEqual([
			'lost',
			'The meter is not heard any more: the cable is out.'
		]);
	});
});
