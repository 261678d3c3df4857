import { DAY_MS } from '../src/core/time/index.js';
import { expect, test, NOW_MS, type Locator, type Page } from './helpers/test';
import { entry, exactRig, exactTrip, logbookOf } from './helpers/logbooks';
import { openDemo, openLogbook, quickline, stored } from './helpers/pages';
import type { Entry, Logbook, Stop, Trip } from '../src/core/logbook';

const iso = (days: number): string => new Date(NOW_MS + days * DAY_MS).toISOString();
const day = (days: number): string => iso(days).slice(0, 10);
/** Fresh lasts 3¾ days, grey as long, black for ever. */
const rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) => (tank.id === 'black' ? { ...tank, nominalL: 400, usableL: 400 } : tank))
};
const start: readonly Entry[] = [
	entry({ kind: 'mark', at: iso(-0.01), tank: 'main', state: 'full' }),
	entry({ kind: 'dump', at: iso(-0.01), tank: 'grey', to: 'empty' }),
	entry({ kind: 'dump', at: iso(-0.01), tank: 'black', to: 'empty' })
];
const stop = (name: string, from: number, to: number, services: Stop['services'] = []): Stop => ({
	id: name.toLowerCase().replaceAll(' ', '-'),
	name,
	arrive: iso(from),
	depart: iso(to),
	legKm: 12,
	services
});
const BOTH: Stop['services'] = [
	{ kind: 'water', minutes: 10, fee: 2 },
	{ kind: 'grey', minutes: 5 }
];
const tripOf = (stops: readonly Stop[]): Trip => ({ ...exactTrip, from: day(-1), to: day(12), stops });
const bookOf = (stops: readonly Stop[], more: readonly Entry[]): Logbook =>
	logbookOf([...start, ...more], rig, [tripOf(stops)]);

async function openTrip(page: Page, stops: readonly Stop[], more: readonly Entry[] = []): Promise<void> {
	await openLogbook(page, bookOf(stops, more), { at: '/trip' });
	await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
}
const tripStored = async (page: Page): Promise<Trip> =>
	Object.values(await stored(page)).find(
		(value) => typeof value === 'object' && value !== null && 'stops' in value
	) as Trip;
/** Whether what was seen of the plan is in this browser's store. */
const planKept = (page: Page): Promise<boolean> =>
	page.evaluate(
		() =>
			new Promise<boolean>((resolve, reject) => {
				const open = indexedDB.open('dipsometer');
				open.onerror = () => reject(open.error);
				open.onsuccess = () => {
					const prefs = open.result.transaction('prefs').objectStore('prefs').get('prefs');
					prefs.onsuccess = () => {
						resolve((prefs.result as { plan?: unknown } | undefined)?.plan !== undefined);
						open.result.close();
					};
				};
			})
	);
const NAME = '.what > span:first-child > strong';
const order = (page: Page) =>
	page.getByRole('list', { name: 'Stops ahead' }).getByRole('listitem').locator(NAME);

/** How else it could be done: what stands last of all that a plan says. */
const ways = (page: Page) =>
	page.getByRole('region', { name: /^Plan styles/ }).getByRole('row', { includeHidden: true });
const stopRows = (page: Page) => page.locator('[aria-label="Stops ahead"] > li');
/** What follows the pointer while a stop is dragged. */
const dragged = (page: Page) => page.locator('#dnd-action-dragged-el');
const boxOf = async (one: Locator) => {
	const box = await one.boundingBox();
	if (!box) throw new Error('nothing to be seen there');
	return box;
};
/** Takes a stop by its handle and lifts it a little; where the pointer is then. */
async function takeHold(page: Page, name: string): Promise<{ readonly x: number; readonly y: number }> {
	const grip = stopRows(page).filter({ hasText: name }).locator('.grip');
	// In the middle of the page no word in passing lies over the handles, and nothing scrolls.
	await grip.evaluate((one) => one.scrollIntoView({ block: 'center' }));
	await grip.hover();
	const { x, y, width, height } = await boxOf(grip);
	const lifted = { x: x + width / 2, y: y + height / 2 - 10 };
	await page.mouse.down();
	await page.mouse.move(lifted.x, lifted.y, { steps: 5 });
	await expect(dragged(page)).toBeVisible();
	return lifted;
}

const HOLDS = [
	stop('Moor', 0.5, 1.5),
	stop('Ford', 2, 2.1, BOTH),
	stop('Hill', 2.5, 4.5),
	stop('Yard', 5, 5.1, BOTH)
];
/** The tap comes after five days of camp; found none before. */
const FAILS = [
	stop('Moor', 0.5, 1),
	stop('Camp', 1.2, 4.1),
	stop('Ford', 4.3, 4.4, BOTH),
	stop('Hill', 4.41, 4.42)
];

