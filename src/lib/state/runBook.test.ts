import { describe, expect, it, vi } from 'vitest';
import { endsWithTest } from '../../../tests/helpers/ofTest';
import { begun, tab } from '../../../tests/helpers/tab';
import type { Entry } from '$core/logbook';
import { stepsOf, type FillSetup, type Run } from '$core/runs';
import { memoryPort, queuedTurns } from '$lib/store';
import type { App } from './app.svelte';
import { answerStep, backTo, entryIdOf, isOver, isStaleRun, RunBook, runsBeside } from './runBook.svelte';

const setup: FillSetup = {
	kind: 'fill',
	parts: [
		{
			tank: 'main',
			toFull: false,
			takeL: 20,
			roomL: { p10: 30, p50: 35, p90: 40 },
			levelL: 60,
			leavesL: 80,
			usableL: 100
		}
	],
	source: { potable: true },
	counters: []
};
const [OLD, OPEN] = ['0190a0b0-0000-7000-8000-00000000000a', '0190a0b0-0000-7000-8000-00000000000b'];
const bookOf = (app: App): RunBook => {
	const book = runsBeside(app);
	endsWithTest(() => book.close());
	return book;
};
const runIn = (book: RunBook, id: string): Run => {
	const run = book.get(id);
	if (!run) throw new Error('the run is gone');
	return run;
};
const written = (app: App): readonly Entry[] => app.records.entries.filter(({ source }) => source === 'run');
const rigOf = (app: App) => {
	if (!app.liveRig) throw new Error('no rig');
	return app.liveRig;
};

