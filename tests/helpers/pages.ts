import { expect, type Locator, type Page } from '@playwright/test';
import type { Logbook } from '../../src/core/logbook/index.js';
import { NOW_MS } from './test.js';

/** Opens the application with the demo rigs and waits until it has a verdict. */
export async function openDemo(page: Page, base = ''): Promise<void> {
	await page.goto(`${base}/?demo`);
	await expect(page.getByRole('img', { name: /^Main, fresh/ })).toBeVisible({ timeout: 20_000 });
}

export const quickline = (page: Page): Locator => page.getByLabel('What happened?');

/** Types a line, waits until its effect on the stay is said, and enters it. */
export async function enter(page: Page, line: string): Promise<void> {
	await quickline(page).fill(line);
	await expect(page.getByRole('button', { name: 'Enter' })).toBeEnabled();
	await quickline(page).press('Enter');
	await expect(quickline(page)).toHaveValue('');
}

/** Opens the application with a logbook of one's own, as a newcomer opens a file. */
export async function openLogbook(page: Page, logbook: Logbook, base = ''): Promise<void> {
	await page.goto(`${base}/`);
	await page.getByRole('button', { name: 'Open a file' }).click();
	await page.locator('input[type=file]').setInputFiles({
		name: 'van.logbook.json',
		mimeType: 'application/json',
		buffer: Buffer.from(JSON.stringify({ ...logbook, exportedAt: new Date(NOW_MS).toISOString() }))
	});
	await page.getByRole('button', { name: 'Take it in' }).click();
	await expect(page.getByRole('img', { name: /^Main, fresh/ })).toBeVisible();
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
export const stored = (page: Page, part: 'records' | 'prefs' = 'records'): Promise<Record<string, unknown>> =>
	page.evaluate(
		(from) =>
			new Promise<Record<string, unknown>>((resolve, reject) => {
				const open = indexedDB.open('dipsometer');
				open.onerror = () => reject(open.error);
				open.onsuccess = () => {
					const store = open.result.transaction(from).objectStore(from);
					const [keys, values] = [store.getAllKeys(), store.getAll()];
					values.onsuccess = () => {
						resolve(
							Object.fromEntries(keys.result.map((key, i) => [String(key), values.result[i] as unknown]))
						);
						open.result.close();
					};
				};
			}),
		part
	);