test('the ribbon reads all tanks by keys, zooms, and stands in figures; last chances in words', async ({
	page
}) => {
	await openTrip(page, HOLDS);
	await expect(page.getByRole('heading', { level: 1 })).toContainText('at Ford on');
	const ribbon = page.getByRole('group', { name: /The trip along time/ });
	await expect(ribbon.locator('svg')).toBeVisible();
	await expect(ribbon.getByText('last tap')).toBeVisible();
	await expect(page.getByText(/Ford on \w+: last tap before Main runs low/)).toBeVisible();
	await ribbon.focus();
	await page.keyboard.press('ArrowRight');
	await page.keyboard.press('ArrowRight');
	await expect(page.locator('.reading')).toContainText(/Main\s+9\d.L/);
	await page.keyboard.press('End');
	await expect(page.locator('.reading')).toContainText(/Grey/);
	// It may be drawn anew just now: only where it stands is told.
	const placeOf = async (): Promise<number | undefined> =>
		(await ribbon.getByText('last tap').boundingBox())?.x;
	await expect.poll(placeOf).toBeGreaterThan(0);
	const before = await placeOf();
	await page.keyboard.press('+');
	await expect
		.poll(async () => {
			const now = await placeOf();
			return now !== undefined && now !== before;
		})
		.toBe(true);
	await page.keyboard.press('0');
	await page.getByText('The same in figures').click();
	await expect(page.getByRole('columnheader', { name: 'Main' })).toBeVisible();
});

test('a stop is moved by keys and by drag, stays a night longer, and all of it is undone', async ({
	page
}) => {
	await openTrip(page, HOLDS);
	await expect(order(page)).toHaveText(['Moor', 'Ford', 'Hill', 'Yard']);
	await expect(ways(page)).toHaveCount(7);
	const told = await ways(page).allTextContents();
	await page.getByRole('button', { name: 'Change Ford' }).focus();
	await page.keyboard.press('Alt+ArrowUp');
	await expect(order(page)).toHaveText(['Ford', 'Moor', 'Hill', 'Yard']);
	await expect.poll(() => ways(page).allTextContents()).not.toEqual(told);
	const toldMoved = await ways(page).allTextContents();
	const kept = async () => (await tripStored(page)).stops;
	const ids = async () => (await kept()).map(({ id }) => id);
	await expect.poll(ids).toEqual(['ford', 'moor', 'hill', 'yard']);
	const moved = await kept();
	await page.getByRole('button', { name: 'One night more at Hill' }).click();
	await expect(page.getByText('Hill, 3 nights')).toBeVisible();
	await expect.poll(kept).not.toEqual(moved);
	const longer = await kept();
	// The plan of this very trip is there, and all that stands above the list with it: nothing moves any more.
	await expect.poll(() => ways(page).allTextContents()).not.toEqual(toldMoved);

	const rows = stopRows(page);
	const hold = await takeHold(page, 'Hill');
	const [held, first] = [await boxOf(dragged(page)), await boxOf(rows.first())];
	// To where it will lie. What is dragged takes the place of the row that its middle lies over: further down on a taller
	// row than itself it would be in that row's place as well as in its own, by turns.
	await page.mouse.move(hold.x, hold.y + first.y - held.y, { steps: 10 });
	await expect(rows.locator(NAME)).toHaveText(['Hill', 'Ford', 'Moor', 'Yard']);
	await page.mouse.up();
	await expect.poll(ids).toEqual(['hill', 'ford', 'moor', 'yard']);
	await expect(order(page)).toHaveText(['Hill', 'Ford', 'Moor', 'Yard']);
	// Undone, one after the other, until the trip is as it was.
	await page.keyboard.press('Escape');
	const times = (stops: readonly Stop[]) => stops.map(({ id, arrive }) => [id, Date.parse(arrive)]);
	for (const left of [longer, moved, HOLDS]) {
		await page.keyboard.press('u');
		await expect.poll(async () => times(await kept())).toEqual(times(left));
	}
	await expect(order(page)).toHaveText(['Moor', 'Ford', 'Hill', 'Yard']);
});

test('what a row says stays while one is dragged, though a new plan comes; then it is told', async ({
	page
}) => {
	await openTrip(page, HOLDS);
	const ford = stopRows(page).filter({ hasText: 'Ford' }).locator('.do');
	await expect(ford).toBeVisible();
	const said = await ford.innerText();
	await expect(ways(page)).toHaveCount(7);
	const before = await ways(page).allTextContents();
	await takeHold(page, 'Yard');
	await quickline(page).fill('shower 3');
	await expect(page.locator('#quickline-says')).toContainText('Shower');
	await page.keyboard.press('Enter');
	await expect.poll(() => ways(page).allTextContents()).not.toEqual(before);
	expect(await ford.innerText()).toBe(said);
	await page.mouse.up();
	await expect.poll(() => ford.innerText()).not.toBe(said);
});

