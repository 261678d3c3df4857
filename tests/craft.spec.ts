import { HOUR_MS } from '../src/core/time/index.js';
import type { Entry, Rig, Stop, Trip } from '../src/core/logbook/index.js';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from './helpers/logbooks';
import { enter, follow, openLogbook, quickline, stored } from './helpers/pages';
import { expect, NOW_MS, test, type Page } from './helpers/test.js';

const ago = (hours: number): string => new Date(NOW_MS - hours * HOUR_MS).toISOString();
const hookups = async (page: Page): Promise<readonly (Entry & { kind: 'hookup' })[]> =>
	Object.values(await stored(page))
		.filter((value): value is Entry & { kind: 'hookup' } => (value as { kind?: string }).kind === 'hookup')
		.filter((one) => one.void !== true)
		.sort((a, b) => a.at.localeCompare(b.at));
const stop: Stop = {
	id: 'quay',
	name: 'Paper Quay',
	arrive: ago(5),
	depart: ago(-40),
	legKm: 3,
	services: [{ kind: 'black' }],
	noDischarge: true
};
const trip: Trip = { ...exactTrip, from: ago(48).slice(0, 10), to: ago(-72).slice(0, 10), stops: [stop] };
const boat: Rig = { ...exactRig, kind: 'boat' };
const log = [...freshStart(ago(30)), entry({ kind: 'fill', at: ago(29), tank: 'grey', litres: 30, sdL: 0 })];

test('a boat’s valves are states: set by a tap and by the line, and nothing goes overboard where one marked it', async ({
	page
}) => {
	await openLogbook(page, logbookOf(log, boat, [trip]));
	await page.getByRole('button', { name: 'Flush with sea water' }).click();
	await expect(page.getByText(/^Toilet flushed with sea water, waste kept aboard/)).toBeVisible();
	expect((await hookups(page)).at(-1)).toMatchObject({ sea: { flush: ['toilet'], waste: [] } });
	// In harbour the Y-valve is not offered to sea; by the line it is said what to mind.
	await expect(page.getByRole('button', { name: 'Cassette to sea' })).toHaveCount(0);
	await quickline(page).fill('y-valve to sea');
	await expect(page.getByText(/Discharge only where it is lawful/)).toBeVisible();
	await quickline(page).press('Enter');
	await expect(page.getByText(/You marked Paper Quay: nothing may go overboard/)).toBeVisible();
	await page.getByRole('button', { name: 'Keep Cassette aboard' }).click();
	await expect(page.getByText(/You marked Paper Quay/)).toHaveCount(0);
	await follow(page, '/run/dump');
	await page.getByLabel('Where').selectOption({ label: 'overboard, where that is allowed' });
	await expect(page.getByText(/You marked Paper Quay: nothing may go overboard there/)).toBeVisible();
	await expect(page.getByRole('button', { name: 'Begin' })).toBeDisabled();
});

test('at a sewer black stays shut; each valve is opened and shut by a tap', async ({ page }) => {
	await openLogbook(page, logbookOf(log, exactRig, []));
	await quickline(page).fill('sewer on');
	await expect(page.getByText(/Keep Cassette shut until it is two thirds full/)).toBeVisible();
	await quickline(page).press('Enter');
	await expect(page.getByText('At the sewer: Grey open and Cassette shut.')).toBeVisible();
	await page.getByRole('button', { name: 'Shut Grey' }).click();
	await expect(page.getByText('At the sewer: Grey shut and Cassette shut.')).toBeVisible();
	await enter(page, 'hooked up, grey open');
	await expect(page.getByText('At the sewer: Grey open and Cassette shut.')).toBeVisible();
	expect((await hookups(page)).map(({ sewer }) => sewer)).toEqual([['grey'], [], ['grey']]);
});

test('a typed night of frost: lived in is kept warm, left is drained; a frozen tank is dumped nowhere', async ({
	page
}) => {
	await openLogbook(page, logbookOf(log, { ...exactRig, systemL: 8 }, []), { at: '/rig/care' });
	await page.getByLabel(/Coldest in the next nights/).fill('-6');
	await page.getByLabel(/Coldest in the next nights/).press('Tab');
	await expect(page.getByText(/down to −6.*as you entered it/)).toBeVisible();
	await expect(page.getByText(/Pipes and heater: keep the heating on all night/)).toBeVisible();
	await page.getByLabel('On those nights').selectOption({ label: 'no one is aboard' });
	await expect(page.getByText(/Pipes and heater.*heater off and cold/)).toBeVisible();
	await expect(page.getByText(/keep the heating on/)).toHaveCount(0);
	await page.getByText('A valve or a tank is frozen').click();
	await page.getByRole('button', { name: 'Frozen until tomorrow noon' }).first().click();
	await expect(page.getByText(/can’t be emptied until it thaws/)).toBeVisible();
	await follow(page, '/run/dump?tank=grey');
	await expect(page.getByText('Grey can’t be emptied until it thaws.')).toBeVisible();
	await expect(page.getByRole('button', { name: 'Begin' })).toBeDisabled();
	await follow(page, '/rig/care');
	await page.getByRole('button', { name: 'It has thawed' }).click();
	await expect(page.getByText(/can’t be emptied/)).toHaveCount(0);
});
