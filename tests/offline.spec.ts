import { expect, test } from './helpers/test.js';
import { controlled, enter, litresOf, lookAround, quickline } from './helpers/pages';
import { makeNextBuild } from './helpers/nextBuild';
import { freePort, startServer } from './helpers/server';

test.use({ serviceWorkers: 'allow' });

test('after one visit everything works with the server dead', async ({ page }) => {
	const server = await startServer(await freePort());
	await lookAround(page, server.base);
	await controlled(page);
	await server.kill();
	await page.goto(`${server.base}/trip`);
	await expect(page.getByRole('heading', { level: 1 })).toContainText('at Tamsel Ford');
	await page.goto(`${server.base}/`);
	const before = await expect
		.poll(() => litresOf(page, 'Main'))
		.toBeGreaterThan(0)
		.then(() => litresOf(page, 'Main'));
	await enter(page, 'shower 2');
	await expect.poll(() => litresOf(page, 'Main')).toBeLessThan(before - 10);
	await page.reload();
	await expect.poll(() => litresOf(page, 'Main')).toBeLessThan(before - 10);
	await page.getByRole('button', { name: /^Why .* in Main\?/ }).click();
	// What the page and its worker load only now is there too.
	await expect(page.getByRole('dialog')).toContainText(/Mostly|entries/);
	for (const path of ['/ledger', '/rig', '/data']) {
		await page.goto(server.base + path);
		await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
		// Placed in a worker of its own.
		if (path === '/rig')
			await expect(page.getByRole('button', { name: 'Shower head', exact: true })).toBeVisible();
	}
	await page.goto(`${server.base}/share?with=Ivo`);
	await page.getByLabel('Your name, for Ivo').fill('Mara');
	await page.getByRole('button', { name: 'Next' }).click();
	await expect(page.getByRole('img', { name: /^Code, picture/ })).toBeVisible();
});

test('it can be installed', async ({ page, request }) => {
	await page.goto('/');
	const manifest = await (await request.get('/manifest.webmanifest')).json();
	expect(manifest).toMatchObject({ name: 'Dipsometer', start_url: '/', display: 'standalone' });
	for (const { src, type } of manifest.icons) {
		const icon = await request.get(src);
		expect(icon.headers()['content-type']).toContain(type);
	}
});

test('a new build is taken over without losing a keystroke', async ({ page }) => {
	const nextVersion = makeNextBuild('build', 'build-next');
	const port = await freePort();
	const old = await startServer(port);
	await lookAround(page, old.base);
	await controlled(page);
	const version = async (): Promise<string> =>
		((await (await page.request.get(`${old.base}/api/health`)).json()) as { version: string }).version;
	const before = await version();
	await quickline(page).pressSequentially('yesterday 21:30 dish');
	await page.evaluate(() => Object.assign(globalThis, { ofTheOldBuild: true }));
	await old.kill();
	const next = await startServer(port, 'build-next');
	expect(await version()).not.toBe(before);
	// The browser may look for a new build by itself before it is asked to, and start the page anew meanwhile.
	await page
		.evaluate(async () => void (await (await navigator.serviceWorker.getRegistration())?.update()))
		.catch((error: unknown) => expect(String(error)).toContain('context was destroyed'));
	await page.waitForFunction(() => !('ofTheOldBuild' in globalThis), undefined, { timeout: 120_000 });
	await expect(quickline(page)).toHaveValue('yesterday 21:30 dish');
	await expect
		.poll(() => page.evaluate(async () => (await caches.keys()).join()))
		.toContain(`dipsometer-${nextVersion}`);
	await expect.poll(() => page.evaluate(async () => (await caches.keys()).length)).toBe(1);
	await quickline(page).pressSequentially('es');
	await expect(page.locator('#quickline-says')).toContainText('Dishes');
	await next.kill();
});
