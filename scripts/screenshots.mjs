// npm run screenshots: one picture of each main view, from the demo data at a fixed moment, into docs/screenshots/.
import { chromium } from '@playwright/test';
import { chromiumOptions, pictureBrowserPath } from './chromium.mjs';
import { serve } from './serve.mjs';

const OUT = 'docs/screenshots';
/** A fixed clock, so that the same pictures come out on any day. */
const NOW = new Date('2027-06-16T10:40:00+01:00');

/** Waits until the plan is made and drawn; a theme that was chosen meanwhile is drawn with. */
async function ribbonDrawn(page) {
	await page
		.getByRole('group', { name: /The trip along time/ })
		.locator('svg')
		.waitFor();
	await page.waitForTimeout(1500);
}

/** Writes a trip in lines, one word of it not understood, and waits for its plan. */
async function linesWritten(page) {
	await page
		.getByLabel('The stops, one a line')
		.fill(
			[
				'Skarn Hause 1 night',
				'14 km Tamsel Ford: water, grey, black',
				'Orrow Plantation, 3 nights, 28 °C',
				'21 km Low Sarn fill and dump 20 min',
				'Kelda Top till somday'
			].join('\n')
		);
	await page.getByText('is not clear').waitFor();
	await ribbonDrawn(page);
}

/** Waits until the map has its signs and coasts. */
const mapDrawn = (page) => page.locator('.leaflet-container .sign').first().waitFor();

/** Waits until what Habits shows has been worked out. */
async function workedOut(page) {
	await page.getByRole('columnheader', { name: 'Time left' }).waitFor();
	await page.locator('svg[aria-label^="Time left"]').waitFor();
}

/** Waits until the levels of the tank are drawn. */
const levelsDrawn = (page) => page.locator('.chart svg').first().waitFor();

/** Three things in a line, and what they do to the stay. */
async function sayThree(page) {
	await page.getByLabel('What happened?').pressSequentially('2 showers, dishes and kettle');
	await page.locator('#quickline-says strong').waitFor();
}

/** Waits until the evenings are held against what came. */
const recordRead = (page) => page.getByText(/on 1\d evenings; \d+ expected/).waitFor({ timeout: 60_000 });

const PHONE = { width: 390, height: 844 };
const press = (page, name) => page.getByRole('button', { name, exact: true }).click();

/** A fill under way: the simulated meter has counted for a while. */
async function fillAft(page) {
	await page.getByLabel('How much').selectOption('litres');
	await page.getByLabel('Litres to take').fill('41.4');
	await page.getByLabel('Drinking water?').selectOption('yes');
	await page.getByLabel('Hose meter shows now').fill('431.6');
	await page.getByLabel('Flow, a minute').fill('40');
	await press(page, 'Begin');
	await press(page, 'Ready');
	await press(page, 'Let it count by itself');
	await page.waitForTimeout(8000);
}

/** A dump under way: the cassette is empty, grey is next. */
async function dumpAll(page) {
	const cassette = ['At the drain', 'It is poured out', 'Rinsed', 'Done, from the tank', 'Clean and back in'];
	for (const name of ['Begin', ...cassette, 'All shut', 'The hose is on', 'Air gets in'])
		await press(page, name);
}

/** The code of all that is in the demo. */
async function shareAll(page) {
	await page.getByLabel('Your name, for Ivo').fill('Maud');
	await press(page, 'Next');
	await page.getByRole('img', { name: /^Code/ }).waitFor();
}

/** A simulated rig lives its day, which takes a minute; then that day as a strip. */
async function dayHeard(page) {
	await press(page, 'Start the simulated rig');
	await page.getByText('has stopped sending').waitFor({ timeout: 90_000 });
	await page.getByRole('link', { name: 'What was heard' }).click();
	await press(page, 'Day before');
	await page.locator('svg').first().waitFor();
}

/** @type {readonly { name: string, path: string, width?: number, height?: number, rig?: string, act?: (page: import('@playwright/test').Page) => Promise<unknown> }[]} */
const SHOTS = [
	{ name: 'now', path: '/', act: sayThree },
	{ name: 'now-phone', path: '/', width: 390, height: 844 },
	{ name: 'trip', path: '/trip', act: ribbonDrawn },
	{ name: 'share', path: '/share?with=Ivo', ...PHONE, act: shareAll },
	{ name: 'habits', path: '/habits', act: workedOut },
	{ name: 'trip-lines', path: '/trip/lines', act: linesWritten },
	{ name: 'run-fill', path: '/run/fill?tank=sand-aft', rig: 'Sandling', ...PHONE, act: fillAft },
	{ name: 'run-dump', path: '/run/dump', ...PHONE, act: dumpAll },
	{ name: 'ledger', path: '/ledger' },
	{
		name: 'review',
		path: '/ledger/review',
		act: (page) => page.getByRole('heading', { name: 'Day by day' }).waitFor()
	},
	{ name: 'record', path: '/ledger/record', act: recordRead },
	{ name: 'points', path: '/trip/points', act: mapDrawn },
	{ name: 'trip-card', path: '/trip/card' },
	{ name: 'rig', path: '/rig' },
	{ name: 'rig-tank', path: '/rig/tank/wren-grey', act: levelsDrawn },
	{ name: 'care', path: '/rig/care', act: (page) => page.getByRole('heading', { name: 'Tasks' }).waitFor() },
	{ name: 'data', path: '/data' },
	{ name: 'heard', path: '/data', act: dayHeard },
	{ name: 'first-run', path: '' }
];

const { server, address } = await serve({ port: 0 });
const browser = await chromium.launch({ ...chromiumOptions, executablePath: pictureBrowserPath() });
for (const { name, path, width = 1280, height = 800, rig, act } of SHOTS) {
	const context = await browser.newContext({
		viewport: { width, height },
		timezoneId: 'Europe/London',
		locale: 'en-GB',
		isMobile: width < 500,
		hasTouch: width < 500,
		serviceWorkers: 'block'
	});
	const page = await context.newPage();
	await page.clock.install({ time: NOW });
	await page.goto(path === '' ? address : `${address}/?demo`);
	if (path !== '') {
		await page.locator('.rods').waitFor();
		if (rig) await page.getByLabel('Rig', { exact: true }).selectOption(rig);
		const view = page.getByRole('navigation').locator(`a[href="${path}"]`);
		if ((await view.count()) > 0) await view.click();
		else {
			await page.waitForTimeout(500);
			await page.goto(`${address}${path}`);
			await page
				.getByRole('img', { name: /^Main, fresh/ })
				.or(page.locator('.run'))
				.or(page.locator('main > .act'))
				.first()
				.waitFor();
		}
	}
	await page.getByRole('heading', { level: 1 }).waitFor();
	await act?.(page);
	// what follows the first look is there too
	await page.waitForTimeout(2500);
	await page.screenshot({ path: `${OUT}/${name}.png` });
	await context.close();
	console.log(`${OUT}/${name}.png`);
}
await browser.close();
server.close();
