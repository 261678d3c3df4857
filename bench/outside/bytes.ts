import { chromium, type Page, type Response } from '@playwright/test';
import { gzipSync } from 'node:zlib';

const VIEWS = ['/trip', '/habits', '/ledger', '/ledger/review', '/rig', '/rig/care', '/data', '/trip/points'];

/** Scripts of a view, gzipped, kB. */
export interface Bytes {
	readonly view: string;
	readonly kB: number;
	readonly files: number;
}

/** Every script that comes until that is so, by its address, gzipped. */
async function scriptsOf(
	page: Page,
	address: string,
	stands: () => boolean
): Promise<ReadonlyMap<string, number>> {
	const bodies: Promise<readonly [string, number]>[] = [];
	const keep = (response: Response): void => {
		const url = response.url();
		if (response.request().resourceType() === 'script' && !url.endsWith('service-worker.js'))
			bodies.push(response.body().then((body) => [url, gzipSync(body).length] as const));
	};
	page.on('response', keep);
	await page.goto(address, { waitUntil: 'commit' });
	await page.waitForFunction(stands, undefined, { polling: 'raf' });
	page.off('response', keep);
	return new Map(await Promise.all(bodies));
}

const sum = (sizes: Iterable<number>): number => [...sizes].reduce((all, size) => all + size, 0) / 1000;

/** What the first verdict loads on a later visit, and what each view adds when one comes straight to it. */
export async function measure(address: string, options: object): Promise<readonly Bytes[]> {
	const browser = await chromium.launch(options);
	const page = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
	await page.goto(`${address}/?demo`);
	const stands = (): boolean => document.querySelector('h1')?.textContent.includes('first: ') === true;
	await page.waitForFunction(stands);
	await page.waitForTimeout(3000);
	await page.goto('about:blank');
	const first = await scriptsOf(page, address, stands);
	const [engine, own] = [true, false].map((inWorker) =>
		[...first].filter(([url]) => url.includes('/workers/') === inWorker).map(([, size]) => size)
	) as [number[], number[]];
	const found: Bytes[] = [
		{ view: 'first verdict', kB: sum(first.values()), files: first.size },
		{ view: '… of that the page', kB: sum(own), files: own.length },
		{ view: '… of that the engine', kB: sum(engine), files: engine.length }
	];
	for (const view of VIEWS) {
		await page.goto('about:blank');
		const all = await scriptsOf(page, address + view, () => document.querySelector('main h1') !== null);
		const added = [...all].filter(([url]) => !first.has(url)).map(([, size]) => size);
		found.push({ view, kB: sum(added), files: added.length });
	}
	await browser.close();
	return found;
}
