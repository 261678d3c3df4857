import { HOUR_MS } from '../src/core/time/index.js';
import { expect, test, type Page } from './helpers/test.js';
import type { Entry, Logbook, Rig, Trip } from '../src/core/logbook/index.js';
import { countdown, entry, exactRig, freshStart, hoseMeter, logbookOf, spareJug } from './helpers/logbooks';
import {
	controlled,
	enter,
	follow,
	litresOf,
	openDemo,
	openFile,
	openLogbook,
	quickline,
	stored
} from './helpers/pages';
import { freePort, startServer } from './helpers/server';
import { NOW_MS } from './helpers/test.js';

const ago = (hours: number): string => new Date(NOW_MS - hours * HOUR_MS).toISOString();
const ahead = (hours: number): string => ago(-hours);

const rig: Rig = {
	...exactRig,
	payloadKg: 400,
	tanks: [...exactRig.tanks, { ...spareJug, tareKg: 1 }],
	instruments: [...exactRig.instruments, hoseMeter, countdown],
	containers: [
		{
			id: 'tote',
			name: 'Tote',
			carries: 'grey',
			capacityL: 30,
			headroomL: 2,
			tareKg: 4,
			count: 1,
			minutesPerLoad: 15
		},
		{
			id: 'can',
			name: 'Can',
			carries: 'fresh',
			capacityL: 10,
			headroomL: 0,
			tareKg: 1,
			count: 2,
			minutesPerLoad: 9
		}
	]
};
const trip: Trip = {
	id: 'trip',
	rig: 'rig',
	name: 'Paper moor',
	timeZone: 'Etc/UTC',
	from: '2026-06-15',
	to: '2026-06-22',
	persons: 2,
	stops: [
		{
			id: 'camp',
			name: 'Bare Camp',
			arrive: ago(20),
			depart: ahead(120),
			legKm: 5,
			position: [-3, 57],
			services: []
		}
	]
};
/** 40 of 100 L fresh, 60 L of grey, the hose meter left at 431.6. */
const book: Logbook = {
	...logbookOf(
		[
			...freshStart(ago(30)),
			entry({ kind: 'reading', at: ago(29), instrument: 'hose', value: 431.6 }),
			entry({ kind: 'use', at: ago(3), habit: 'dishes', times: 10 })
		],
		rig,
		[trip]
	),
	points: [
		{
			id: 'well',
			name: 'Well House',
			position: [-3, 57.01],
			services: [{ kind: 'water', potable: true, flowLpm: 600 }, { kind: 'grey' }]
		}
	]
};
const written = async (page: Page): Promise<readonly Entry[]> =>
	Object.values(await stored(page))
		.filter((one): one is Entry => (one as Entry).source === 'run')
		.sort((a, b) => (a.at < b.at ? -1 : 1));
const press = (page: Page, name: string | RegExp): Promise<void> =>
	page.getByRole('button', { name, exact: true }).click();

/** Sets a fill of 41.4 L by the hose meter up, and begins it. */
async function beginFill(page: Page): Promise<void> {
	await page.getByRole('link', { name: 'Fill', exact: true }).click();
	await page.getByLabel('How much').selectOption('litres');
	await page.getByLabel('Litres to take').fill('41.4');
	await page.getByLabel('Where').selectOption({ label: 'Well House' });
	await expect(page.getByLabel(/Hose meter shows now/)).toHaveValue('431.6');
	await press(page, 'Begin');
}

