import { expect, test, type Response } from '@playwright/test';
import { gzipSync } from 'node:zlib';
import { writeFileSync } from 'node:fs';
import { measure as measureClients } from '../bench/outside/clients';
import { clockOf, titleAfterTap, watch, watchedSince } from '../bench/outside/watch';
import { rig as paperVan } from '../src/core/listen/heard.fixture.js';
import { entry, exactRig, exactTrip, logbookOf } from './helpers/logbooks';
import { follow, litresOf, lookAround, openDemo, openLogbook, quickline, stored } from './helpers/pages';
import { namedAfter, sends, withSerialMeter } from './helpers/serialMeter';
import { savingData } from './helpers/test';

test('the first view is at most 115 kB of script, gzipped, in a dozen files, and has no chart code in it', async ({
	page
}) => {
	await lookAround(page);
	// What a second visit loads: the first also carries the makers of the demo rigs. All of that is in the store by then.
	await expect.poll(async () => Object.keys(await stored(page)).length).toBeGreaterThan(300);
	await page.goto('about:blank');
	await savingData(page);
	const bodies: Promise<readonly [askedMs: number, body: Buffer]>[] = [];
	const keepScript = (response: Response): void => {
		const request = response.request();
		// What keeps the copies comes by the clock, and before the verdict where that is slow.
		if (request.resourceType() === 'script' && !/service-worker|secondCopy/.test(response.url()))
			bodies.push(response.body().then((body) => [request.timing().startTime, body] as const));
	};
	page.on('response', keepScript);
	// Under the verdict comes what looks for runs that wait, and after that the second copy is looked over.
	const newsCome = page.waitForResponse(
		async (response) => response.url().endsWith('.js') && (await response.text()).includes('dipsometer-runs')
	);
	const copyLookedOver = page.waitForRequest(/secondCopy/);
	// When it stands the page notes by itself: on a busy machine one who looks in from outside sees it late.
	await page.addInitScript(() => {
		const looking = new MutationObserver(() => {
			if (!document.querySelector('h1')?.textContent.includes('first: ')) return;
			looking.disconnect();
			Object.assign(window, { stoodMs: performance.timeOrigin + performance.now() });
		});
		looking.observe(document, { subtree: true, childList: true, characterData: true });
	});
	await page.goto('/');
	const stands = await page.waitForFunction(() => (window as { stoodMs?: number }).stoodMs);
	await Promise.all([newsCome, copyLookedOver]);
	page.off('response', keepScript);
	const stoodMs = Number(await stands.jsonValue());
	// What is asked for after the verdict is not of it, however late this test hears of either.
	const asked = await Promise.all(bodies);
	const scripts = asked.filter(([askedMs]) => askedMs < stoodMs).map(([, body]) => body);
	const gzipped = scripts.reduce((sum, body) => sum + gzipSync(body).length, 0);
	console.log(`first view: ${(gzipped / 1000).toFixed(1)} kB of script, gzipped, in ${scripts.length} files`);
	expect(gzipped).toBeLessThan(115_000);
	expect(scripts.length).toBeLessThanOrEqual(12);
	expect(scripts.some((body) => body.includes('echarts') || body.includes('zrender'))).toBe(false);
	// The rules of files and stores are a quarter of a second of a phone's time: they come with something to look at.
	expect(asked.length).toBeGreaterThan(scripts.length);
	expect(asked.filter(([, body]) => body.includes('ZodMini')).length).toBe(0);
});

test('nothing writes a date or a list before the engine is begun: the first to do so waits for all the languages of the browser', async ({
	page
}) => {
	await page.addInitScript(() => {
		const early: string[] = [];
		let begun = false;
		for (const kind of ['DateTimeFormat', 'ListFormat', 'NumberFormat', 'PluralRules'] as const) {
			const note = (): unknown => begun || early.push(kind);
			const made = new Proxy(Intl[kind] as new (...args: unknown[]) => object, {
				construct: (of, args) => (note(), new of(...(args as unknown[]))),
				apply: (of, self, args) => (note(), Reflect.apply(of, self, args))
			});
			Object.assign(Intl, { [kind]: made });
		}
		window.Worker = class extends Worker {
			constructor(...args: ConstructorParameters<typeof Worker>) {
				super(...args);
				begun = true;
			}
		};
		Object.assign(window, { early });
	});
	await page.goto('/?demo');
	await expect(page.getByRole('heading', { level: 1 })).toContainText('first: ');
	expect(await page.evaluate(() => (window as unknown as { early: string[] }).early)).toEqual([]);
});

