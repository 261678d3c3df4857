import { HOUR_MS } from '../src/core/time/index.js';
import type { Entry, Rig, Trip } from '../src/core/logbook';
import { violationsOf } from './helpers/axe';
import { entry, exactRig, exactTrip, logbookOf } from './helpers/logbooks';
import { follow, openLogbook, quickline, stored } from './helpers/pages';
import { expect, NOW_MS, test, type Page } from './helpers/test';

const iso = (hours: number): string => new Date(NOW_MS + hours * HOUR_MS).toISOString();
const stop = (
	id: string,
	from: number,
	to: number,
	services: Trip['stops'][number]['services'] = []
): Trip['stops'][number] => ({
	...{ id, name: id, legKm: 8, services },
	arrive: iso(from),
	depart: iso(to)
});
const full = [
	entry({ kind: 'mark', at: iso(-3), tank: 'main', state: 'full' }),
	entry({ kind: 'dump', at: iso(-3), tank: 'grey', to: 'empty' }),
	entry({ kind: 'dump', at: iso(-3), tank: 'black', to: 'empty' })
];
const said = (page: Page) => page.getByRole('region', { name: 'Unusual days' });
const verdict = (page: Page) => page.getByRole('heading', { level: 1 });
const recordsOf = async <T>(page: Page, kind: string): Promise<readonly T[]> =>
	Object.entries(await stored(page)).flatMap(([key, value]) =>
		key.startsWith(`${kind}:`) ? [value as T] : []
	);
const aheadOf = async (page: Page) => (await recordsOf<Rig>(page, 'rig'))[0]?.ahead ?? [];

test('days unlike others, in the form and in the line: the stay is another, until they are removed', async ({
	page
}) => {
	await openLogbook(page, logbookOf(full, exactRig));
	const before = (await verdict(page).textContent()) ?? '';
	await page.getByRole('link', { name: 'Are some days unusual?' }).click();
	await said(page).getByRole('button', { name: 'Add', exact: true }).click();
	await expect(said(page)).toContainText('Enter how many are aboard');
	await said(page).getByLabel('How many').fill('6');
	expect(await violationsOf(page)).toEqual([]);
	await said(page).getByRole('button', { name: 'Add', exact: true }).click();
	await expect(said(page).getByRole('listitem')).toContainText('6 aboard');
	await expect.poll(() => aheadOf(page)).toMatchObject([{ persons: 6 }]);
	await expect(verdict(page)).not.toHaveText(before);
	await said(page)
		.getByRole('button', { name: /^Remove/ })
		.click();
	await expect(verdict(page)).toHaveText(before);
	await expect.poll(() => aheadOf(page)).toEqual([]);

	await quickline(page).fill('ashore for 3 days');
	await expect(page.locator('#quickline-says')).toContainText('nobody aboard');
	// What it does to the stay is said before Enter.
	await expect(page.locator('#quickline-says strong')).not.toHaveText('');
	await quickline(page).press('Enter');
	await expect.poll(() => aheadOf(page)).toMatchObject([{ away: true }]);
});

test('a hook-up counts once it is chosen at its stop', async ({ page }) => {
	const trip: Trip = {
		...exactTrip,
		from: iso(-24).slice(0, 10),
		to: iso(240).slice(0, 10),
		stops: [
			stop('Withy Field', 20, 120, [
				{ kind: 'mains', fee: 5 },
				{ kind: 'sewer', fee: 3 }
			]),
			stop('Ness', 150, 151)
		]
	};
	await openLogbook(page, logbookOf(full, exactRig, [trip]), { at: '/trip' });
	const listed = page.getByRole('list', { name: 'Stops ahead' });
	await expect(listed).toContainText('mains water, sewer');
	// No tap and no drain: the hook-ups are not chosen.
	await expect(verdict(page)).toHaveText('No stop ahead has what you need in time.');
	const before = (await verdict(page).textContent()) ?? '';
	await page.getByRole('button', { name: 'Hook up at Withy Field' }).click();
	await expect(listed).toContainText('mains water (hooked up), sewer (hooked up)');
	await expect
		.poll(async () => (await recordsOf<Trip>(page, 'trip'))[0]?.stops[0]?.hookup)
		.toEqual({ mains: true, sewer: true });
	await expect(verdict(page)).not.toHaveText(before);
	await page.getByRole('button', { name: 'Don’t hook up at Withy Field' }).click();
	await expect(verdict(page)).toHaveText(before);
});

