import { expect, NOW_MS, test } from './helpers/test.js';
import { readFileSync, writeFileSync } from 'node:fs';
import { entry, exactRig, logbookOf } from './helpers/logbooks';
import { enter, follow, litresOf, openDemo, secondCopy, stored } from './helpers/pages';

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
	await follow(one, '/data');
	await one.getByRole('radio', { name: 'Dusk' }).check();
	await expect(two.locator('html')).toHaveAttribute('data-theme', 'dusk');
});

test('save to a file, wipe, read in: everything as before', async ({ page }) => {
	await openDemo(page);
	await enter(page, 'note <b>the hose</b> drips & ü');
	await expect.poll(async () => JSON.stringify(await stored(page))).toContain('the hose');
	const before = await stored(page);
	await page.getByRole('navigation').getByRole('link', { name: 'Data' }).click();
	const saving = page.waitForEvent('download');
	await page.getByRole('button', { name: '1. Save a copy' }).click();
	const path = await (await saving).path();
	await page.getByLabel('2. I have the copy').check();
	await page.getByRole('button', { name: '3. Wipe this browser' }).click();
	await expect(page.getByRole('heading', { name: 'Look around' })).toBeVisible();
	expect(await stored(page)).toEqual({});
	await page.getByRole('button', { name: 'Open a file' }).click();
	await page.getByLabel('Choose a logbook file').setInputFiles(path);
	await page.getByRole('button', { name: 'Import' }).click();
	await expect(page.getByRole('navigation').getByRole('link', { name: 'Ledger' })).toBeVisible();
	expect(await stored(page)).toEqual(before);
	await page.getByRole('navigation').getByRole('link', { name: 'Ledger' }).click();
	await expect(
		page.getByRole('listitem').getByText('<b>the hose</b> drips & ü', { exact: true })
	).toBeVisible();
});

test('a lost store is filled again from the second copy, and that is said', async ({ page }) => {
	await openDemo(page);
	const before = await litresOf(page, 'Main');
	await enter(page, 'shower 3');
	await expect.poll(() => litresOf(page, 'Main')).toBeLessThan(before - 15);
	const keys = async () => Object.keys(await stored(page));
	// What was in the store before the copy was made is copied behind the first look.
	await expect
		.poll(async () => {
			const copy = await secondCopy(page);
			return (await keys()).filter((key) => !copy.includes(JSON.stringify(key)));
		})
		.toEqual([]);
	const kept = (await keys()).length;
	await page.goto('/api/health');
	await page.evaluate(
		() =>
			new Promise<void>((resolve, reject) => {
				const gone = indexedDB.deleteDatabase('dipsometer');
				gone.onsuccess = () => resolve();
				gone.onerror = () => reject(gone.error);
			})
	);
	await page.goto('/');
	await expect(page.getByRole('alert')).toContainText('This browser had lost the logbook');
	await expect.poll(() => litresOf(page, 'Main')).toBeLessThan(before - 15);
	expect(Object.keys(await stored(page))).toHaveLength(kept);
	await page.getByRole('button', { name: 'It is all there' }).click();
	await expect(page.getByRole('alert')).toHaveCount(0);
});

test('when the second copy is gone too, its owner is told that a logbook was here', async ({ page }) => {
	await openDemo(page);
	await expect.poll(() => secondCopy(page)).not.toBe('');
	await page.goto('/api/health');
	await page.evaluate(async () => {
		const root = await navigator.storage.getDirectory();
		await root.removeEntry('second-copy', { recursive: true });
		await new Promise((resolve) => (indexedDB.deleteDatabase('dipsometer').onsuccess = resolve));
	});
	await page.goto('/');
	await expect(page.getByRole('alert')).toContainText(/A logbook with \d+ entries was in this browser/);
	await page.getByRole('button', { name: 'Wren, a camper' }).click();
	await expect.poll(() => litresOf(page, 'Main')).toBeGreaterThan(0);
});

test('two corrections of one entry in two tabs: what either changed stands, the same place is asked about', async ({
	context
}) => {
	const [one, two] = [await context.newPage(), await context.newPage()];
	await openDemo(one);
	await enter(one, 'fill main 12');
	await two.goto('/');
	for (const tab of [one, two]) {
		await tab.getByRole('link', { name: 'Ledger' }).click();
		await tab.getByRole('button', { name: /^Correct Main filled 12/ }).click();
	}
	const form = (tab: typeof one) => tab.getByRole('dialog');
	await form(one)
		.getByLabel(/^Remark/)
		.fill('by lamp');
	await form(one)
		.getByLabel(/^Litres/)
		.fill('14');
	await form(one).getByRole('button', { name: 'Save' }).click();
	await expect(form(one)).toHaveCount(0);
	await form(two)
		.getByLabel(/^Litres/)
		.fill('13');
	await form(two)
		.getByLabel(/^Logged by/)
		.fill('Ada');
	await form(two).getByRole('button', { name: 'Save' }).click();
	await expect(form(two).getByRole('alert')).toContainText('Litres: 14 there, 13 here.');
	await form(two).getByRole('button', { name: 'Save' }).click();
	await expect(form(two)).toHaveCount(0);
	const entry = two.getByRole('listitem').filter({ hasText: 'Main filled 13' });
	await expect(entry).toContainText('by lamp');
	await expect(entry).toContainText('Ada');
});