test('a fill: stop where the hose meter shows 473.0; its entries, and each of them taken back', async ({
	page
}) => {
	await openLogbook(page, book);
	await page.getByRole('link', { name: 'Fill', exact: true }).click();
	// What the payload leaves is said once people and gear are.
	await page.getByLabel(/People, food and gear/).fill('380');
	await page.getByLabel('How much').selectOption('litres');
	await page.getByLabel('Litres to take').fill('41.4');
	await expect(page.getByText(/more than the payload leaves/)).toBeVisible();
	await page.getByLabel(/People, food and gear/).fill('200');
	await expect(page.getByText(/That leaves .* of the payload/)).toBeVisible();
	await page.getByLabel('Where').selectOption({ label: 'Well House' });
	await expect(page.getByLabel('Drinking water?')).toHaveValue('yes');
	await press(page, 'Begin');
	await expect(page.getByText('Use a drinking-water hose, and only where a sign or a person')).toBeVisible();
	// By keys alone: the step that is due has the focus.
	await expect(page.getByRole('button', { name: 'Ready' })).toBeFocused();
	await page.keyboard.press('Enter');
	await expect(page.getByText('Stop when Hose meter shows')).toBeVisible();
	await press(page, 'Enter another figure');
	await page.getByLabel('Hose meter shows').fill('413');
	await press(page, 'Save');
	await expect(page.getByText(/below the 431.6 it started at/)).toBeVisible();
	expect(await written(page)).toEqual([]);
	await page.getByLabel('Hose meter shows').fill('471');
	await press(page, 'Save');
	await press(page, 'Shut');
	// 79.4 L less the reserve of 10.
	await press(page, /^It is set to (68|69)$/);
	await expect(page.getByRole('heading', { name: 'That is all.' })).toBeVisible();
	const entries = await written(page);
	expect(entries).toMatchObject([
		{ kind: 'fill', tank: 'main', litres: 39.4, potable: true, point: 'well', trip: 'trip' },
		{ kind: 'reading', instrument: 'hose', value: 471 },
		{ kind: 'reading', instrument: 'down', reset: true }
	]);
	for (let i = 1; i <= 3; i++) {
		await page.getByRole('button', { name: 'Void' }).first().click();
		await expect(page.getByRole('button', { name: 'Restore' })).toHaveCount(i);
	}
	expect((await written(page)).every((one) => one.void)).toBe(true);
	await page.getByRole('button', { name: 'Restore' }).first().click();
	await page.getByRole('link', { name: 'To Now' }).click();
	await expect.poll(() => litresOf(page, 'Main')).toBeGreaterThan(75);
});

test('in the middle of a run nothing is lost: reload, leave and come back, a second tab', async ({
	page,
	context
}) => {
	await openLogbook(page, book);
	await beginFill(page);
	await press(page, 'Ready');
	await expect(page.getByText('473.0', { exact: true })).toBeVisible();
	await page.reload();
	await expect(page.getByText('473.0', { exact: true })).toBeVisible();
	const address = page.url();
	await page.getByRole('link', { name: /Leave/ }).click();
	await page.getByRole('link', { name: 'Continue' }).click();
	await expect(page.getByText('473.0', { exact: true })).toBeVisible();
	// Two who follow one run and both say that it is done write it once.
	const other = await context.newPage();
	await other.goto(address);
	await expect(other.getByText('473.0', { exact: true })).toBeVisible();
	await press(page, 'Done, it shows 473.0');
	await expect(other.getByText('Shut the tap, then the inlet.', { exact: true })).toBeVisible();
	await press(other, 'Shut');
	await press(other, /^It is set to/);
	await expect(page.getByRole('heading', { name: 'That is all.' })).toBeVisible();
	expect((await written(page)).map(({ kind }) => kind)).toEqual(['fill', 'reading', 'reading']);
});

