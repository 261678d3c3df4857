import { DAY_MS } from '../src/core/time/index.js';
import { readFileSync } from 'node:fs';
import { expect, test, NOW_MS, type Page } from './helpers/test';
import { entry, exactRig, exactTrip, logbookOf } from './helpers/logbooks';
import { enter, follow, openDemo, openLogbook, stored } from './helpers/pages';
import type { Entry, Rig, Stop, Trip } from '../src/core/logbook';

const iso = (days: number): string => new Date(NOW_MS + days * DAY_MS).toISOString();
const day = (days: number): string => iso(days).slice(0, 10);

/** A filter that is over its litres, a strainer that is not, a grey tank under the floor. */
const rig: Rig = {
	...exactRig,
	systemL: 6,
	tanks: exactRig.tanks.map((tank) => (tank.id === 'grey' ? { ...tank, exposure: 'underslung' } : tank)),
	care: [
		{ id: 'filter', name: 'Change the filter', every: { litres: 30 }, through: 'pump', lastDone: iso(-3) },
		{ id: 'sieve', name: 'Clean the sieve', every: { days: 40 }, lastDone: iso(-3) }
	]
};
const camp: Stop = {
	id: 'camp',
	name: 'Cold Camp',
	arrive: iso(-1),
	depart: iso(2),
	legKm: 10,
	services: [{ kind: 'water', fee: 3, minutes: 9 }],
	weather: { maxC: 6, minC: -1 }
};
const trip: Trip = { ...exactTrip, from: day(-4), to: day(4), stops: [camp] };
const log: readonly Entry[] = [
	entry({ kind: 'mark', at: iso(-3.1), tank: 'main', state: 'full' }),
	entry({ kind: 'dump', at: iso(-3.1), tank: 'grey', to: 'empty' }),
	entry({ kind: 'dump', at: iso(-3.1), tank: 'black', to: 'empty' }),
	entry({ kind: 'use', at: iso(-2), habit: 'shower', times: 4 }),
	entry({ kind: 'fill', at: iso(-0.8), tank: 'main', to: 'full', potable: true })
];
const entriesKept = async (page: Page): Promise<readonly Entry[]> =>
	Object.values(await stored(page)).filter(
		(value): value is Entry => typeof value === 'object' && value !== null && 'kind' in value && 'at' in value
	);

test('a task due by litres stands on Now in one line, and is done by a tap or a word; frost says what to do', async ({
	page
}) => {
	await openLogbook(page, logbookOf(log, rig, [trip]));
	// 32 L have passed the pump meter, 30 are its measure.
	await page.getByRole('button', { name: 'Done: Change the filter' }).click();
	await expect(page.getByText('Next to look after: Change the filter')).toBeVisible();
	await page.keyboard.press('u');
	await expect(page.getByRole('button', { name: 'Done: Change the filter' })).toBeVisible();
	await enter(page, 'filter changed');
	await expect(page.getByText('Next to look after: Change the filter')).toBeVisible();
	await expect(page.getByText('Frost: Cold Camp, coldest of 3 nights: down to −1')).toBeVisible();
	await page.getByRole('link', { name: 'What to do' }).click();
	await expect(page.getByText(/^Grey.*empty it at a designated place before the night/)).toBeVisible();
	await expect(page.getByText(/30\sL through Pump meter/)).toBeVisible();
	// A task of the catalogue, and one that has been done taken out: what was written of it stands.
	await page.getByRole('button', { name: 'Add: Check the tank vents' }).click();
	await expect(page.getByRole('button', { name: 'Done: Check the tank vents' })).toBeVisible();
	await page.getByRole('button', { name: 'Change Change the filter' }).click();
	await page.getByRole('dialog').getByRole('button', { name: 'Remove Change the filter' }).click();
	await expect(page.getByRole('button', { name: 'Done: Change the filter' })).toHaveCount(0);
	expect((await entriesKept(page)).filter(({ kind, void: gone }) => kind === 'care' && !gone)).toHaveLength(
		1
	);
});

