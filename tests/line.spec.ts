import { HOUR_MS } from '../src/core/time/index.js';
import { violationsOf } from './helpers/axe';
import { expect, test, type Page } from '@playwright/test';
import type { Entry, Rig } from '../src/core/logbook';
import { entry, exactRig, exactTrip, logbookOf } from './helpers/logbooks';
import { enter, litresOf, openDemo, openLogbook, quickline, stored } from './helpers/pages';
import { NOW_MS } from './helpers/test';

const hours = (ago: number): string => new Date(NOW_MS - ago * HOUR_MS).toISOString();
const stop = (id: string, name: string, inHours: number) => ({
	...{ id, name, legKm: 5, services: [] },
	arrive: hours(-inHours),
	depart: hours(-inHours - 4)
});
const book = logbookOf(
	[
		entry({ kind: 'mark', at: hours(30), tank: 'main', state: 'full' }),
		entry({ kind: 'dump', at: hours(30), tank: 'grey', to: 'empty' }),
		entry({ kind: 'use', at: hours(20), habit: 'dishes', times: 1, by: 'Ines' })
	],
	{ ...exactRig, timeZone: 'Europe/London' },
	[
		{
			...exactTrip,
			timeZone: 'Europe/London',
			from: hours(48).slice(0, 10),
			to: hours(-240).slice(0, 10),
			stops: [stop('sarn', 'Low Sarn', 20), stop('fennick', 'Low Fennick', 30)]
		}
	]
);
const says = (page: Page) => page.locator('#quickline-says');
const entriesOf = async (page: Page): Promise<readonly Entry[]> =>
	Object.entries(await stored(page)).flatMap(([key, value]) =>
		key.startsWith('entry') ? [value as Entry] : []
	);

test.beforeEach(async ({ page }) => {
	await page.clock.install({ time: NOW_MS });
});

test('three things in a line and one Enter; one undo takes all of them back', async ({ page }) => {
	await openLogbook(page, book);
	await quickline(page).fill('2 showers, dishes and flush');
	await expect(says(page)).toContainText('Shower × 2');
	await expect(says(page)).toContainText('Dishes');
	await expect(says(page)).toContainText(/Lasts until|hours less|hour less|just as long/);
	const before = await litresOf(page, 'Main');
	await quickline(page).press('Enter');
	// 16 L, 6 L and half a litre.
	await expect.poll(() => litresOf(page, 'Main')).toBeCloseTo(before - 22.5, -1);
	expect(await entriesOf(page)).toHaveLength(6);
	await page.keyboard.press('Escape');
	await page.keyboard.press('u');
	await expect.poll(() => litresOf(page, 'Main')).toBe(before);
});

test('a question is answered with one act beside it; Enter goes there, and nothing is written', async ({
	page
}) => {
	await openLogbook(page, book);
	const before = (await entriesOf(page)).length;
	await quickline(page).fill('how much is in main?');
	// 100 less the dishes and what is usual since.
	const level = await litresOf(page, 'Main');
	await expect(says(page)).toContainText(`Main has ${Math.round(level)}`);
	await expect(says(page).getByRole('link', { name: 'Show Main' })).toBeVisible();
	await quickline(page).fill('can we take two showers?');
	await expect(says(page)).toContainText('Shower × 2, 16');
	await quickline(page).fill('when did we last dump grey?');
	await expect(says(page)).toContainText('Grey emptied');
	expect(await violationsOf(page)).toEqual([]);
	await quickline(page).press('Enter');
	await page.waitForURL('**/ledger?kind=dump');
	await expect(page.getByLabel('Kind')).toHaveValue('dump');
	await expect(quickline(page)).toHaveValue('');
	expect(await entriesOf(page)).toHaveLength(before);
});

test('asked, denied and still to come: nothing can be entered, and it is said why', async ({ page }) => {
	await openLogbook(page, book);
	for (const [line, why] of [
		['no shower today', 'did not happen'],
		['need to dump', 'still to come'],
		['what is the meaning of life?', 'has no answer here']
	] as const) {
		await quickline(page).fill(line);
		await expect(says(page)).toContainText(why);
		await expect(page.getByRole('button', { name: 'Enter' })).toBeDisabled();
	}
});