test('what if: one is dropped and leaves no trace, one is kept; a school is chosen with its price beside the others', async ({
	page
}) => {
	await openTrip(page, [
		stop('Ford', 1, 1.1, BOTH),
		stop('Weir', 3, 3.1, [{ kind: 'water', fee: 9 }, { kind: 'grey' }]),
		stop('Hill', 3.5, 6)
	]);
	const before = JSON.stringify(await tripStored(page));
	await page.getByRole('button', { name: 'What if…' }).click();
	await page.getByLabel('What if').selectOption({ label: 'skip a stop' });
	await page.getByLabel('Which').selectOption({ label: 'Ford' });
	await expect(
		page
			.getByRole('cell', { name: 'no', exact: true })
			.or(page.getByText(/no longer needed|needed too|in the same places/))
	).toBeVisible();
	await page.getByRole('button', { name: 'Cancel' }).click();
	expect(JSON.stringify(await tripStored(page))).toBe(before);

	await page.getByRole('button', { name: 'What if…' }).click();
	await page.getByLabel('What if').selectOption({ label: 'more or fewer people' });
	await page.getByLabel('Which').selectOption({ label: 'two more' });
	await expect(page.getByRole('row', { name: /Lasts without a stop/ })).toContainText(/3½ days|4 days/);
	await page.getByRole('button', { name: 'Save it' }).click();
	await expect(page.getByText('Take two more people aboard', { exact: true })).toBeVisible();
	await expect
		.poll(async () =>
			Object.values(await stored(page)).some((value) => (value as { kind?: string }).kind === 'crew')
		)
		.toBe(true);

	const schools = page.getByRole('region', { name: 'Plan styles for this trip' });
	await schools.getByText('Compare 6 plan styles').click();
	await expect(schools.getByRole('row')).toHaveCount(7);
	await schools.getByRole('radio', { name: /Top up whenever you can/ }).check();
	await expect.poll(async () => (await tripStored(page)).policy).toMatchObject({ school: 'top-up' });
	await expect(page.getByRole('listitem').filter({ hasText: 'Ford' })).toContainText(
		/take .* and empty Grey/
	);
});

test('a trip that falls short says so, with what mends it; a tap tries it, another keeps it', async ({
	page
}) => {
	await openTrip(page, FAILS);
	await expect(page.getByText(/\d\sL short/)).toBeVisible();
	const mend = page.getByRole('listitem').filter({ hasText: 'Switch on Short showers' });
	await expect(mend).toBeVisible();
	await expect(page.getByRole('listitem').filter({ hasText: 'Stay one fewer night at Camp' })).toBeVisible();
	await mend.getByRole('button', { name: 'Try' }).click();
	await expect(page.getByRole('row', { name: /It works/ })).toContainText('yes');
	await page.getByRole('button', { name: 'Save it' }).click();
	await expect(page.getByText(/\d\sL short/)).toBeHidden();
	await expect(page.getByRole('heading', { level: 1 })).toContainText('Nothing to fill or dump');
});

test('at a planned service it is offered, and one tap writes it down', async ({ page }) => {
	// 30 L are gone of 100, and run into Grey: what is left does not last to the end
	const washed = entry({ kind: 'use', at: iso(-0.005), habit: 'dishes', times: 5 });
	await openTrip(page, [stop('Ford', 0.5, 0.6, BOTH), stop('Hill', 1, 4)], [washed]);
	await expect(page.getByRole('heading', { level: 1 })).toContainText('at Ford');
	await page.clock.fastForward(0.52 * DAY_MS);
	await page.getByRole('navigation').getByRole('link', { name: 'Now' }).click();
	await page.getByRole('button', { name: 'Done: log it' }).click();
	const written = async () =>
		Object.values(await stored(page))
			.map((value) => value as Entry)
			.filter(({ kind, source }) => (kind === 'fill' || kind === 'dump') && source === 'hand')
			.map(({ kind }) => kind);
	await expect.poll(written).toEqual(expect.arrayContaining(['fill', 'dump']));
	await expect(page.getByRole('button', { name: 'Done: log it' })).toBeHidden();
});

