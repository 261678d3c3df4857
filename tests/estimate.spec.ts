import { demoLogbook } from '../demo/index.js';
import { DAY_MS, HOUR_MS } from '../src/core/time/index.js';
import { expect, NOW_MS, test } from './helpers/test.js';
import type { Logbook } from '../src/core/logbook/index.js';
import { violationsOf } from './helpers/axe.js';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from './helpers/logbooks.js';
import { enter, litresOf, openDemo, openLogbook, stored, stopAtOnce } from './helpers/pages.js';

/** Two days of a van whose fresh tank was filled on the route and nobody wrote it down; moments count back from now. */
function missedFill(): Logbook {
	const now = NOW_MS;
	const ago = (hours: number): string => new Date(now - hours * HOUR_MS).toISOString();
	const rig = {
		...exactRig,
		instruments: [
			...exactRig.instruments,
			{ id: 'rod', kind: 'rod' as const, name: 'Rod', tank: 'main', sdMm: 4 },
			{
				id: 'sender',
				kind: 'gauge' as const,
				name: 'Sender',
				tank: 'main',
				curve: [
					{ reads: 0, litres: 0 },
					{ reads: 100, litres: 100 }
				]
			}
		],
		tanks: exactRig.tanks.map((tank) =>
			tank.id === 'main'
				? { ...tank, shape: { form: 'box' as const, lengthMm: 1000, widthMm: 500, heightMm: 200 } }
				: tank
		)
	};
	const day = (hours: number): string => ago(hours).slice(0, 10);
	return logbookOf(
		[
			...freshStart(ago(60)),
			entry({ kind: 'use', at: ago(50), habit: 'dishes', times: 11 }),
			entry({ kind: 'dump', at: ago(49), tank: 'grey', to: 'empty' }),
			entry({ kind: 'reading', at: ago(9), instrument: 'sender', value: 94 }),
			entry({ kind: 'reading', at: ago(8), instrument: 'rod', value: 190 })
		],
		rig,
		[{ ...exactTrip, from: day(72), to: day(-72) }]
	);
}

test('a lying gauge is named, Why? says that it was left out, and one reading can be counted anyway', async ({
	page
}) => {
	await openDemo(page);
	await expect(page.getByText('Grey lights can’t be trusted')).toBeVisible();
	await page.getByRole('button', { name: /^Why .* in Grey\?/ }).click();
	await expect(page.getByRole('dialog').getByText('Grey lights was left out entirely')).toBeVisible();
	await page.keyboard.press('Escape');
	const before = await litresOf(page, 'Grey');
	await page.getByRole('navigation').getByRole('link', { name: 'Ledger' }).click();
	await page
		.getByRole('button', { name: /^Count Grey lights .full. anyway/ })
		.first()
		.click();
	await page.getByRole('navigation').getByRole('link', { name: 'Now' }).click();
	await expect.poll(() => litresOf(page, 'Grey')).toBeGreaterThan(before + 15);
});

test('why it lasts so long, and why a shower takes so much', async ({ page }) => {
	await openDemo(page);
	await page.getByRole('button', { name: 'Why?', exact: true }).click();
	const panel = page.getByRole('dialog');
	await expect(panel.getByRole('heading', { name: 'How long it lasts' })).toBeVisible();
	await expect(panel.getByText('1 in 10 that it is less than')).toBeVisible();
	await expect(panel.getByRole('row', { name: /^Shower/ })).toContainText('×');
	await page.keyboard.press('Escape');
	await page.getByRole('navigation').getByRole('link', { name: 'Habits' }).click();
	await page.getByRole('button', { name: 'Shower', exact: true }).click();
	await page.getByRole('button', { name: /^Why [\d.]+.L\?/ }).click();
	await expect(panel.getByText('is your own figure')).toBeVisible();
	await expect(panel.getByRole('row', { name: /Shower, measured/ }).first()).toBeVisible();
});