test('given away and bought: each has its place in the ledger, and in the review', async ({ page }) => {
	await openLogbook(page, book);
	await quickline(page).fill('gave away 5 L');
	await expect(says(page)).toContainText('5 L given away from Main; nothing into any tank');
	const before = await litresOf(page, 'Main');
	await quickline(page).press('Enter');
	await expect.poll(() => litresOf(page, 'Main')).toBeCloseTo(before - 5, -1);
	await quickline(page).fill('bought 6 L');
	await expect(says(page)).toContainText('Main filled from Bought water');
	await quickline(page).press('Enter');
	// Written before the page is left.
	await expect.poll(async () => (await entriesOf(page)).length).toBe(5);
	await page.goto('/ledger');
	await page.getByLabel('Kind').selectOption({ label: 'Out: Given away' });
	await expect(page.locator('main li')).toHaveCount(1);
	await expect(page.locator('main li')).toContainText('Given away, 5 L');
	await page.getByLabel('Kind').selectOption({ label: 'In: Bought water' });
	await expect(page.locator('main li')).toContainText('Main filled from Bought water 6 L');
	await page.goto('/ledger/review');
	await expect(page.getByText('Came in: 6 L from Bought water. Went out: 5 L given away.')).toBeVisible();
});

test('typed key by key, the last line tells what it does', async ({ page }) => {
	await openLogbook(page, book);
	await quickline(page).pressSequentially('2 showers and dishes', { delay: 15 });
	await expect(says(page).locator('strong')).toContainText(/Lasts until|less|just as long/, {
		timeout: 3000
	});
	await expect(says(page)).toContainText('Shower × 2');
});

test('what can be chosen can be said, and what can be said is offered where one chooses', async ({
	page
}) => {
	await openLogbook(page, book);
	await quickline(page).fill('winter');
	await page
		.getByRole('group', { name: 'Go and do' })
		.getByRole('button', { name: /^Winter storage/ })
		.click();
	await page.waitForURL('**/rig/lay-up');
	await page.keyboard.press('Control+k');
	await expect(page.getByRole('dialog').getByLabel('Go and do')).toBeFocused();
	await page.keyboard.type('two showers?');
	await expect(page.getByRole('button', { name: 'Log or ask “two showers?”' })).toBeVisible();
	await page.keyboard.press('Enter');
	await expect(quickline(page)).toHaveValue('two showers?');
	await expect(says(page)).toContainText('Shower × 2');
});

test('an instrument the rig lacks is added from the line, its reading kept; so is a habit', async ({
	page
}) => {
	await openLogbook(page, { ...book, rigs: [{ ...book.rigs[0]!, instruments: [] }] });
	await quickline(page).fill('meter 412.6');
	await expect(page.getByRole('list', { name: 'Which do you mean?' }).getByRole('button')).toHaveText([
		/Adds a meter at the pump; Pump meter shows 412.6/,
		/Adds a meter on the fill hose; Hose meter shows 412.6/
	]);
	await page.getByRole('button', { name: /on the fill hose/ }).click();
	await quickline(page).press('Enter');
	await expect(quickline(page)).toHaveValue('');
	await enter(page, 'laundry 30');
	await expect
		.poll(async () => (Object.values(await stored(page)) as Rig[]).find(({ id }) => id === 'rig')?.habits)
		.toHaveLength(4);
	const rig = (Object.values(await stored(page)) as Rig[]).find(({ id }) => id === 'rig');
	expect(rig?.instruments).toMatchObject([{ kind: 'meter', place: 'fill', name: 'Hose meter' }]);
	expect(rig?.habits.at(-1)).toMatchObject({ name: 'Laundry', litresEach: { mean: 30 } });
	const written = await entriesOf(page);
	expect(written).toContainEqual(expect.objectContaining({ kind: 'reading', value: 412.6 }));
	expect(written).toContainEqual(expect.objectContaining({ kind: 'use', habit: rig?.habits.at(-1)?.id }));
	// One undo takes back the entry and the habit that came with it.
	await expect(page.getByRole('button', { name: /^Undo Adds the habit “Laundry”/ })).toBeVisible();
	await page.keyboard.press('Escape');
	await page.keyboard.press('u');
	await expect
		.poll(
			async () =>
				(Object.values(await stored(page)) as Rig[])
					.find(({ id }) => id === 'rig')
					?.habits.filter(({ retired }) => !retired).length
		)
		.toBe(3);
});