test('the meter counts by itself: five litres to go, and stop; lost, it is heard again', async ({ page }) => {
	const server = await startServer(await freePort());
	try {
		await openLogbook(page, book, { base: server.base });
		await beginFill(page);
		await press(page, 'Ready');
		await press(page, 'Let it count by itself');
		await expect(page.getByText('The simulated meter counts.')).toBeVisible();
		// 41.4 L at 600 a minute are over in four seconds.
		await expect(page.getByText(/^Stop: /)).toBeVisible({ timeout: 15_000 });
		await expect(page.getByRole('status').filter({ hasText: 'Stop now.' })).toHaveCount(1);
		// The whole screen is turned over until it is answered.
		await expect(page.locator('.invert')).toHaveCSS('mix-blend-mode', 'difference');
		await server.kill();
		await expect(page.getByText(/No signal from the meter/)).toBeVisible();
		await expect(page.getByText('at its last signal')).toBeVisible();
		// What it should have been still stands on the button; what it was is typed.
		await press(page, 'Enter another figure');
		await page.getByLabel('Hose meter shows').fill('480');
		await press(page, 'Save');
		await expect(page.getByText('Shut the tap, then the inlet.', { exact: true })).toBeVisible();
		expect(await written(page)).toMatchObject([{ kind: 'fill', litres: 48.4 }, { value: 480 }]);
	} finally {
		await server.kill();
	}
});

test('the stand-in meter is a stream of readings, and refuses what is no meter', async ({ request }) => {
	expect((await request.get('/api/standins/meter?from=x&lpm=12')).status()).toBe(422);
});

test('a dump: black first, not quite empty, water back', async ({ page }) => {
	await openLogbook(page, book);
	await page.getByRole('link', { name: 'Dump', exact: true }).click();
	await page.getByLabel('Where').selectOption({ label: 'a sewer connection' });
	await press(page, 'Begin');
	await expect(page.getByRole('heading', { name: /Black first, grey last/ })).toBeVisible();
	for (const does of ['All shut', 'The hose is on', 'Air gets in', 'Cassette is empty and shut'])
		await press(page, does);
	// The hose stays on: its end is lifted, and every valve that was opened is shut again.
	for (const does of [
		'It is up',
		'It has run back; both are shut',
		'It is down',
		'Cassette is empty and shut'
	])
		await press(page, does);
	await press(page, 'Not quite empty');
	await press(page, 'Shut and capped');
	await press(page, 'From a jug or a tap');
	await press(page, 'Hands washed');
	await expect(page.getByRole('heading', { name: 'That is all.' })).toBeVisible();
	expect(await written(page)).toMatchObject([
		{ kind: 'dump', tank: 'black', to: 'empty', where: 'sewer' },
		{ kind: 'transfer', fromTank: 'grey', toTank: 'black' },
		{ kind: 'dump', tank: 'black', to: 'empty' },
		{ kind: 'dump', tank: 'grey', to: 'empty', leftL: expect.any(Number) },
		{ kind: 'fill', tank: 'black', litres: 1 }
	]);
	await page.getByRole('link', { name: 'To Now' }).click();
	await expect.poll(() => litresOf(page, 'Grey')).toBeLessThan(8);
	// The ledger says so too.
	await follow(page, '/ledger');
	await expect(page.getByText(/Grey emptied, .* left/)).toBeVisible();
});

test('into the tote: shut the valve in time, load by load; stopped, what is left is still aboard; Now says when to go', async ({
	page
}) => {
	await openLogbook(page, book, { at: '/run/dump?into=tote' });
	await page.getByLabel(/Hose, metres/).fill('0');
	await expect(page.getByText(/Tote holds 30.L to the brim; 2.L must be free.*3 loads/)).toBeVisible();
	// Black into a grey tote, and a hose that holds more than the tote.
	await page.getByRole('checkbox', { name: /Grey/ }).uncheck();
	await page.getByRole('checkbox', { name: /Cassette/ }).check();
	await expect(page.getByText(/Cassette holds black, Tote carries grey/)).toBeVisible();
	await expect(page.getByRole('button', { name: 'Begin' })).toBeDisabled();
	await page.getByRole('checkbox', { name: /Cassette/ }).uncheck();
	await page.getByRole('checkbox', { name: /Grey/ }).check();
	await page.getByLabel(/Hose, metres/).fill('9');
	await expect(page.getByText(/nothing fits/)).toBeVisible();
	await page.getByLabel(/Hose, metres/).fill('0');
	await press(page, 'Begin');
	await expect(page.getByText('load 1 of 3', { exact: true })).toBeVisible();
	await press(page, 'It is in place');
	await expect(page.getByText('Shut Grey when Tote holds')).toBeVisible();
	await press(page, 'Enter another figure');
	await page.getByLabel('How much ran out of the tank?').fill('40');
	await press(page, 'Save');
	await expect(page.getByText(/Tote has room for 30.L; 40.L does not fit/)).toBeVisible();
	await page.getByRole('button', { name: 'Back', exact: true }).click();
	await press(page, 'It is shut');
	await press(page, 'Stop here');
	await expect(page.getByRole('heading', { name: /Ended/ })).toBeVisible();
	expect(await written(page)).toMatchObject([{ kind: 'dump', tank: 'grey', litres: 28, where: 'tote' }]);
	await page.getByRole('link', { name: 'To Now' }).click();
	await expect.poll(() => litresOf(page, 'Grey')).toBeLessThan(35);
	await expect(page.getByText(/Grey holds .*, Tote has room for .*: go now/)).toBeVisible();
});