/** Lines as they are typed, and what each must say. */
const ANSWERS: Readonly<Record<string, RegExp>> = {
	s: /^\s*Shower, 8.L/,
	sh: /^\s*Shower, 8.L/,
	shower: /^\s*Shower, 8.L from Main to Grey\./,
	'shower 2': /Shower × 2, 16.L/,
	'shower 3': /Shower × 3, 24.L/,
	dishes: /Dishes, 6.L from Main to Grey/,
	'fill 6': /Main filled with 6.L/,
	'fill 60': /Main filled with 60.L/,
	'dump grey': /Grey emptied/,
	'crew 3': /3 aboard from now on/
};

test('with a year in the log, a keystroke in the quick line is answered within 50 ms, and by what was typed', async ({
	page
}, info) => {
	const start = Date.now() - 365 * 86_400_000;
	const entries = Array.from({ length: 365 * 24 }, (_, hour) => {
		const at = new Date(start + hour * 3_600_000).toISOString();
		if (hour % 48 === 0) return entry({ kind: 'fill', at, tank: 'main', to: 'full' });
		if (hour % 48 === 1) return entry({ kind: 'dump', at, tank: 'grey', to: 'empty' });
		if (hour % 48 === 2) return entry({ kind: 'dump', at, tank: 'black', to: 'empty' });
		return entry({
			kind: 'use',
			at,
			habit: hour % 12 === 5 ? 'dishes' : hour % 24 === 7 ? 'shower' : 'flush',
			times: 1
		});
	});
	const path = info.outputPath('year.logbook.json');
	writeFileSync(path, JSON.stringify(logbookOf(entries, exactRig, [exactTrip])));
	await page.goto('/');
	await page.getByRole('button', { name: 'Open a file' }).click();
	await page.getByLabel('Choose a logbook file').setInputFiles(path);
	await page.getByRole('button', { name: 'Import' }).click();
	await expect.poll(() => litresOf(page, 'Main'), { timeout: 60_000 }).toBeGreaterThan(0);
	// How the line is read is fetched once somebody turns to it: what is measured is a keystroke after that.
	await quickline(page).fill('dishes');
	await expect(page.locator('#quickline-says')).toContainText('Dishes');
	await quickline(page).fill('');
	const { times, shown } = await page.evaluate(async (lines) => {
		const field = document.querySelector<HTMLInputElement>('#quickline');
		const says = document.querySelector('#quickline-says');
		if (!field || !says) throw new Error('no quick line');
		const setValue = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
		const measured: number[] = [];
		const shown: string[] = [];
		for (const text of lines) {
			const began = performance.now();
			setValue?.call(field, text);
			field.dispatchEvent(new InputEvent('input', { bubbles: true }));
			await new Promise(requestAnimationFrame);
			measured.push(performance.now() - began);
			shown.push(says.textContent);
			await new Promise((resolve) => setTimeout(resolve, 120));
		}
		return { times: measured.sort((a, b) => a - b), shown };
	}, Object.keys(ANSWERS));
	// What stands beside each line at its own frame is of that line.
	for (const [i, answer] of Object.values(ANSWERS).entries()) expect(shown[i]).toMatch(answer);
	console.log(
		`keystroke to paint: median ${times[5]?.toFixed(1)} ms, slowest ${times.at(-1)?.toFixed(1)} ms`
	);
	// The machine that tests is slow and shared: the median is what is promised.
	expect(times[5]).toBeLessThan(50);
	// Of a year of entries the ledger makes those that are looked at.
	await follow(page, '/ledger');
	const rows = page.locator('main li');
	await expect(rows.first()).toBeVisible();
	expect(await rows.count()).toBeLessThan(200);
	// Days, not rows: what is logged once an hour reads alike from day to day.
	const firstDay = page
		.locator('main section[aria-label]')
		.filter({ has: page.locator('li') })
		.first();
	const top = await firstDay.getAttribute('aria-label');
	await page.locator('main').hover();
	await page.mouse.wheel(0, 30_000);
	await expect.poll(() => firstDay.getAttribute('aria-label')).not.toBe(top);
	expect(await rows.count()).toBeLessThan(200);
});