test('a file with a rig that has lost what is in use: it is kept, said, hidden from forms, and can be saved', async ({
	page
}, info) => {
	await openDemo(page);
	const records = Object.values(await stored(page)) as readonly {
		id: string;
		name: string;
		habits?: { name: string }[];
	}[];
	const wren = records.find(({ name, habits }) => habits && name === 'Wren');
	const later = new Date(NOW_MS + 60_000).toISOString();
	const path = info.outputPath('later.logbook.json');
	const rigs = [
		{ ...wren, measures: [], edited: later, habits: wren?.habits?.filter(({ name }) => name !== 'Shower') }
	];
	writeFileSync(path, JSON.stringify({ ...logbookOf([]), exportedAt: later, rigs, trips: [] }));
	await page.getByRole('navigation').getByRole('link', { name: 'Data' }).click();
	await page.getByLabel('Choose a logbook file').setInputFiles(path);
	await expect(page.getByText('Shower, of Wren')).toBeVisible();
	await page.getByRole('button', { name: 'Import' }).click();
	const saving = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save the logbook to a file' }).click();
	const saved = await (await saving).path();
	await page.getByRole('navigation').getByRole('link', { name: 'Ledger' }).click();
	await expect(page.getByText(/^Shower/).first()).toBeVisible();
	await page.getByRole('navigation').getByRole('link', { name: 'Rig' }).click();
	await expect(page.getByRole('button', { name: 'Change Shower', exact: true })).toHaveCount(0);
	await page.getByRole('navigation').getByRole('link', { name: 'Data' }).click();
	await page.getByLabel('Choose a logbook file').setInputFiles(saved);
	await expect(page.getByRole('button', { name: 'Nothing new in it' })).toBeVisible();
});

test('ids that the language knows, and ids that an address cannot hold, break no page', async ({
	page
}, info) => {
	const rename = (id: string): string =>
		({ main: '__proto__', grey: 'constructor', tap: 'a/b?c#d' })[id] ?? id;
	const rig = JSON.parse(
		JSON.stringify(exactRig, (key, value: unknown) =>
			['id', 'tank', 'from', 'to', 'outlet'].includes(key) && typeof value === 'string'
				? rename(value)
				: value
		)
	);
	const fill = entry({ kind: 'mark', at: new Date(NOW_MS).toISOString(), tank: '__proto__', state: 'full' });
	const path = info.outputPath('odd.logbook.json');
	writeFileSync(
		path,
		JSON.stringify({ ...logbookOf([fill], rig, []), exportedAt: new Date(NOW_MS).toISOString() })
	);
	const complaints: string[] = [];
	page.on('pageerror', (error) => complaints.push(error.message));
	await page.goto('/');
	await page.getByRole('button', { name: 'Open a file' }).click();
	await page.getByLabel('Choose a logbook file').setInputFiles(path);
	await page.getByRole('button', { name: 'Import' }).click();
	await expect.poll(() => litresOf(page, 'Main')).toBe(100);
	await enter(page, 'shower 2');
	await page.getByRole('navigation').getByRole('link', { name: 'Rig' }).click();
	await page.getByRole('button', { name: /^Main/ }).click();
	await expect(page.getByRole('heading', { level: 1, name: 'Main' })).toBeVisible();
	await page.getByRole('navigation').getByRole('link', { name: 'Ledger' }).click();
	await page.getByLabel('Tank', { exact: true }).selectOption('Grey');
	await expect(page.getByText('Shower × 2', { exact: true })).toBeVisible();
	expect(complaints).toEqual([]);
});

test('a file with endless faults is answered while the page stays awake', async ({ page }, info) => {
	await openDemo(page, { at: '/data' });
	const path = info.outputPath('faults.json');
	const wrong = { ...logbookOf([]), entries: new Array(1_000_000).fill(1) };
	writeFileSync(path, JSON.stringify(wrong));
	await page.getByLabel('Choose a logbook file').setInputFiles(path);
	await expect(page.getByText('faults.json was not read; nothing has changed.')).toBeVisible();
	await expect(page.getByText('and 999900 more.')).toBeVisible();
	expect(await page.locator('.notice li').count()).toBe(100);
});

test('what is wrong with a file is said, and the store stays byte for byte', async ({ page }, info) => {
	await openDemo(page, { at: '/data' });
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
	await openDemo(page, { at: '/data' });
	await page.getByLabel('Choose a logbook file').setInputFiles('tests/fixtures/survey-van.logbook.json');
	await expect(
		page
			.getByRole('row', { name: /^entries/ })
			.getByRole('cell')
			.first()
	).toHaveText('307');
	await page.getByRole('button', { name: 'Import' }).click();
	await page.getByLabel('Rig', { exact: true }).selectOption('Survey van');
	await page.getByRole('navigation').getByRole('link', { name: 'Ledger' }).click();
	await expect(page).toHaveTitle('Ledger · Survey van');
	// The whole log lies after today: said once above, and at each entry.
	await expect(page.getByText('entries are dated in the future')).toHaveCount(1);
	await expect(page.getByText('in the future', { exact: true }).first()).toBeVisible();
	await page.getByRole('navigation').getByRole('link', { name: 'Now' }).click();
	await page.getByRole('navigation').getByRole('link', { name: 'Ledger' }).click();
	await expect(page.getByText('entries are dated in the future')).toHaveCount(1);
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
	await page.getByRole('navigation').getByRole('link', { name: 'Data' }).click();
	await expect(page.getByText('1 stored record couldn’t be read')).toBeVisible();
	await expect(page.getByText('entry:torn')).toBeVisible();
	await page.getByText('entry:torn').click();
	await expect(page.getByText('"litres": "many"')).toBeVisible();
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
