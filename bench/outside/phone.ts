import { chromium, type Browser, type Page } from '@playwright/test';
import { clockOf, titleAfterTap, watch, watchedSince, type Watched } from './watch';

/** A cheap phone: a quarter of this machine's speed, and a small screen. */
const PHONE = { width: 390, height: 844 };
const LAPTOP = { width: 1280, height: 800 };
/** A view is left alone so long after the tap, ms: by then its figures have come. */
const SETTLED_MS = 6000;
const VIEWS = ['/trip', '/', '/habits', '/', '/ledger', '/rig', '/data', '/'] as const;

/** What was measured on one device. */
export interface Measured {
	readonly first: number;
	readonly return: number;
	readonly opened: Watched;
	/** by view, in the order in which they were tapped */
	readonly views: readonly (Watched & { readonly path: string; readonly titleMs: number })[];
	/** the title of *Now* when it is tapped half a second after *Trip* was */
	readonly leftAtOnceMs: number;
}

async function openPage(browser: Browser, viewport: typeof PHONE, slower: number): Promise<Page> {
	const context = await browser.newContext({
		viewport,
		timezoneId: 'Europe/London',
		locale: 'en-GB',
		isMobile: viewport.width < 500,
		hasTouch: viewport.width < 500,
		serviceWorkers: 'block'
	});
	const page = await context.newPage();
	await watch(page);
	const devtools = await context.newCDPSession(page);
	await devtools.send('Emulation.setCPUThrottlingRate', { rate: slower });
	return page;
}

/** Opens an address; how long until the verdict stands, ms of the page's own clock. */
async function untilVerdict(page: Page, address: string): Promise<number> {
	await page.goto(address, { waitUntil: 'commit' });
	const found = await page.waitForFunction(
		() => document.querySelector('h1')?.textContent.includes('first: ') && performance.now(),
		undefined,
		{ polling: 'raf', timeout: 60_000 }
	);
	return Number(await found.jsonValue());
}

async function tap(page: Page, path: string): Promise<void> {
	const box = await page.getByRole('navigation').locator(`a[href="${path}"]`).boundingBox();
	if (!box) throw new Error(`there is no link to ${path}`);
	await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
}

async function journey(page: Page, address: string): Promise<Measured> {
	const first = await untilVerdict(page, `${address}/?demo`);
	await page.waitForTimeout(SETTLED_MS);
	const back = await untilVerdict(page, address);
	await page.waitForTimeout(SETTLED_MS);
	const opened = await watchedSince(page, 0);
	const views: Measured['views'][number][] = [];
	for (const path of VIEWS) {
		const began = await clockOf(page);
		await tap(page, path);
		const titleMs = await titleAfterTap(page);
		await page.waitForTimeout(SETTLED_MS);
		views.push({ path, titleMs, ...(await watchedSince(page, began)) });
	}
	await tap(page, '/trip');
	await page.waitForTimeout(500);
	await tap(page, '/');
	const leftAtOnceMs = await titleAfterTap(page);
	return { first, return: back, opened, views, leftAtOnceMs };
}

/** The demo on a phone four times slower, and on this machine as it is. */
export async function measure(
	address: string,
	options: object
): Promise<Record<'phone' | 'laptop', Measured>> {
	const browser = await chromium.launch(options);
	const on = async (viewport: typeof PHONE, slower: number): Promise<Measured> => {
		const page = await openPage(browser, viewport, slower);
		const measured = await journey(page, address);
		await page.context().close();
		return measured;
	};
	const measured = { phone: await on(PHONE, 4), laptop: await on(LAPTOP, 1) };
	await browser.close();
	return measured;
}