test('a line is in the log or still in the box: where its code cannot be fetched, and left before it is stored', async ({
	page
}) => {
	await openLogbook(page, book);
	await quickline(page).focus();
	await expect(says(page)).toBeAttached();
	await page.route('**/*.js', (route) => route.abort());
	await quickline(page).fill('dishes');
	await expect(page.getByRole('button', { name: 'Enter' })).toBeEnabled();
	await quickline(page).press('Enter');
	await expect(says(page)).toContainText('Not logged');
	await expect(quickline(page)).toHaveValue('dishes');
	await page.unroute('**/*.js');
	await page.reload();
	await expect(quickline(page)).toHaveValue('dishes');
	await enter(page, 'dishes');
	expect(await entriesOf(page)).toHaveLength(book.entries.length + 1);

	await quickline(page).fill('shower');
	await expect(page.getByRole('button', { name: 'Enter' })).toBeEnabled();
	// Another tab is writing, for as long as this page stands.
	await page.evaluate(() => {
		void navigator.locks.request('dipsometer-store', () => new Promise(() => undefined));
	});
	await quickline(page).press('Enter');
	await expect(quickline(page)).toHaveValue('');
	await page.reload();
	await expect(quickline(page)).toHaveValue('shower');
	expect(await entriesOf(page)).toHaveLength(book.entries.length + 1);
});

test('nothing that is typed or pasted leaves the page stuck or empty', async ({ page }) => {
	const errors: string[] = [];
	page.on('pageerror', ({ message }) => errors.push(message));
	await openLogbook(page, book);
	const lines = [
		'arrive low',
		'🚿🚿 2',
		'مرحبا بالعالم',
		'__proto__',
		'constructor 2',
		'"dishes"',
		`<img src=x onerror=alert(1)>`,
		'x'.repeat(10_000),
		'Then we washed up and had a shower. '.repeat(300)
	];
	for (const line of lines) {
		await quickline(page).fill(line);
		await expect(says(page)).not.toHaveText('');
	}
	await quickline(page).fill('arrive low');
	await expect(page.getByRole('list', { name: 'Which do you mean?' }).getByRole('button')).toHaveText([
		'Arrived at Low Sarn',
		'Arrived at Low Fennick'
	]);
	// A note keeps every word, however long it is.
	const note = `hose drips, ${'badly '.repeat(200)}at 08:15`;
	await enter(page, `note ${note}`);
	await expect
		.poll(() => entriesOf(page))
		.toContainEqual(expect.objectContaining({ kind: 'note', text: note }));
	expect(errors).toEqual([]);
});

test('what is more likely meant stands over the line, a tap away', async ({ page }) => {
	await openLogbook(page, book);
	await quickline(page).fill('fill 900');
	await expect(says(page)).toContainText('Did you mean 90 L?');
	await page.getByRole('button', { name: 'fill main 90' }).click();
	await expect(says(page)).toContainText('Main filled with 90 L');
	await quickline(page).fill('23:00 dishes');
	await expect(page.getByRole('list', { name: 'Which do you mean?' }).getByRole('button')).toHaveText([
		/yesterday at 23:00/,
		/today at 23:00/
	]);
});

test('who writes is one tap; the entries of each can be seen apart', async ({ page }) => {
	await openLogbook(page, book);
	await page.getByRole('button', { name: /Log as Ines/ }).click();
	await expect(page.getByRole('button', { name: 'Logged by Ines' })).toBeVisible();
	await enter(page, 'shower');
	await expect
		.poll(() => entriesOf(page))
		.toContainEqual(expect.objectContaining({ habit: 'shower', by: 'Ines' }));
	await enter(page, 'flush Tor');
	await expect
		.poll(() => entriesOf(page))
		.toContainEqual(expect.objectContaining({ habit: 'flush', by: 'Tor' }));
	await page.getByRole('link', { name: 'Ledger' }).click();
	await page.getByLabel('Logged by', { exact: true }).selectOption('Tor');
	const written = page.getByRole('main').getByRole('listitem');
	await expect(written.filter({ hasText: 'Flush' })).toBeVisible();
	await expect(written.filter({ hasText: 'Dishes' })).toHaveCount(0);
	// Who wrote it is said on a phone too, where kinds have no column.
	await page.setViewportSize({ width: 390, height: 844 });
	await expect(written.getByText(', Tor', { exact: true })).toBeVisible();
});