test('a dose and its refusals; the lay-up list is ticked, outlives a reload and is written down', async ({
	page
}) => {
	await openLogbook(page, logbookOf(log, rig, [trip]), { at: '/rig/doses' });
	// 100 L and 6 L of pipes, 50 mg/L, 5 %: 106 × 50 ÷ 50.
	await page.getByLabel('Chlorine, as its label says').fill('5');
	await expect(page.getByText(/^106\smL$/)).toBeVisible();
	for (const [percent, says] of [
		['0', /No household bleach is sold at 0%/],
		['120', /No household bleach is sold at 120%/]
	] as const) {
		await page.getByLabel('Chlorine, as its label says').fill(percent);
		await expect(page.getByText(says)).toBeVisible();
	}
	await page.getByLabel('In the tank before').selectOption('vinegar, citric acid, descaler');
	await expect(page.getByText(/releases chlorine gas/)).toBeVisible();

	await follow(page, '/rig/lay-up');
	await page.getByRole('checkbox', { name: /^Pump off/ }).check();
	await page.getByRole('checkbox', { name: /^Drain Main/ }).check();
	await expect(page.getByRole('heading', { level: 1 })).toContainText('13 of 15 steps to go');
	await page.reload();
	await expect(page.getByRole('checkbox', { name: /^Drain Main/ })).toBeChecked();
	// Heater and pipes swallow their part of the first fill.
	await expect(page.getByText(/Fill Main: 106\sL through the hose/)).toBeVisible();
	await page.getByRole('button', { name: 'Log the emptied tanks' }).click();
	await expect(page.getByText('Emptied: Main', { exact: true })).toBeVisible();
	expect(await entriesKept(page)).toContainEqual(
		expect.objectContaining({ kind: 'dump', tank: 'main', to: 'empty' })
	);
});

test('a review: by habit and tank, printed, saved, lived again; of no days it says so', async ({ page }) => {
	await openLogbook(page, logbookOf(log, rig, [trip]), { at: '/ledger/review' });
	// 32 L by two people since midnight four days ago.
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/Paper moor: [\d.]+\sL a day each/);
	await expect(page.getByText(/^32\sL drawn in/)).toBeVisible();
	await expect(page.getByRole('row', { name: /^Shower 4 32\sL/ })).toBeVisible();
	await expect(page.getByText('1 fill and 2 dumps at 1 visit: 3 in fees and 9 minutes')).toBeVisible();
	await page.getByLabel('With this way to save').selectOption('Short showers');
	await expect(page.getByText(/^16\sL drawn instead of 32\sL/)).toBeVisible();
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('button', { name: 'CSV: habits' }).click()
	]);
	expect(readFileSync(await download.path(), 'utf8')).toContain('Shower,4,32,');
	await page.emulateMedia({ media: 'print' });
	for (const name of ['navigation', 'banner']) await expect(page.getByRole(name as 'banner')).toBeHidden();
	await expect(page.getByLabel('What happened?')).toBeHidden();
	await expect(page.getByText('What would it have been?')).toBeHidden();
	await page.emulateMedia({ media: 'screen' });
	await follow(page, `/ledger/review?from=${day(-1)}&to=${day(-3)}`);
	await expect(page.getByText('These days don’t work')).toBeVisible();
	await follow(page, `/ledger/review?from=2001-01-01&to=2001-02-01`);
	await expect(page.getByText('nothing was logged on these days')).toBeVisible();
	await follow(page, `/ledger/review?trip=gone`);
	await expect(page.getByText('There is no such trip')).toBeVisible();
});

test('the forecasts’ own record is kept, survives a reload, and can be set back', async ({ page }) => {
	await openDemo(page, { at: '/ledger/record' });
	const head = page.getByRole('heading', { level: 1 });
	// Eleven evenings are forecast and held against what came, one after the other.
	await expect(head).toContainText(/\d+ of \d+ in range, on 11 evenings; \d+ expected/, {
		timeout: 90_000
	});
	await expect(page.getByText('to come').first()).toBeVisible();
	const said = await head.textContent();
	await page.reload();
	await expect(head).toHaveText(said ?? '');
	await page.getByRole('button', { name: 'Start the record again' }).click();
	await expect(head).toHaveText('No forecast can be checked yet.');
});