test('all gauges in two taps, as last time; and whether other people are aboard is asked once', async ({
	page
}) => {
	const shown = entry({ kind: 'reading', at: iso(-2), instrument: 'lights', value: 'empty' });
	const more = entry({ kind: 'crew', at: iso(-1), persons: 4 });
	await openLogbook(page, logbookOf([...full, shown, more], exactRig));
	await page.getByRole('button', { name: 'Glance' }).click();
	await page.getByRole('button', { name: 'As last time' }).click();
	const readings = async () =>
		(await recordsOf<Entry>(page, 'entry')).filter(({ kind }) => kind === 'reading') as readonly object[];
	await expect.poll(readings).toHaveLength(2);
	expect(await readings()).toContainEqual(expect.objectContaining({ value: 'empty', source: 'hand' }));

	await follow(page, '/');
	await page.getByRole('button', { name: 'Other people' }).click();
	await expect
		.poll(async () => (await recordsOf<Entry>(page, 'entry')).find(({ kind }) => kind === 'crew'))
		.toMatchObject({ anew: true });
	await expect(page.getByRole('button', { name: 'Same people' })).toHaveCount(0);
});

test('what was said of days that are over is asked about where the readings say otherwise', async ({
	page
}) => {
	const meter = Array.from({ length: 15 }, (_, i) =>
		entry({ kind: 'reading', at: iso(-24 * (14 - i) - 1), instrument: 'pump', value: 10 * i })
	);
	const rig: Rig = {
		...exactRig,
		unlogged: undefined,
		ahead: [{ id: 'guests', from: iso(-50), to: iso(-2), persons: 6 }]
	};
	await openLogbook(page, logbookOf([...full, ...meter], rig));
	await expect(
		page.getByText('6 aboard. The readings fit your usual days better. Did it happen?')
	).toBeVisible();
	await page.getByRole('button', { name: 'As usual' }).click();
	await expect.poll(() => aheadOf(page)).toEqual([]);
	await expect(page.getByText('Did it happen?')).toHaveCount(0);
	await page.keyboard.press('u');
	await page.getByRole('button', { name: 'It happened' }).click();
	await expect.poll(() => aheadOf(page)).toMatchObject([{ persons: 6, confirmed: true }]);
	await expect(page.getByText('Did it happen?')).toHaveCount(0);
});

test('a day of the ribbon that is read is said to be unlike others', async ({ page }) => {
	const stops = [stop('moor', 1, 90), stop('ness', 100, 110)];
	const trip: Trip = { ...exactTrip, from: iso(-24).slice(0, 10), to: iso(240).slice(0, 10), stops };
	await openLogbook(page, logbookOf(full, exactRig, [trip]), { at: '/trip' });
	const ribbon = page.getByRole('group', { name: /^The trip along time/ });
	await ribbon.focus();
	for (let hours = 0; hours < 51; hours += 3) await ribbon.press('ArrowRight');
	const day = iso(51).slice(0, 10);
	await page.getByRole('button', { name: /^Anything unusual on/ }).click();
	await expect(said(page).getByLabel('First day')).toHaveValue(day);
	await said(page).getByLabel('How many').fill('5');
	await said(page).getByRole('button', { name: 'Add', exact: true }).click();
	await expect.poll(() => aheadOf(page)).toMatchObject([{ persons: 5, from: expect.stringContaining(day) }]);
});
