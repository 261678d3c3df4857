// npm run screenshots: one picture of each main view, from the demo data at a fixed moment, into docs/screenshots/.
import { chromium } from '@playwright/test';
import { chromiumOptions } from './chromium.mjs';
import { serve } from './serve.mjs';

const OUT = 'docs/screenshots';
/** A fixed clock, so that the same pictures come out on any day. */
const NOW = new Date('2027-06-16T10:40:00+01:00');

/** @type {readonly { name: string, path: string, width?: number, height?: number, theme?: string, rig?: string, act?: (page: import('@playwright/test').Page) => Promise<unknown> }[]} */
const SHOTS = [
	{ name: 'now', path: '/', act: (page) => page.getByLabel('What happened?').pressSequentially('shower 2') },
	{
		name: 'now-why',
		path: '/',
		act: (page) => page.getByRole('button', { name: /^Why .* in Grey\?/ }).click()
	},
	{ name: 'now-dusk', path: '/', theme: 'dusk' },
	{ name: 'now-night', path: '/', theme: 'night' },
	{ name: 'now-phone', path: '/', width: 390, height: 844 },
	{ name: 'now-boat', path: '/', rig: 'Sandling' },
	{ name: 'trip', path: '/trip' },
	{ name: 'ledger', path: '/ledger' },
	{ name: 'rig', path: '/rig' },
	{ name: 'data', path: '/data' },
	{ name: 'first-run', path: '' }
];

const { server, address } = await serve({ port: 0 });
const browser = await chromium.launch(chromiumOptions);
for (const { name, path, width = 1280, height = 800, theme, rig, act } of SHOTS) {
	const context = await browser.newContext({
		viewport: { width, height },
		timezoneId: 'Europe/London',
		locale: 'en-GB',
		isMobile: width < 500,
		hasTouch: width < 500,
		serviceWorkers: 'block'
	});
	const page = await context.newPage();
	await page.clock.setFixedTime(NOW);
	await page.goto(path === '' ? address : `${address}/?demo`);
	if (path !== '') {
		await page.locator('.rods').waitFor();
		if (rig) await page.getByLabel('Rig', { exact: true }).selectOption(rig);
		const view = page.getByRole('navigation').locator(`a[href="${path}"]`);
		await view.click();
	}
	await page.getByRole('heading', { level: 1 }).waitFor();
	if (theme) await page.evaluate((name) => (document.documentElement.dataset.theme = name), theme);
	await act?.(page);
	await page.waitForTimeout(900);
	await page.screenshot({ path: `${OUT}/${name}.png` });
	await context.close();
	console.log(`${OUT}/${name}.png`);
}
await browser.close();
server.close();
