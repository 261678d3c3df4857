import { expect, test } from '@playwright/test';
import { readFileSync, writeFileSync } from 'node:fs';
import { enter, litresOf, openDemo, stored } from './helpers/pages';

test('two tabs stay in step', async ({ context }) => {
	const [one, two] = [await context.newPage(), await context.newPage()];
	await openDemo(one);
	await two.goto('/');
	await expect.poll(() => litresOf(two, 'Main')).toBeGreaterThan(0);
	const before = await litresOf(two, 'Main');
	await enter(one, 'shower 3');
	await expect.poll(() => litresOf(two, 'Main')).toBeLessThan(before - 15);
	await one.keyboard.press('Escape');
	await one.keyboard.press('u');
	await expect.poll(() => litresOf(two, 'Main')).toBe(before);
});

test('save to a file, wipe, read in: everything as before', async ({ page }) => {
	await openDemo(page);
	await enter(page, 'note <b>the hose</b> drips & ü');
	const before = await stored(page);
	await page.getByRole('link', { name: 'Data' }).click();
	const saving = page.waitForEvent('download');
	await page.getByRole('button', { name: '1. Save a copy' }).click();
	const path = await (await saving).path();
	await page.getByLabel('2. I have the copy').check();
	await page.getByRole('button', { name: '3. Wipe this browser' }).click();
	await expect(page.getByRole('heading', { name: 'Look around' })).toBeVisible();
	expect(await stored(page)).toEqual({});
	await page.getByRole('button', { name: 'Open a file' }).click();
	await page.getByLabel('Choose a logbook file').setInputFiles(path);
	await page.getByRole('button', { name: 'Take it in' }).click();
	await expect(page.getByRole('link', { name: 'Ledger' })).toBeVisible();
	expect(await stored(page)).toEqual(before);
	await page.getByRole('link', { name: 'Ledger' }).click();
	await expect(
		page.getByRole('listitem').getByText('<b>the hose</b> drips & ü', { exact: true })
	).toBeVisible();
});

test('what is wrong with a file is said, and the store stays byte for byte', async ({ page }, info) => {
	await openDemo(page);
	await page.getByRole('link', { name: 'Data' }).click();
	const before = JSON.stringify(await stored(page));
	const example = readFileSync('tests/fixtures/survey-van.logbook.json', 'utf8');
	const broken: readonly (readonly [name: string, text: string, said: RegExp])[] = [
		['no.json', '{"format": ', /\$: expected JSON/],
		[
			'other.json',
			'{"format":"other","version":1}',
			/\$\.format: expected "dipsometer-logbook", got "other"/
		],
		[
			'negative.json',
			example.replace('"litres":21.9', '"litres":-21.9').replace('"litres": 21.9', '"litres": -21.9'),
			/\$\.entries\[0\]\.litres: expected a number of at least 0, got -21\.9/
		],
		[
			'zone.json',
			example.replaceAll('Europe/London', 'Moor/Nowhere'),
			/\$\.trips\[0\]\.timeZone: expected an IANA time zone/
		],
		[
			'dangling.json',
			example
				.replace('"tank": "tank-fresh",', '"tank": "gone",')
				.replace('"tank":"tank-fresh",', '"tank":"gone",'),
			/expected the id of a tank of this rig, got "gone"/
		]
	];
	for (const [name, text, said] of broken) {
		const path = info.outputPath(name);
		writeFileSync(path, text);
		await page.getByLabel('Choose a logbook file').setInputFiles(path);
		await expect(page.getByText(`${name} was not read; nothing has changed.`)).toBeVisible();
		await expect(page.locator('.notice li').first()).toHaveText(said);
	}
	const huge = info.outputPath('huge.json');
	writeFileSync(huge, Buffer.alloc(50 * 1024 * 1024, ' '));
	await page.getByLabel('Choose a logbook file').setInputFiles(huge);
	await expect(page.locator('.notice li')).toHaveText(/expected a file of at most 16 MiB, got 50 MiB/);
	expect(JSON.stringify(await stored(page))).toBe(before);
});

test('a logbook made elsewhere is shown before it is merged, then opens', async ({ page }) => {
	await openDemo(page);
	await page.getByRole('link', { name: 'Data' }).click();
	await page.getByLabel('Choose a logbook file').setInputFiles('tests/fixtures/survey-van.logbook.json');
	await expect(
		page
			.getByRole('row', { name: /^entries/ })
			.getByRole('cell')
			.first()
	).toHaveText('307');
	await page.getByRole('button', { name: 'Take it in' }).click();
	await page.getByLabel('Rig', { exact: true }).selectOption('Survey van');
	await page.getByRole('link', { name: 'Ledger' }).click();
	await expect(page).toHaveTitle('Ledger · Survey van');
	// The whole log lies after today: said once above, and at each entry.
	await expect(page.getByText('entries lie in the future')).toHaveCount(1);
	await expect(page.getByText('in the future', { exact: true }).first()).toBeVisible();
	await page.getByRole('link', { name: 'Now' }).click();
	await page.getByRole('link', { name: 'Ledger' }).click();
	await expect(page.getByText('entries lie in the future')).toHaveCount(1);
});

test('a record that cannot be read is kept aside and said', async ({ page }) => {
	await openDemo(page);
	await page.evaluate(
		() =>
			new Promise<void>((resolve) => {
				const open = indexedDB.open('dipsometer');
				open.onsuccess = () => {
					const writing = open.result.transaction('records', 'readwrite');
					writing.objectStore('records').put({ kind: 'fill', litres: 'many' }, 'entry:torn');
					writing.oncomplete = () => resolve();
				};
			})
	);
	await page.reload();
	await page.getByRole('link', { name: 'Data' }).click();
	await expect(page.getByText('1 stored record could not be read')).toBeVisible();
	await expect(page.getByText('entry:torn')).toBeVisible();
});

test('a full disk is said; the entry stays on screen and can be stored later', async ({ page }) => {
	await openDemo(page);
	await page.evaluate(() => {
		const put = IDBObjectStore.prototype.put;
		Object.assign(globalThis, { heal: () => (IDBObjectStore.prototype.put = put) });
		IDBObjectStore.prototype.put = () => {
			throw new DOMException('full', 'QuotaExceededError');
		};
	});
	const before = await litresOf(page, 'Main');
	await page.getByLabel('What happened?').fill('shower 2');
	await page.getByLabel('What happened?').press('Enter');
	await expect(page.getByRole('alert')).toContainText('The disk is full');
	await expect.poll(() => litresOf(page, 'Main')).toBeLessThan(before - 10);
	await expect(page.getByRole('button', { name: 'Save everything to a file' })).toBeVisible();
	await page.evaluate(() => (globalThis as unknown as { heal: () => void }).heal());
	await page.getByRole('button', { name: 'Try again' }).click();
	await expect(page.getByRole('alert')).toHaveCount(0);
	await page.reload();
	await expect.poll(() => litresOf(page, 'Main')).toBeLessThan(before - 10);
});
