import { test as base, type BrowserContext, type Page } from '@playwright/test';

/** A morning in summer, before any of the fixtures: the demo and what tests write is dated to it. */
export const NOW_MS = Date.parse('2026-06-16T10:40:00+01:00');

export { expect, type Locator, type Page } from '@playwright/test';

/** Has pages believe that the device is asked to fetch nothing that may not be needed. */
export const savingData = (target: BrowserContext | Page): Promise<unknown> =>
	target.addInitScript(() => Object.defineProperty(navigator, 'connection', { value: { saveData: true } }));

/** Leaves a browser as it was before the test, but for the files that it has fetched. */
async function empty(context: BrowserContext, origin: string): Promise<void> {
	for (const page of context.pages()) await page.close();
	await Promise.all([
		context.unrouteAll({ behavior: 'ignoreErrors' }),
		context.clearCookies(),
		context.clearPermissions(),
		context.setGeolocation(null),
		context.setOffline(false)
	]);
	const page = await context.newPage();
	const devtools = await context.newCDPSession(page);
	await devtools.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' });
	await page.close();
}

/**
 * A test whose pages all begin at that moment; time goes on from there. The device saves data: the code
 * of views that a test does not open would be half of what it loads. A worker's tests fetch and compile the application once: one
 * browser is emptied after each of them, but those with a service worker, which keeps a copy of its own, have each their own.
 */
export const test = base.extend<object, { emptied: Map<string, BrowserContext> }>({
	emptied: [
		// eslint-disable-next-line no-empty-pattern -- the runner reads from the pattern which fixtures are wanted
		async ({}, use) => {
			const contexts = new Map<string, BrowserContext>();
			await use(contexts);
			for (const context of contexts.values()) await context.close();
		},
		{ scope: 'worker' }
	],
	context: async ({ browser, emptied, serviceWorkers, viewport, hasTouch, isMobile, baseURL }, use) => {
		const isOwn = serviceWorkers === 'allow';
		const key = JSON.stringify({ viewport, hasTouch, isMobile });
		const begin = async (): Promise<BrowserContext> => {
			const context = await browser.newContext();
			await savingData(context);
			return context;
		};
		const context = (isOwn ? undefined : emptied.get(key)) ?? (await begin());
		if (!isOwn) emptied.set(key, context);
		await context.clock.install({ time: NOW_MS });
		await use(context);
		await (isOwn ? context.close() : empty(context, baseURL ?? ''));
	},
	page: async ({ page }, use, info) => {
		await use(page);
		if (info.status === info.expectedStatus) return;
		// Why something did not come is seen by what is there instead.
		console.log(`${info.title}: at the end, ${page.url()} said\n${await page.locator('body').innerText()}`);
	}
});