test('a fill that nobody wrote down is offered, added by one tap, and taken back', async ({ page }) => {
	await openLogbook(page, missedFill());
	await expect(page.getByText(/seems to be missing from the log/)).toBeVisible();
	await page.getByRole('button', { name: 'Add the fill to the brim' }).click();
	await expect(page.getByText(/seems to be missing from the log/)).toHaveCount(0);
	await page.getByRole('navigation').getByRole('link', { name: 'Ledger' }).click();
	await expect(page.getByText('Main filled to full').first()).toBeVisible();
	await page.keyboard.press('u');
	await page.getByRole('navigation').getByRole('link', { name: 'Now' }).click();
	await expect(page.getByText(/seems to be missing from the log/)).toBeVisible();
});

test('the past of a tank as a chart and in figures, and why at any moment of it', async ({ page }) => {
	await openDemo(page, { at: '/rig' });
	await page.getByRole('row').getByRole('link', { name: 'Grey', exact: true }).click();
	await expect(page.getByRole('img', { name: /Level of Grey over the trip/ }).locator('svg')).toBeVisible();
	await page.getByRole('region', { name: 'Over the trip' }).getByText('The same in figures').click();
	await expect(page.getByRole('row', { name: /at least/ })).toBeVisible();
	const yesterday = new Date(NOW_MS - 24 * HOUR_MS).toISOString().slice(0, 10);
	await page.getByLabel('Estimated at').fill(`${yesterday}T12:00`);
	await expect(page.getByText(/between .* and .* Mostly/)).toBeVisible();
});

test('a long log shows how far it is, can be stopped and taken up again', async ({ page }) => {
	const start = NOW_MS - 170 * 24 * HOUR_MS;
	const many = Array.from({ length: 7800 }, (_, i) => {
		const at = new Date(start + i * 0.52 * HOUR_MS).toISOString();
		if (i % 60 === 0) return entry({ kind: 'fill', at, tank: 'main', to: 'full' });
		if (i % 60 === 1) return entry({ kind: 'dump', at, tank: 'grey', to: 'empty' });
		if (i % 60 === 2) return entry({ kind: 'dump', at, tank: 'black', to: 'empty' });
		if (i % 2 === 1) return entry({ kind: 'reading', at, instrument: 'pump', value: i / 2 });
		return entry({ kind: 'use', at, habit: 'flush', times: 2 });
	});
	await page.goto('/');
	await page.getByRole('button', { name: 'Open a file' }).click();
	await page.locator('input[type=file]').setInputFiles({
		name: 'years.logbook.json',
		mimeType: 'application/json',
		buffer: Buffer.from(JSON.stringify(logbookOf(many, { ...exactRig, unlogged: undefined }, [])))
	});
	// The file is read: what can be stopped from here on is the replay of the log.
	await expect(page.getByRole('button', { name: 'Import' })).toBeVisible();
	await stopAtOnce(page);
	await page.getByRole('button', { name: 'Import' }).click();
	await expect(page.getByText(/^Stopped: the figures /)).toBeVisible({
		timeout: 90_000
	});
	await expect(page.getByRole('progressbar')).toHaveCount(0);
	await page.getByRole('button', { name: 'Continue' }).click();
	await expect(page.getByRole('img', { name: /^Main, fresh/ })).toBeVisible();
	await enter(page, 'flush');
});

test('a silence is said, with both ends of it, and decided by one tap or a line', async ({ page }) => {
	await openLogbook(page, demoLogbook(NOW_MS - 2 * DAY_MS, 'Europe/London'));
	const notice = page.getByText(/^Nothing logged since .* If you lived as usual, \S+ has about/);
	await expect(notice).toBeVisible();
	await expect(page.getByRole('button', { name: /^Why \d+–\d+.L in Main/ })).toBeVisible();
	expect(await violationsOf(page)).toEqual([]);
	const gaps = async () =>
		Object.values(await stored(page)).filter((one) => (one as { kind?: string }).kind === 'gap');
	await page.getByRole('button', { name: 'We were away' }).click();
	await expect(notice).toHaveCount(0);
	await expect.poll(gaps).toMatchObject([{ lived: 'away', since: expect.stringMatching(/^2026-06-14T/) }]);
	const away = await litresOf(page, 'Main');
	await page.keyboard.press('u');
	await expect(notice).toBeVisible();
	await enter(page, 'lived as usual');
	await expect(notice).toHaveCount(0);
	expect(await litresOf(page, 'Main')).toBeLessThan(away - 15);
});