test('a logbook is handed over by the share sheet, and merged after a look at what it changes', async ({
	page,
	browser
}) => {
	await page.addInitScript(() => {
		const shared: File[] = [];
		Object.assign(window, { shared });
		Object.assign(navigator, {
			// As phones do it: plain text is shared, JSON is not.
			canShare: ({ files }: { files: File[] }) => files.every(({ type }) => type === 'text/plain'),
			share: ({ files }: { files: File[] }) => Promise.resolve(void shared.push(...files))
		});
	});
	await openLogbook(page, book);
	await enter(page, 'shower');
	await page.getByRole('link', { name: 'Data' }).click();
	await page.getByRole('button', { name: 'Share the whole file' }).click();
	await expect(page.getByText(/^Shared/)).toBeVisible();
	const file = await page.evaluate(async () => {
		const [first] = (window as unknown as { shared: File[] }).shared;
		return { name: first?.name ?? '', text: (await first?.text()) ?? '' };
	});
	expect(file.name).toMatch(/\.logbook\.json\.txt$/);

	const other = await browser.newPage({ timezoneId: 'Europe/London' });
	await other.clock.install({ time: NOW_MS });
	// The other's device opens the file with the installed application.
	await other.addInitScript((text) => {
		const handle = { getFile: () => Promise.resolve(new File([text], 'van.logbook.json')) };
		const launchQueue = { setConsumer: (take: (launch: object) => void) => take({ files: [handle] }) };
		Object.defineProperty(window, 'launchQueue', { value: launchQueue });
	}, file.text);
	await other.goto(page.url().replace(/\/data.*/, '/'));
	await expect(other.getByText(/What van.logbook.json would change here/)).toBeVisible();
	expect(Object.keys(await stored(other)).filter((key) => key.startsWith('entry'))).toEqual([]);
	await other.getByRole('button', { name: 'Import' }).click();
	await expect(other.getByRole('img', { name: /^Main, fresh/ }).first()).toBeVisible();
	await expect.poll(() => entriesOf(other)).toContainEqual(expect.objectContaining({ habit: 'shower' }));
	await other.close();
});

test('the badge of the installed application shows the whole days left', async ({ page }) => {
	await page.addInitScript(() => {
		const badges: (number | undefined)[] = [];
		Object.assign(window, { badges });
		Object.assign(navigator, {
			setAppBadge: (days?: number) => Promise.resolve(void badges.push(days)),
			clearAppBadge: () => Promise.resolve(void badges.push(undefined))
		});
	});
	await openLogbook(page, book);
	const badges = () => page.evaluate(() => (window as unknown as { badges: number[] }).badges);
	await expect.poll(badges).toContainEqual(expect.any(Number));
	const lasts = await page.locator('.lasts.first').first().textContent();
	const days = Number(/[\d.]+/.exec(lasts ?? '')?.[0]);
	expect((await badges()).at(-1)).toBe(Math.floor(/days/.test(lasts ?? '') ? days : days / 24));
});

test('every view and act by a key; the list of them; the command list', async ({ page }) => {
	await openLogbook(page, book);
	// A key that is pressed before anything listens is not lost.
	await page.keyboard.press('Shift+?');
	const keys = page.getByRole('dialog', { name: 'Keys' });
	await expect(keys).toBeVisible();
	for (const name of [
		'Now',
		'Trip',
		'Habits',
		'Ledger',
		'Rig',
		'Data',
		'Fill',
		'Dump',
		'Carry',
		'Undo',
		'All commands'
	])
		await expect(keys.getByText(name, { exact: true })).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(keys).toBeHidden();
	for (const [press, path] of [
		['g l', '/ledger'],
		['g d', '/data'],
		['g w', '/rig/weight'],
		['d', '/run/dump'],
		['g n', '/']
	] as const) {
		for (const key of press.split(' ')) await page.keyboard.press(key);
		await expect(page).toHaveURL(new RegExp(`${path}$`));
	}
	await page.keyboard.press('Control+k');
	const list = page.getByRole('dialog', { name: 'Go and do' });
	await expect(list.getByLabel('Go and do')).toBeFocused();
	await page.keyboard.type('fenni');
	await expect(list.getByRole('option').first()).toContainText('Arrived at Low Fennick');
	await page.keyboard.press('Enter');
	await expect(quickline(page)).toHaveValue('arrive low fennick');
	await expect(quickline(page)).toBeFocused();
	// Letters that are typed are letters.
	await quickline(page).fill('');
	await page.keyboard.type('due g l');
	await expect(quickline(page)).toHaveValue('due g l');
	await expect(page).toHaveURL(/\/$/);
	// Single letters can be switched off; with a modifier they stay.
	await page.keyboard.press('Escape');
	await page.keyboard.press('Escape');
	await page.keyboard.press('Shift+?');
	await page.getByLabel(/Single letters are shortcuts/).uncheck();
	// A choice holds once it is kept.
	await expect.poll(async () => (await stored(page, 'prefs')).prefs).toMatchObject({ letterKeys: false });
	await page.keyboard.press('Escape');
	await page.keyboard.press('d');
	await page.keyboard.press('Control+k');
	await expect(list).toBeVisible();
	await expect(page).toHaveURL(/\/$/);
	expect(await violationsOf(page, { within: '[role="dialog"]' })).toEqual([]);
});

