import { DAY_MS } from '../src/core/time/index.js';
import { expect, NOW_MS, test } from './helpers/test.js';
import { enter, litresOf } from './helpers/pages';

test('own rig: kind, tanks, people, first fill, a verdict', async ({ page }) => {
	await page.goto('/');
	await expect(page.getByRole('button', { name: 'Begin' })).toBeVisible();
	// Made in one go: each further version is the database closed, and opened anew.
	expect(await page.evaluate(() => indexedDB.databases())).toEqual([{ name: 'dipsometer', version: 1 }]);
	await page.getByRole('button', { name: 'Begin' }).click();
	await expect(page.getByRole('button', { name: 'See how long it lasts' })).toBeDisabled();
	await page.getByLabel('What is it called?').fill('Moth <i>');
	await page.getByLabel(/^Fresh water/).fill('90');
	await page.getByLabel(/^Grey/).fill('60');
	await page.getByLabel('The fresh tank is').selectOption('some');
	await page.getByLabel('Aboard', { exact: true }).fill('500');
	await expect(page.getByText('no more than the tank’s size')).toBeVisible();
	await page.getByLabel('Aboard', { exact: true }).fill('62,5');
	await page.getByRole('button', { name: 'See how long it lasts' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText(
		/(Fresh runs low|Grey is full) first: /
	);
	expect(Math.abs((await litresOf(page, 'Fresh')) - 62.5)).toBeLessThan(2);
	await expect(page.getByText('Moth <i>', { exact: true })).toBeVisible();
	await enter(page, 'dump grey');
	await page.reload();
	await expect(page.getByRole('heading', { level: 1 })).toContainText(' first: ');
});

test('without a rig: what tanks would have to hold, for how long and for whom', async ({ page }) => {
	await page.goto('/');
	await page.getByRole('button', { name: 'What would we need?' }).click();
	const fresh = page.getByText('Fresh', { exact: true }).locator('xpath=..');
	await expect(fresh).toContainText(/\d+\sL/);
	const litres = async (): Promise<number> => Number(/(\d+)\sL/.exec((await fresh.textContent()) ?? '')?.[1]);
	const week = await litres();
	// Two at about 40 L a day, and some live on twice that.
	expect(week).toBeGreaterThan(280);
	expect(week).toBeLessThan(800);
	await page.getByLabel('How many days?').fill('14');
	await expect.poll(litres).toBeGreaterThan(1.5 * week);
});

test('own trip: a stop with water and a drain becomes the next refill and dump', async ({ page }) => {
	await page.goto('/');
	await page.getByRole('button', { name: 'Begin' }).click();
	await page.getByLabel('What is it called?').fill('Moth');
	await page.getByLabel(/^Fresh water/).fill('140');
	await page.getByLabel(/^Grey/).fill('140');
	await page.getByRole('button', { name: 'See how long it lasts' }).click();
	await page.getByRole('navigation').getByRole('link', { name: 'Trip' }).click();
	await page.getByRole('link', { name: 'New trip' }).click();
	const lines = page.getByLabel('The stops, one a line');
	// a word that is not understood is marked, and the rest stands
	await lines.fill('Ford tomorrow 10:00, water, grey till somday\nFell 8 nights');
	await expect(page.getByText('“somday” is not clear')).toBeVisible();
	await lines.fill('Ford today 20:00, water, grey, black\nFell 1 night');
	await expect(page.getByText('is not clear')).toHaveCount(0);
	await page.getByLabel('Name of the trip').fill('Long weekend');
	await page.getByRole('button', { name: 'Save this trip' }).click();
	await expect(page.getByRole('button', { name: 'Change Fell' })).toBeVisible();
	// a stop by its form, as before: what lines say as well is folded
	const form = page.getByRole('dialog');
	await page.getByRole('button', { name: 'Add stop' }).click();
	await form.getByLabel('Name').fill('Edge');
	await form.getByLabel('Arrive').fill(`${new Date(NOW_MS + DAY_MS).toISOString().slice(0, 10)}T12:00`);
	await form.getByText('More', { exact: true }).click();
	await form.getByLabel('Leave').fill(`${new Date(NOW_MS + DAY_MS).toISOString().slice(0, 10)}T13:00`);
	await form.getByRole('button', { name: 'Save' }).click();
	await expect(page.getByRole('button', { name: 'Change Edge' })).toBeVisible();
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/mpty .*at Ford today/);
	await page.getByRole('navigation').getByRole('link', { name: 'Now' }).click();
	await expect(page.getByText(/(drain|dump point).* at Ford today/)).toBeVisible();
});

test('the rig: a tank in use is not removed, a suspicion is said, a change is undone', async ({ page }) => {
	await page.goto('/?demo');
	await page.getByRole('navigation').getByRole('link', { name: 'Rig' }).click();
	await page.getByRole('button', { name: 'Change Grey', exact: true }).click();
	const form = page.getByRole('dialog');
	await form.getByRole('button', { name: 'Remove Grey' }).click();
	await expect(form).toContainText('nothing removed that stored entries or trips still name');
	await form.getByLabel(/^Usable/).fill('minus');
	await expect(form).toContainText('not a number');
	await form.getByLabel(/^Usable/).fill('341');
	await form.getByRole('button', { name: 'Save' }).click();
	await expect(page.getByText('279% more usable than its rated size. That is a US gallon')).toBeVisible();
	await expect(form).toHaveCount(0);
	await page.keyboard.press('u');
	await expect(page.getByText('more usable than its rated size')).toHaveCount(0);
});
