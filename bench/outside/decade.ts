import { chromium, type Page } from '@playwright/test';
import type { Logbook } from '../../src/core/logbook';
import { HOUR_MS } from '../../src/core/time';
import { keepIn } from '../../tests/helpers/kept';
import { entry, livedRig, logbookOf } from '../../tests/helpers/logbooks';
import { watch, watchedSince, clockOf } from './watch';

/** Entries of ten years of somebody who writes much. */
const ENTRIES = 100_000;
/** hours between two, so that they come to ten years */
const SPACING = (10 * 365 * 24) / ENTRIES;

/** An entry each hour for so long: filled and dumped every other day, and what is done in between. */
export function decadeOf(nowMs: number, count: number): Logbook {
	const entries = Array.from({ length: count }, (_, hour) => {
		const at = new Date(nowMs - (count - hour) * HOUR_MS * SPACING).toISOString();
		if (hour % 48 === 0) return entry({ kind: 'fill', at, tank: 'main', to: 'full' });
		if (hour % 48 === 1) return entry({ kind: 'dump', at, tank: 'grey', to: 'empty' });
		if (hour % 24 === 2) return entry({ kind: 'dump', at, tank: 'black', to: 'empty' });
		const habit = hour % 12 === 5 ? 'dishes' : hour % 24 === 7 ? 'shower' : 'flush';
		return entry({ kind: 'use', at, habit, times: 1 });
	});
	return logbookOf(entries, livedRig(0.2), []);
}

/** What ten years of log cost in the browser, ms and MB. */
export interface Decade {
	readonly entries: number;
	/** the first opening, and one after that */
	readonly verdictMs: readonly number[];
	/** until all of the log is counted */
	readonly wholeMs: readonly number[];
	readonly lineMs: number;
	readonly ledgerMs: number;
	/** the longest task while one scrolls through the ledger */
	readonly scrollMs: number;
	readonly enterMs: number;
	/** of the engine's worker: after opening, and after thirty lines entered */
	readonly workerMB: readonly number[];
}

const untilVerdict = async (page: Page): Promise<number> => {
	const found = await page.waitForFunction(
		() => (document.querySelector('h1')?.textContent ?? '') !== '' && performance.now(),
		undefined,
		{ polling: 50, timeout: 240_000 }
	);
	return Number(await found.jsonValue());
};

/** Nothing is replayed any more: nothing says how far it is. */
const untilWhole = async (page: Page): Promise<number> => {
	await page.waitForTimeout(1000);
	const found = await page.waitForFunction(
		() => document.querySelector('progress') === null && performance.now(),
		undefined,
		{ polling: 100, timeout: 240_000 }
	);
	return Number(await found.jsonValue());
};

/** What lives in the heaps of the page's workers, the largest of them, MB. */
async function workerMB(page: Page): Promise<number> {
	const devtools = await page.context().newCDPSession(page);
	const heaps: Promise<number>[] = [];
	devtools.on('Target.attachedToTarget', ({ sessionId }) => {
		const ask = (id: number, method: string): Promise<unknown> =>
			new Promise((resolve) => {
				devtools.on('Target.receivedMessageFromTarget', ({ sessionId: of, message }) => {
					const answer = JSON.parse(message) as { id?: number; result?: unknown };
					if (of === sessionId && answer.id === id) resolve(answer.result);
				});
				void devtools.send('Target.sendMessageToTarget', {
					sessionId,
					message: JSON.stringify({ id, method })
				});
			});
		heaps.push(
			ask(1, 'HeapProfiler.collectGarbage')
				.then(() => ask(2, 'Runtime.getHeapUsage'))
				.then((heap) => (heap as { usedSize: number }).usedSize / 1e6)
		);
	});
	await devtools.send('Target.setAutoAttach', {
		autoAttach: true,
		waitForDebuggerOnStart: false,
		flatten: false
	});
	await page.waitForTimeout(500);
	const found = Math.max(...(await Promise.all(heaps)));
	await devtools.detach();
	return found;
}

/** Types a text into the line; how long until what it means stands beside it, as a frame, ms. */
const typed = (page: Page, text: string): Promise<number> =>
	page.evaluate(async (value) => {
		const field = document.querySelector<HTMLInputElement>('#quickline');
		if (!field) throw new Error('no quick line');
		const began = performance.now();
		field.value = value;
		field.dispatchEvent(new InputEvent('input', { bubbles: true }));
		await new Promise(requestAnimationFrame);
		return performance.now() - began;
	}, text);

/** Ten years of log in the browser's store, on this machine as it is. */
export async function measure(address: string, options: object, count = ENTRIES): Promise<Decade> {
	const browser = await chromium.launch(options);
	const context = await browser.newContext({
		viewport: { width: 1280, height: 800 },
		timezoneId: 'Europe/London',
		locale: 'en-GB',
		serviceWorkers: 'block'
	});
	const page = await context.newPage();
	await watch(page);
	const book = decadeOf(Date.now(), count);
	await keepIn(page, address, book, {});
	const [verdictMs, wholeMs]: [number[], number[]] = [[], []];
	for (let i = 0; i < 2; i++) {
		await page.goto(address, { waitUntil: 'commit' });
		verdictMs.push(await untilVerdict(page));
		wholeMs.push(await untilWhole(page));
		await page.waitForTimeout(5000);
	}
	const opened = await workerMB(page);
	await page.getByLabel('What happened?').fill('dishes');
	await page.waitForTimeout(1000);
	const times: number[] = [];
	for (const text of [
		's',
		'sh',
		'shower',
		'shower 2',
		'dishes',
		'fill 6',
		'fill 60',
		'dump grey',
		'crew 3'
	]) {
		times.push(await typed(page, text));
		await page.waitForTimeout(300);
	}
	const lineMs = times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? NaN;
	let enterMs = 0;
	for (let i = 0; i < 30; i++) {
		await page.getByLabel('What happened?').fill('flush');
		const began = performance.now();
		await page.getByLabel('What happened?').press('Enter');
		await page.waitForFunction(() => document.querySelector<HTMLInputElement>('#quickline')?.value === '');
		enterMs = Math.max(enterMs, performance.now() - began);
		await page.waitForTimeout(200);
	}
	await page.waitForTimeout(3000);
	const used = await workerMB(page);
	await page.getByRole('navigation').locator('a[href="/ledger"]').click();
	const ledgerMs = await page.evaluate(async () => {
		const began = performance.now();
		while (!document.querySelector('main li')) await new Promise(requestAnimationFrame);
		return performance.now() - began;
	});
	await page.waitForTimeout(2000);
	const from = await clockOf(page);
	await page.mouse.move(600, 500);
	for (let i = 0; i < 20; i++) {
		await page.mouse.wheel(0, 3000);
		await page.waitForTimeout(100);
	}
	await page.waitForTimeout(500);
	const { longestMs } = await watchedSince(page, from);
	await browser.close();
	return {
		entries: book.entries.length,
		verdictMs,
		wholeMs,
		lineMs,
		ledgerMs,
		scrollMs: longestMs,
		enterMs,
		workerMB: [opened, used]
	};
}