test('on a phone four times slower nothing moves as figures come, and a chart is drawn once for one answer', async ({
	browser
}) => {
	const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
	const page = await context.newPage();
	await watch(page);
	await page.addInitScript(() => {
		const post = Worker.prototype.postMessage;
		let drawn = 0;
		Worker.prototype.postMessage = function (this: Worker, ...args: Parameters<typeof post>) {
			if ((args[0] as { path?: string[] }).path?.[0] === 'draw')
				document.documentElement.dataset.drawn = String(++drawn);
			post.apply(this, args);
		} as typeof post;
	});
	await lookAround(page);
	// As a person reads before tapping.
	await page.waitForTimeout(3000);
	const devtools = await context.newCDPSession(page);
	await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
	let { shift } = await watchedSince(page, 0);
	for (const path of ['/trip', '/habits', '/ledger', '/']) {
		await page.getByRole('navigation').locator(`a[href="${path}"]`).click();
		await titleAfterTap(page);
		const standsMs = await clockOf(page);
		await page.waitForTimeout(4000);
		shift += (await watchedSince(page, standsMs)).shift;
	}
	// Where something moves, what it was is the first thing that one wants to know.
	const moved = await page.evaluate(() =>
		window.watched.shifts.map(({ by, what }) => `${by.toFixed(3)} ${what}`)
	);
	console.log(`layout shift ${shift.toFixed(3)}`);
	expect(shift, moved.join('\n')).toBeLessThan(0.02);
	// The ribbon, perhaps once more when the plan has come that the first look went without, and when the minute has turned.
	const drawn = Number(await page.locator('html').getAttribute('data-drawn'));
	expect(drawn).toBeGreaterThan(0);
	expect(drawn).toBeLessThanOrEqual(4);
	await context.close();
});

test('a meter on a serial port is heard live: a use is named within two seconds of its end', async ({
	page
}) => {
	await withSerialMeter(page);
	await openLogbook(page, { ...logbookOf([]), rigs: [paperVan], trips: [] }, { at: '/data' });
	await page.getByRole('button', { name: 'Connect by USB' }).click();
	await sends(page, '# pump meter\n100.00\n');
	await expect(page.getByText('The meter by USB: 100')).toBeVisible();
	await follow(page, '/');
	// 6 L a minute for five seconds.
	for (let s = 1; s < 5; s++) {
		await page.waitForTimeout(1000);
		await sends(page, `${(100 + 0.1 * s).toFixed(2)} 6\n`);
	}
	await page.waitForTimeout(1000);
	const tookMs = await namedAfter(page, '100.50 6\n', '0.5 L');
	console.log(`a use is named ${Math.round(tookMs)} ms after its end`);
	expect(tookMs).toBeLessThan(2000);
	await follow(page, '/data');
	await page.evaluate(() => window.meter.close());
	await expect(page.getByText('The meter by USB has stopped sending.')).toBeVisible();
});

test('two clients at once are served as well as one: no thread is begun anew for a call', async ({
	baseURL
}) => {
	// Both threads have met the question before anything is timed; then by turns, since the machine is shared.
	await measureClients(baseURL ?? '', [2], 3000);
	const served = await measureClients(baseURL ?? '', [1, 2, 1, 2, 1, 2], 1500);
	const ofClients = (count: number): number =>
		Math.max(
			...served.filter(({ clients }) => clients === count).map(({ callsPerSecond }) => callsPerSecond)
		);
	const [one, two] = [ofClients(1), ofClients(2)];
	console.log(`calls a second: ${one.toFixed(1)} alone, ${two.toFixed(1)} by two`);
	// A thread begun for every call would leave a fifth; what is promised of quiet machines the bench tells.
	expect(two).toBeGreaterThan(0.6 * one);
});

test('the map is at most 60 kB of script, gzipped, beside its atlas, and comes with no other view', async ({
	page
}) => {
	const scripts = new Set<string>();
	page.on('request', (request) => request.resourceType() === 'script' && scripts.add(request.url()));
	const ofMap = async (): Promise<readonly Buffer[]> => {
		const bodies = await Promise.all([...scripts].map(async (url) => (await page.request.get(url)).body()));
		return bodies.filter((body) => body.includes('leaflet'));
	};
	await openDemo(page);
	expect(await ofMap()).toEqual([]);
	await follow(page, '/trip/points');
	await expect(page.locator('.leaflet-container .sign').first()).toBeVisible();
	const gzipped = (await ofMap()).reduce((sum, body) => sum + gzipSync(body).length, 0);
	console.log(`the map: ${Math.round(gzipped / 1000)} kB of script, gzipped`);
	expect(gzipped).toBeGreaterThan(0);
	expect(gzipped).toBeLessThan(60_000);
});