test('a planned service that was passed by without a word is asked after once', async ({ page }) => {
	await openTrip(page, [stop('Ford', 0.5, 0.6, BOTH), stop('Hill', 1, 4), stop('Weir', 4.2, 4.3, BOTH)]);
	await expect(page.getByRole('heading', { level: 1 })).toContainText('at Ford');
	// the plan has been seen, and is kept
	await expect.poll(() => planKept(page)).toBe(true);
	await page.clock.fastForward(0.7 * DAY_MS);
	await page.getByRole('navigation').getByRole('link', { name: 'Now' }).click();
	const ask = page.getByText(/Did you fill Main and empty Grey at Ford/);
	await expect(ask).toBeVisible();
	await page.getByRole('button', { name: 'No', exact: true }).click();
	await expect(ask).toBeHidden();
	await page.reload();
	await expect(page.getByRole('img', { name: /^Main, fresh/ })).toBeVisible();
	await expect(ask).toBeHidden();
});

test('a trip is copied, looked at by its address, and planned as one will set out; a place of no stops says how long', async ({
	page
}) => {
	await openTrip(page, HOLDS);
	await page.getByRole('button', { name: 'Copy', exact: true }).click();
	await expect(page).toHaveURL(/trip=/);
	await expect(page.getByText(/Planned as if you set out on/)).toBeVisible();
	await expect(page.getByRole('region', { name: 'How much to load before you leave' })).toContainText(
		'is the least you need'
	);
	await page.goBack();
	await expect(page.getByText(/Planned as if you set out on/)).toBeHidden();
	await openLogbookAgain(page);
	await page.getByRole('button', { name: 'We stay here: how long?' }).click();
	await expect(page.getByRole('listitem').filter({ hasText: 'Here' })).toContainText('3 nights');
});

/** The same rig on a trip without a stop, taken in over what is there. */
async function openLogbookAgain(page: Page): Promise<void> {
	const { id, ...trip } = tripOf([]);
	await page.getByRole('navigation').getByRole('link', { name: 'Data' }).click();
	const later = new Date(NOW_MS + 60_000).toISOString();
	await page.locator('input[type=file]').setInputFiles({
		name: 'stay.logbook.json',
		mimeType: 'application/json',
		buffer: Buffer.from(
			JSON.stringify({
				...logbookOf([], rig, [{ ...trip, id, edited: later }]),
				exportedAt: later
			})
		)
	});
	await page.getByRole('button', { name: 'Import' }).click();
	await page.getByRole('navigation').getByRole('link', { name: 'Trip' }).click();
}

test('what is asked of a trip is asked once as it is opened, not again with every figure that comes', async ({
	page
}) => {
	await page.addInitScript(() => {
		const post = Worker.prototype.postMessage;
		const asked: unknown[] = [];
		Object.assign(window, { asked });
		Worker.prototype.postMessage = function (this: Worker, ...args: Parameters<typeof post>) {
			const { argumentList } = args[0] as { argumentList?: readonly { value?: unknown }[] };
			asked.push(argumentList?.[0]?.value);
			post.apply(this, args);
		} as typeof post;
	});
	const asked = async (what: string): Promise<number> =>
		(await page.evaluate(() => (window as unknown as { asked: unknown[] }).asked)).filter(
			(one) => one === what
		).length;
	await openTrip(page, FAILS);
	await expect(page.getByRole('button', { name: 'Try' }).first()).toBeVisible();
	await expect(page.getByText(/^Compare \d plan styles/)).toBeVisible();
	// The last figures of all are those with the plan in them.
	await expect.poll(() => asked('now/preparePlanning')).toBe(1);
	await page.waitForTimeout(1500);
	for (const question of ['trip/planOfTrip', 'trip/waysOfTrip', 'trip/mendsOfTrip'])
		expect(await asked(question), question).toBe(1);
});

test('the demo’s camper has a trip that holds, with a plan and a price for every school', async ({
	page
}) => {
	await openDemo(page, { at: '/trip' });
	await expect(page.getByRole('heading', { level: 1 })).toContainText('at Tamsel Ford');
	await expect(page.getByText(/% chance that no tank runs low or fills up/)).toBeVisible();
	await page.getByText(/^Compare \d plan styles/).click();
	await expect(page.getByRole('row', { name: /Carry light/ })).toBeVisible();
});

test.describe('by thumb', () => {
	test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
	test('a tap on the ribbon, which was only a picture until then, reads all tanks there', async ({
		page
	}) => {
		await openDemo(page, { at: '/trip' });
		const chart = page.getByRole('group', { name: /The trip along time/ }).locator('.chart');
		await expect(chart.locator('svg')).toBeVisible();
		await chart.tap({ position: { x: 240, y: 120 } });
		await expect(page.locator('.reading')).toContainText(/:\s*Main\s+\d+.L.*Grey.*Cassette/);
	});
});