test.describe('by thumb', () => {
	test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

	test('an entry of the ledger shows what can be done with it at a tap', async ({ page }) => {
		await openLogbook(page, book, { at: '/ledger' });
		const row = page.locator('main li', { hasText: 'Dishes' });
		await expect(row.getByRole('button', { name: 'Correct Dishes' })).toBeHidden();
		await row.tap();
		await expect(row.getByRole('button', { name: 'Correct Dishes' })).toBeVisible();
	});
	test('two thirds for the view, the rods on screen, undo in reach', async ({ page }) => {
		await openDemo(page);
		// What comes behind the first look has its place before it is there.
		await expect(page.getByRole('group', { name: 'Likely next' }).getByRole('button').first()).toBeVisible();
		const view = await page.locator('main').boundingBox();
		expect(view?.height).toBeGreaterThan((2 / 3) * 844);
		const foot = await page.locator('footer').boundingBox();
		const rods = page.locator('.rods li:not(.carried)');
		expect(await rods.count()).toBe(3);
		for (const rod of await rods.all()) {
			const box = await rod.boundingBox();
			expect(box?.x).toBeGreaterThanOrEqual(0);
			expect((box?.x ?? 0) + (box?.width ?? 0)).toBeLessThanOrEqual(390);
			expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual((foot?.y ?? 0) + 1);
		}
		await quickline(page).fill('shower');
		await expect(page.getByRole('button', { name: 'Enter' })).toBeEnabled();
		await page.getByRole('button', { name: 'Enter' }).tap();
		const undo = page
			.getByRole('group', { name: 'Likely next' })
			.getByRole('button', { name: /^Undo Shower/ });
		await expect(undo).toBeVisible();
		const box = await undo.boundingBox();
		expect(box?.y).toBeGreaterThan(844 / 2);
		expect(box?.height).toBeGreaterThanOrEqual(44);
		await undo.tap();
		await expect(undo).toBeHidden();
	});

	test('what a stop offers is said beside what to do there; wide tables are lists', async ({ page }) => {
		await openDemo(page);
		await page.getByRole('link', { name: 'Trip' }).tap();
		const ahead = page.getByRole('list', { name: 'Stops ahead' });
		await expect(ahead.getByText(/^Here: /).first()).toBeVisible();
		await page.getByText(/^Compare \d plan styles/).tap();
		const costs = page.getByRole('cell').first();
		await expect(costs).toBeVisible();
		const wide = await page.evaluate(() => {
			const main = document.querySelector('main');
			return main ? main.scrollWidth - main.clientWidth : 0;
		});
		expect(wide).toBe(0);
	});
});

test('the first hour: a verdict, then three things worth doing, each gone once done or waved away', async ({
	page
}) => {
	await page.goto('/');
	await page.getByRole('button', { name: 'Begin' }).click();
	await page.getByLabel('What is it called?').fill('Plover');
	await page.getByLabel('Fresh water').fill('80');
	await page.getByLabel('Grey (sink and shower)').fill('60');
	await page.getByRole('button', { name: 'See how long it lasts' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText('first: ');
	const next = page.getByRole('region', { name: 'Worth doing next' });
	await expect(next.getByRole('listitem')).toHaveCount(3);
	// The meter that one owns: its reading adds it.
	await next.getByRole('button', { name: 'At the pump' }).click();
	await page.keyboard.type('41.2');
	await expect(says(page)).toContainText('Adds a meter at the pump');
	await quickline(page).press('Enter');
	await expect(next.getByRole('listitem')).toHaveCount(2);
	// How one dumps.
	await next.getByRole('button', { name: 'With a tote or drum' }).click();
	await next.getByLabel('Size, to the brim').fill('40');
	await next.getByRole('button', { name: 'Add', exact: true }).click();
	await expect(next.getByRole('listitem')).toHaveCount(1);
	await next.getByRole('button', { name: /^Not now/ }).click();
	await expect(next.getByRole('listitem')).toHaveCount(0);
	// A line to try, in the words of this rig.
	await next.getByRole('button', { name: 'shower and dishes' }).click();
	await expect(says(page)).toContainText('Dishes');
	await page.reload();
	await expect(next.getByRole('listitem')).toHaveCount(0);
});
