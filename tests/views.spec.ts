import { watch } from '../bench/outside/watch.js';
import { violationsOf } from './helpers/axe';
import { expect, type Locator, test } from './helpers/test.js';
import { answersLate, follow, openDemo } from './helpers/pages';
import { nothingMoved } from './helpers/shift.js';

/** Of these, all three themes are looked at. */
const COLOURED = new Set(['/', '/trip']);
const VIEWS = ['/', '/trip', '/habits', '/ledger', '/rig', '/data', '/run/fill', '/run/dump', '/run/carry'];

// In two halves, which two workers take.
for (const views of [0, 1].map((half) => VIEWS.filter((_, i) => i % 2 === half)))
	test(`no axe violations by day, at dusk and at night: ${views.join(' ')}`, async ({ page }) => {
		test.setTimeout(240_000);
		await openDemo(page);
		for (const path of views) {
			await follow(page, path);
			await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
			// That each pair of colours has its contrast in every theme is tested of the tokens; two pages hold the tests to it.
			for (const theme of COLOURED.has(path) ? ['day', 'dusk', 'night'] : ['day']) {
				await page.evaluate((name) => (document.documentElement.dataset.theme = name), theme);
				// A theme changes colours alone: the other rules are held to once.
				const rules = theme === 'day' ? {} : { rules: ['color-contrast', 'link-in-text-block'] };
				expect(await violationsOf(page, rules), `${path} ${theme}`).toEqual([]);
			}
		}
	});

test('a theme is chosen, and kept', async ({ page }) => {
	await openDemo(page, { at: '/data' });
	const theme = page.locator('html');
	for (const name of ['Dusk', 'Night']) {
		await page.getByRole('radio', { name }).check();
		await expect(theme).toHaveAttribute('data-theme', name.toLowerCase());
	}
	await page.goto('/');
	await expect(theme).toHaveAttribute('data-theme', 'night');
});

test('no axe violations at the first run, in Why?, in a form and in the steps of a run', async ({ page }) => {
	test.setTimeout(180_000);
	const clean = async (): Promise<void> => expect(await violationsOf(page)).toEqual([]);
	await page.goto('/');
	await expect(page.getByRole('heading', { name: 'Look around' })).toBeVisible();
	await clean();
	await page.getByRole('button', { name: 'Sandling, a boat' }).click();
	await page.getByRole('button', { name: /^Why .* in Fore\?/ }).click();
	await expect(page.getByRole('dialog')).toBeVisible();
	await clean();
	await page.keyboard.press('Escape');
	await page.getByRole('navigation').getByRole('link', { name: 'Rig' }).click();
	await page.getByRole('button', { name: 'Change Holding', exact: true }).click();
	await expect(page.getByRole('dialog')).toBeVisible();
	await clean();
	await follow(page, '/run/fill?tank=sand-aft');
	await page.getByLabel(/Hose meter shows now/).fill('431.6');
	for (const name of ['Begin', 'Ready', 'It is full'])
		await page.getByRole('button', { name, exact: true }).click();
	await expect(page.getByLabel('Hose meter shows')).toBeFocused();
	await clean();
	await follow(page, '/run/dump');
	for (const name of ['Begin', 'It says waste', 'It is on'])
		await page.getByRole('button', { name, exact: true }).click();
	await expect(page.getByRole('button', { name: 'Not quite empty' })).toBeVisible();
	await clean();
});

test('nothing moves under a finger when the typefaces come late', async ({ page }) => {
	await page.route(/\.woff2$/, async (route) => {
		await new Promise((resolve) => setTimeout(resolve, 600));
		await route.continue();
	});
	await page.goto('/');
	const button = page.getByRole('button', { name: 'Open a file' });
	await button.waitFor();
	const first = await button.boundingBox();
	await page.evaluate(() => document.fonts.ready);
	expect(await page.evaluate(() => document.fonts.check("1em 'Bricolage Grotesque Variable'"))).toBe(true);
	expect(await button.boundingBox()).toEqual(first);
});

test('a view opened at its address keeps its place as levels, plan and charts come', async ({ page }) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await watch(page);
	await answersLate(page, 'now/assess', 1500);
	const last: readonly (readonly [string, Locator])[] = [
		['/rig', page.getByRole('heading', { name: 'Containers' })],
		['/rig/tank/wren-main', page.locator('.chart svg').first()],
		['/trip/points', page.getByRole('heading', { name: /last chance/ })],
		['/ledger/review', page.getByRole('heading', { name: 'Tank by tank' })]
	];
	for (const [at, comes] of last) {
		await openDemo(page, { at });
		await expect(page.getByLabel('Tanks now')).toContainText('days');
		await expect(comes).toBeAttached();
		await nothingMoved(page);
	}
});

test('every page comes with its policy, asks nobody else, and breaks none of it', async ({
	page,
	baseURL
}) => {
	const elsewhere: string[] = [];
	const complaints: string[] = [];
	page.on(
		'request',
		(request) =>
			!request.url().startsWith(baseURL ?? '') &&
			!/^(data|blob):/.test(request.url()) &&
			elsewhere.push(request.url())
	);
	page.on('console', (message) => message.type() === 'error' && complaints.push(message.text()));
	page.on('pageerror', (error) => complaints.push(error.message));
	await openDemo(page);
	for (const path of VIEWS) {
		// Asked past the browser's cache, which keeps a page with what it was first sent with.
		const headers = (await page.request.get(path)).headers();
		await page.goto(path);
		expect(headers['x-content-type-options']).toBe('nosniff');
		// A page that was made with the build has its policy in itself; from where pictures may come stands in a header of all.
		const meta = page.locator('meta[http-equiv="content-security-policy"]');
		const policies = [
			...(headers['content-security-policy'] ?? '').split(', '),
			...((await meta.count()) > 0 ? [(await meta.getAttribute('content')) ?? ''] : [])
		];
		const policy = policies.join(', ');
		expect(policies).toContain("img-src 'self' data:");
		expect(policy).toContain("default-src 'self'");
		expect(policy).not.toContain('unsafe-eval');
		expect(policy).not.toMatch(/script-src[^;]*unsafe-inline/);
		await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
	}
	expect(elsewhere).toEqual([]);
	expect(complaints).toEqual([]);
});

test('a word of our own is told by a tap where it is used, by a key, and in the command list', async ({
	page
}) => {
	await openDemo(page, { at: '/rig' });
	const panel = page.getByRole('dialog');
	await page.getByRole('button', { name: 'reserve', exact: true }).click();
	await expect(panel.getByRole('heading', { name: 'Reserve' })).toBeVisible();
	await expect(panel.getByText(/^Fresh water you never plan to use: /).first()).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(panel).toHaveCount(0);
	await page.keyboard.press('w');
	await expect(panel.getByRole('heading', { name: 'What our words mean' })).toBeVisible();
	await expect(panel.getByText('A wheeled waste tank that you take to the drain by hand')).toBeVisible();
	await page.keyboard.press('Escape');
	await page.keyboard.press('Control+k');
	await panel.getByRole('combobox').fill('what is headroom');
	await page.keyboard.press('Enter');
	await expect(panel.getByRole('heading', { name: 'Headroom' })).toBeVisible();
	// A form over the page has its words at hand, too; its panel lies over the form and gives it back.
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'Change Main', exact: true }).click();
	await panel.getByRole('button', { name: 'rated size', exact: true }).click();
	await expect(page.getByRole('heading', { name: 'Rated size' })).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(page.getByRole('heading', { name: 'Change Main' })).toBeVisible();
});