describe('a run that is kept', () => {
	it('is there after a reload, at the step where it was left', async () => {
		const { here, app } = await begun();
		const book = bookOf(app);
		const id = await book.begin('rig', setup, app.nowIso());
		const [connect] = stepsOf(setup);
		await answerStep(
			app,
			book,
			{ rig: rigOf(app), run: runIn(book, id), step: connect! },
			{ how: 'done' },
			'Ready'
		);
		const later = bookOf(await tab(here));
		await later.load();
		expect(runIn(later, id).answers.connect?.how).toBe('done');
	});
	it('writes each entry once, whoever ticks it, and as often as it is ticked', async () => {
		const { here, app } = await begun();
		const other = await tab(here);
		const book = bookOf(app);
		const id = await book.begin('rig', setup, app.nowIso());
		const second = bookOf(other);
		await second.load();
		const fill = stepsOf(setup)[1]!;
		for (const [tick, of] of [
			[app, book],
			[other, second],
			[app, book]
		] as const)
			await answerStep(
				tick,
				of,
				{ rig: rigOf(tick), run: runIn(of, id), step: fill },
				{ how: 'done' },
				'Filled'
			);
		await expect.poll(() => written(other).length).toBe(1);
		expect(written(app)).toHaveLength(1);
		expect(written(app)[0]).toMatchObject({ kind: 'fill', litres: 20, potable: true });
		expect(written(app)[0]?.edited).toBeUndefined();
		// What two tabs answer does not lose each other's steps.
		const [connect] = stepsOf(setup);
		await answerStep(
			other,
			second,
			{ rig: rigOf(other), run: runIn(second, id), step: connect! },
			{ how: 'done' },
			'Ready'
		);
		await book.load();
		expect(Object.keys(runIn(book, id).answers).sort()).toEqual(['connect', 'fill-0']);
	});
	it('is not taken off the screen by what was read before it began', async () => {
		const port = memoryPort();
		const slow = {
			...port,
			entries: async () => {
				const kept = await port.entries();
				await new Promise((resolve) => setTimeout(resolve, 50));
				return kept;
			}
		};
		const book = new RunBook(slow, queuedTurns());
		endsWithTest(() => book.close());
		const loading = book.load();
		const id = await book.begin('rig', setup, '2026-06-16T10:00:00+01:00');
		await loading;
		expect(runIn(book, id).setup).toEqual(setup);
	});
	it('two phones that follow one run write entries of the same ids', () => {
		const run: Run = {
			id: '0190a0b0-0000-7000-8000-000000000001',
			rig: 'rig',
			begun: 'now',
			setup,
			answers: {}
		};
		expect(entryIdOf(run, 'fill-0')).toBe(entryIdOf({ ...run, answers: {} }, 'fill-0'));
		expect(entryIdOf(run, 'fill-0')).not.toBe(entryIdOf(run, 'fill-1'));
		expect(entryIdOf({ ...run, id: '0190a0b0-0000-7000-8000-000000000002' }, 'fill-0')).not.toBe(
			entryIdOf(run, 'fill-0')
		);
	});
	it('answered anew, it corrects what it wrote; taken back, it is undone', async () => {
		const { app } = await begun();
		const book = bookOf(app);
		const id = await book.begin('rig', setup, app.nowIso());
		const fill = stepsOf(setup)[1]!;
		const tick = (answer: Parameters<typeof answerStep>[3]) =>
			answerStep(app, book, { rig: rigOf(app), run: runIn(book, id), step: fill }, answer, 'Filled');
		await tick({ how: 'done' });
		await backTo(book, runIn(book, id), fill);
		expect(runIn(book, id).answers['fill-0']).toBeUndefined();
		await tick({ how: 'litres', litres: 33 });
		expect(written(app)).toHaveLength(1);
		expect(written(app)[0]).toMatchObject({ litres: 33 });
		expect(written(app)[0]?.edited).toMatch(/^\d{4}-\d\d-\d\dT/);
		await backTo(book, runIn(book, id), fill);
		await tick({ how: 'skipped' });
		expect(written(app)[0]?.void).toBe(true);
		await app.commands.undo();
		expect(written(app)[0]?.void).toBeUndefined();
	});
	it('goes on when it cannot be kept, and says so', async () => {
		const port = memoryPort();
		const book = new RunBook(
			{ ...port, set: () => Promise.reject(new Error('the disk is full')) },
			queuedTurns()
		);
		endsWithTest(() => book.close());
		const id = await book.begin('rig', setup, '2027-05-01T08:00:00Z');
		expect(book.trouble).toContain('the disk is full');
		expect(runIn(book, id).setup).toEqual(setup);
	});
	it('passes over what is no run, and lets go of what is long over', async () => {
		const old: Run = {
			id: OLD,
			rig: 'rig',
			begun: '2027-05-01T08:00:00Z',
			setup,
			answers: {},
			ended: true
		};
		const torn = { ...old, setup: { kind: 'fill' } };
		const port = memoryPort([
			[`run:${OLD}`, old],
			[`run:${OPEN}`, { ...old, id: OPEN, ended: undefined }],
			['run:torn', torn],
			['prefs', { theme: 'night' }]
		]);
		const book = new RunBook(port, queuedTurns());
		endsWithTest(() => book.close());
		const nowMs = Date.parse('2028-05-01T08:00:00Z');
		await book.load(nowMs);
		expect(book.runs.map(({ id }) => id)).toEqual([OPEN]);
		expect(await port.get(`run:${OLD}`)).toBeUndefined();
		// What cannot be read is left where it is.
		expect(await port.get('run:torn')).toEqual(torn);
		await new RunBook(port, queuedTurns()).clear();
		expect((await port.entries()).map(([key]) => key)).toEqual(['prefs']);
		const [open] = book.runs;
		expect(open && isStaleRun(open, nowMs)).toBe(true);
		expect(open && isOver(open)).toBe(false);
	});
});

it('the two entries of one tick keep their order within a second', async () => {
	vi.useFakeTimers({ toFake: ['Date'], now: Date.parse('2027-05-03T08:00:00.4Z') });
	try {
		const { app } = await begun();
		const book = bookOf(app);
		const id = await book.begin('rig', { ...setup, parts: [...setup.parts, ...setup.parts] }, app.nowIso());
		for (const step of stepsOf(runIn(book, id).setup))
			await answerStep(
				app,
				book,
				{ rig: rigOf(app), run: runIn(book, id), step: step },
				{ how: 'done' },
				'Done'
			);
		const times = [...written(app)]
			.sort((a, b) => (a.at < b.at ? -1 : 1))
			.map(({ at, id: of }) => [Date.parse(at), of] as const);
		expect(times.map(([, of]) => of)).toEqual(
			['fill-0', 'fill-1'].map((key) => entryIdOf(runIn(book, id), key))
		);
		// None of them lies ahead of the clock.
		for (const [ms] of times) expect(ms).toBeLessThanOrEqual(Date.now());
	} finally {
		vi.useRealTimers();
	}
});
