import { expect, type Locator, type Page } from '@playwright/test';
import { demoLogbook } from '../../demo/index.js';
import type { Logbook } from '../../src/core/logbook/index.js';
import { keepIn } from './kept.js';
import { NOW_MS } from './test.js';

/** Where the browser of the tests is. */
const TIME_ZONE = 'Europe/London';

/** Where the application is opened: at which view, and from which server. */
interface Where {
	readonly at?: string;
	readonly base?: string;
}

export const quickline = (page: Page): Locator => page.getByLabel('What happened?');
const hasVerdict = (page: Page): Promise<void> =>
	expect(page.getByRole('img', { name: /^Main, fresh/ })).toBeVisible();

/** Opens a view of the application with a logbook in its store, as on a later visit, and waits until it is there. */
async function openKept(
	page: Page,
	logbook: Logbook,
	prefs: object,
	{ at = '/', base = '' }: Where
): Promise<void> {
	await keepIn(page, base, logbook, prefs);
	await page.goto(base + at);
	await (at === '/' ? hasVerdict(page) : expect(page.getByRole('heading', { level: 1 })).toBeVisible());
}

let demo: Logbook | undefined;
/** Opens a view with the demo rigs in the store, as on a later visit. */
export const openDemo = (page: Page, where: Where = {}): Promise<void> =>
	openKept(page, (demo ??= demoLogbook(NOW_MS, TIME_ZONE)), { rig: 'demo-wren' }, where);

/** Opens a view with a logbook of one's own in the store, as on a later visit. */
export const openLogbook = (page: Page, logbook: Logbook, where: Where = {}): Promise<void> =>
	openKept(page, logbook, {}, where);

/** Looks at the demo as a newcomer does. */
export async function lookAround(page: Page, base = ''): Promise<void> {
	await page.goto(`${base}/?demo`);
	await hasVerdict(page);
}

/** Follows a link to a view, without loading the application anew. */
export async function follow(page: Page, to: string): Promise<void> {
	await page.evaluate((href) => {
		const link = Object.assign(document.createElement('a'), { href });
		document.body.append(link);
		link.click();
		link.remove();
	}, to);
	await page.waitForURL(`**${to}`);
	// Its content is in the document with the next frame.
	await page.evaluate(() => new Promise(requestAnimationFrame));
}

/** Types a line, waits until it is understood, enters it, and waits until it is stored: it is a draft until then. */
export async function enter(page: Page, line: string): Promise<void> {
	await quickline(page).fill(line);
	await expect(page.getByRole('button', { name: 'Enter' })).toBeEnabled();
	await quickline(page).press('Enter');
	await expect(quickline(page)).toHaveValue('');
	await page.waitForFunction(() => sessionStorage.getItem('dipsometer.quickline') === '');
}

/** Opens the application with a logbook of one's own, as a newcomer opens a file. */
export async function openFile(page: Page, logbook: Logbook): Promise<void> {
	await page.goto('/');
	await page.getByRole('button', { name: 'Open a file' }).click();
	await page.locator('input[type=file]').setInputFiles({
		name: 'van.logbook.json',
		mimeType: 'application/json',
		buffer: Buffer.from(JSON.stringify({ ...logbook, exportedAt: new Date(NOW_MS).toISOString() }))
	});
	await page.getByRole('button', { name: 'Import' }).click();
	await hasVerdict(page);
}

/** Waits until the page is in the hands of its service worker: from then on it needs no network. */
export const controlled = (page: Page): Promise<void> =>
	page.evaluate(async () => {
		await navigator.serviceWorker.ready;
		if (!navigator.serviceWorker.controller)
			await new Promise((resolve) =>
				navigator.serviceWorker.addEventListener('controllerchange', resolve, { once: true })
			);
	});

/** The litres that a large rod on *Now* shows for a tank. */
export async function litresOf(page: Page, tank: string): Promise<number> {
	const label = await page
		.getByRole('button', { name: new RegExp(`^Why .* in ${tank}\\?`) })
		.getAttribute('aria-label');
	return Number(/Why ([\d.]+)/.exec(label ?? '')?.[1]);
}

/** Everything in one part of the browser's own store, by key. */
export const stored = async (
	page: Page,
	part: 'records' | 'prefs' = 'records'
): Promise<Record<string, unknown>> => {
	const written = await page.evaluate(
		(from) =>
			new Promise<string>((resolve, reject) => {
				const open = indexedDB.open('dipsometer');
				open.onerror = () => reject(open.error);
				open.onsuccess = () => {
					const store = open.result.transaction(from).objectStore(from);
					const [keys, values] = [store.getAllKeys(), store.getAll()];
					values.onsuccess = () => {
						const found = keys.result.map((key, i) => [String(key), values.result[i] as unknown]);
						resolve(JSON.stringify(Object.fromEntries(found)));
						open.result.close();
					};
				};
			}),
		part
	);
	return JSON.parse(written) as Record<string, unknown>;
};

/** All that the second copy of the logbook holds, as text. */
export const secondCopy = (page: Page): Promise<string> =>
	page.evaluate(async () => {
		const root = await navigator.storage.getDirectory();
		const texts: string[] = [];
		for await (const [name, folder] of root.entries())
			if (name === 'second-copy' && folder instanceof FileSystemDirectoryHandle)
				for await (const file of folder.values())
					if (file instanceof FileSystemFileHandle) texts.push(await (await file.getFile()).text());
		return texts.join('\n');
	});

/** A hand that is at the button that stops long work the moment it appears. */
export const stopAtOnce = (page: Page): Promise<void> =>
	page.evaluate(() => {
		const look = (): void => {
			const stop = [...document.querySelectorAll('button')].find(({ innerText }) => innerText === 'Stop');
			if (!stop || !document.querySelector('progress')) return;
			watch.disconnect();
			clearInterval(often);
			stop.click();
		};
		const watch = new MutationObserver(look);
		watch.observe(document.body, { childList: true, subtree: true, attributes: true });
		// A button whose words come a moment later is no mutation of its own on every machine.
		const often = setInterval(look, 5);
	});

/** Lets a question go out to the engine, or to another worker, only so much later: its answer takes its time. */
export const answersLate = (page: Page, kind: string, ms: number): Promise<unknown> =>
	page.addInitScript(
		([late, byMs]) => {
			const post = Worker.prototype.postMessage;
			Worker.prototype.postMessage = function (this: Worker, ...args: Parameters<typeof post>) {
				const { path, argumentList } = args[0] as {
					path?: readonly string[];
					argumentList?: readonly { value?: unknown }[];
				};
				const send = (): void => post.apply(this, args);
				if (argumentList?.[0]?.value === late || path?.[0] === late) setTimeout(send, byMs);
				else send();
			} as typeof post;
		},
		[kind, ms] as const
	);