test('carried by hand: offered where a service is near, set up, poured; a stay before one books it', async ({
	page
}) => {
	await openLogbook(page, book);
	const near = page.getByText(/No tap at Bare Camp; Well House is near: with Can/);
	await expect(near).toBeVisible();
	await page.getByRole('link', { name: 'Carry' }).filter({ visible: true }).last().click();
	await follow(page, '/run/carry?by=can');
	await page.getByLabel('How much').fill('400');
	await expect(page.getByText(/the rest would overflow/)).toBeVisible();
	await expect(page.getByRole('button', { name: 'Carry the water' })).toBeDisabled();
	await page.getByLabel('How much').fill('25');
	await expect(page.getByText(/3 loads in 2 trips, 20 min; the fullest weighs 11.kg/)).toBeVisible();
	await page.getByLabel('Days in one place').fill('14');
	await expect(page.getByText(/loads, one .*15 min each|loads, \w+ a day, 15 min each/)).toBeVisible();
	await press(page, 'Carry the water');
	for (const name of ['They are full', 'It is in', 'It is full', 'It is in']) await press(page, name);
	await expect(page.getByRole('heading', { name: 'That is all.' })).toBeVisible();
	expect(await written(page)).toMatchObject([
		{ kind: 'fill', tank: 'main', litres: 20 },
		{ kind: 'fill', tank: 'main', litres: 5 }
	]);
	await follow(page, '/trip');
	await expect(page.getByText(/days at Bare Camp with Tote: /)).toBeVisible();
});

test('a run from last year is told, and writes nothing', async ({ page }) => {
	await openLogbook(page, book);
	await beginFill(page);
	await press(page, 'Ready');
	const address = page.url();
	await page.clock.setFixedTime(NOW_MS + 365 * 24 * HOUR_MS);
	await page.goto(address);
	await expect(page.getByRole('heading', { name: /Started 16 June 2026, and not ended/ })).toBeVisible();
	await expect(page.getByRole('button', { name: /Done/ })).toHaveCount(0);
	await press(page, 'End this run');
	expect(await written(page)).toEqual([]);
	// One that is not here, and one of another phone that came through torn.
	for (const path of ['/run/nowhere', '/run/nowhere#abc', '/run/__proto__']) {
		await page.goto(path);
		await expect(page.getByRole('heading', { name: /There is no such run/ })).toBeVisible();
	}
});

test('handed over, it goes on elsewhere and writes the same entries', async ({ page, browser }) => {
	await page.addInitScript(() => {
		Object.defineProperty(navigator, 'share', { value: undefined });
		Object.defineProperty(navigator, 'clipboard', {
			value: { writeText: async (text: string) => void ((window as { shared?: string }).shared = text) }
		});
	});
	await openLogbook(page, book);
	await beginFill(page);
	await press(page, 'Share');
	const address = await page.evaluate(() => (window as { shared?: string }).shared ?? '');
	const elsewhere = await browser.newContext();
	await elsewhere.clock.install({ time: NOW_MS });
	const phone = await elsewhere.newPage();
	await openFile(phone, book);
	await phone.goto(address);
	for (const one of [page, phone]) {
		await press(one, 'Ready');
		await press(one, 'Done, it shows 473.0');
		await expect(one.getByText('Shut the tap, then the inlet.', { exact: true })).toBeVisible();
	}
	const ids = async (one: Page): Promise<readonly string[]> => (await written(one)).map(({ id }) => id);
	expect(await ids(phone)).toEqual(await ids(page));
	await elsewhere.close();
});

