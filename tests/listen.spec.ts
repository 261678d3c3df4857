import type { Rig } from '../src/core/logbook/index.js';
import { MORNING, rig as paperVan, showingsOf, START } from '../src/core/listen/heard.fixture.js';
import { expect, NOW_MS, test, type Page } from './helpers/test.js';
import { violationsOf } from './helpers/axe';
import { logbookOf } from './helpers/logbooks';
import { follow, openDemo, openLogbook, stored } from './helpers/pages';

const rig: Rig = { ...paperVan, timeZone: 'Europe/London' };
const logbook = { ...logbookOf([]), rigs: [rig], trips: [] };
/** The morning of the paper van, today. */
const csv = showingsOf(MORNING, 10_000)
	.map(([ms, shows]) => `${new Date(ms - START + NOW_MS - 4 * 3_600_000).toISOString()},${shows}`)
	.join('\n');
const usesIn = async (page: Page) =>
	Object.values(await stored(page)).filter(
		(one): one is { kind: 'use'; habit: string; litres?: number; void?: true } =>
			(one as { kind?: string }).kind === 'use'
	);
async function importSamples(page: Page): Promise<void> {
	await openLogbook(page, logbook, { at: '/data' });
	const choosing = page.waitForEvent('filechooser');
	await page.getByRole('button', { name: 'Samples from a file' }).click();
	await (
		await choosing
	).setFiles({
		name: 'meter.csv',
		mimeType: 'text/csv',
		buffer: Buffer.from(`time,total\n${csv}\nnonsense,1`)
	});
	await expect(page.getByText(/\d+ samples, .* for Pump meter\./)).toBeVisible();
	await expect(page.getByText('1 line is skipped')).toBeVisible();
	await page.locator('#listen').getByRole('button', { name: 'Import', exact: true }).click();
	await expect(page.getByRole('button', { name: 'Remove samples' })).toBeVisible();
}

test('samples of a file are heard, nodded at on Now as one act, and stand in the ledger and in the strip', async ({
	page
}) => {
	await importSamples(page);
	await follow(page, '/');
	const heard = page.getByRole('region', { name: 'Heard by the meter' });
	await expect(heard.getByText('Shower', { exact: true })).toBeVisible();
	await expect(heard.getByText(/^8\sL$/)).toBeVisible();
	expect(await violationsOf(page, { within: 'aside' })).toEqual([]);
	await heard.getByRole('button', { name: 'Log all named' }).click();
	await expect(page.getByText('Heard: 3 uses', { exact: true })).toBeVisible();
	await expect(heard).toBeHidden();
	await expect.poll(async () => (await usesIn(page)).length).toBe(3);
	await follow(page, '/ledger/heard');
	await expect(page.getByRole('img', { name: /^Flow through the meter/ }).locator('svg')).toBeVisible();
	await expect(page.getByRole('row', { name: /Shower 8\sL 2 min logged/ })).toBeVisible();
	await follow(page, '/ledger');
	await expect(page.getByText(/Shower, measured 8\sL/)).toBeVisible();
	await page.getByRole('button', { name: /^Undo: Heard/ }).click();
	await expect.poll(async () => (await usesIn(page)).filter((one) => !one.void).length).toBe(0);
	// What was taken back is asked about, and found again after a reload.
	await page.goto('/ledger/heard');
	await expect(page.getByRole('button', { name: /^Shower \d+%/ })).toBeVisible();
	await page.setViewportSize({ width: 390, height: 844 });
	expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
	expect(await violationsOf(page, { within: 'main' })).toEqual([]);
});

test('what was heard is what one says it is, or nothing', async ({ page }) => {
	await importSamples(page);
	await follow(page, '/ledger/heard');
	await page.getByRole('button', { name: 'Log Shower' }).click();
	await expect(page.getByRole('row', { name: /Shower .* logged/ })).toBeVisible();
	await follow(page, '/data');
	await page.getByRole('button', { name: 'Remove samples' }).click();
	await expect(page.getByRole('button', { name: 'Remove samples' })).toBeHidden();
	expect((await usesIn(page)).map(({ habit }) => habit)).toEqual(['shower']);
});

test('the simulated rig lives its day, and what was written by hand is joined', async ({ page }) => {
	await openDemo(page, { at: '/data' });
	await page.getByRole('button', { name: 'Start the simulated rig' }).click();
	await expect(page.getByText(/The simulated rig: \d/)).toBeVisible();
	await expect(page.getByRole('button', { name: 'Remove samples' })).toBeVisible();
	const joined = async (): Promise<number> =>
		(await usesIn(page)).filter((one) => 'heard' in one && one.litres !== undefined).length;
	await expect.poll(joined).toBeGreaterThan(0);
	await page.getByRole('button', { name: 'Stop listening' }).click();
	await expect(page.getByRole('button', { name: 'Start the simulated rig' })).toBeVisible();
});