test('a container is added in Rig; jugs take turns at the tap; a rig with no drain', async ({ page }) => {
	const car: Rig = {
		...exactRig,
		tanks: [
			{ id: 'main', name: 'Main', holds: 'fresh', nominalL: 20, usableL: 20, reserveL: 1, portable: true },
			{
				id: 'spare',
				name: 'Spare',
				holds: 'fresh',
				nominalL: 20,
				usableL: 20,
				reserveL: 0,
				portable: true,
				feeds: 'main'
			}
		],
		outlets: [{ id: 'tap', name: 'Tap', from: 'main', to: 'ground' }],
		instruments: [],
		habits: exactRig.habits.filter(({ outlet }) => outlet === 'tap'),
		measures: []
	};
	await openLogbook(
		page,
		logbookOf(
			[
				entry({ kind: 'mark', at: ago(20), tank: 'main', state: 'full' }),
				entry({ kind: 'mark', at: ago(20), tank: 'spare', state: 'full' }),
				entry({ kind: 'use', at: ago(2), habit: 'dishes', times: 3 })
			],
			car,
			[]
		)
	);
	await expect(page.getByText(/Main until .*, then Spare: /)).toBeVisible();
	await enter(page, 'swap jug');
	await expect.poll(() => litresOf(page, 'Main')).toBeGreaterThan(18);
	await expect.poll(() => litresOf(page, 'Spare')).toBeLessThan(1);
	await follow(page, '/run/dump');
	await expect(page.getByText(/Nothing in this rig runs into a waste tank/)).toBeVisible();
	await expect(page.getByRole('button', { name: 'Begin' })).toBeDisabled();
	await follow(page, '/rig');
	await press(page, 'Add container');
	const form = page.getByRole('dialog');
	await form.getByLabel('Name').fill('Drum');
	await form.getByLabel('Size, to the brim').fill('60');
	await form.getByLabel('Weighs empty').fill('4');
	await form.getByRole('button', { name: /Save|Add/ }).click();
	await expect(page.getByText(/60.L for grey water, 62.kg full/)).toBeVisible();
	await expect(quickline(page)).toBeVisible();
});

test.describe('without a network', () => {
	test.use({ serviceWorkers: 'allow' });
	test('a run begins, is followed by the stand-in beside the page, and ends', async ({ page, context }) => {
		await openDemo(page);
		await controlled(page);
		await page.getByRole('combobox', { name: 'Rig' }).selectOption({ label: 'Sandling' });
		await expect(page.getByRole('img', { name: /^Aft, fresh/ })).toBeVisible();
		await context.setOffline(true);
		await page.goto('/run/fill?tank=sand-aft');
		await page.getByLabel('How much').selectOption('litres');
		await page.getByLabel('Litres to take').fill('5');
		await page.getByLabel(/Hose meter shows now/).fill('1000');
		await page.getByLabel('Flow, a minute').fill('300');
		await press(page, 'Begin');
		await press(page, 'Ready');
		await press(page, 'Let it count by itself');
		await expect(page.getByText(/^Stop: /)).toBeVisible({ timeout: 15_000 });
		await page.getByRole('button', { name: /^Done, it shows/ }).click();
		await press(page, 'Shut');
		await expect(page.getByRole('heading', { name: 'That is all.' })).toBeVisible();
		expect((await written(page)).map(({ kind }) => kind)).toEqual(['reading', 'fill', 'reading']);
	});
});
