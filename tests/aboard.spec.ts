import { entry, exactRig, logbookOf, spareJug } from './helpers/logbooks';
import { enter, openLogbook, quickline } from './helpers/pages';
import { expect, NOW_MS, test } from './helpers/test';

const at = new Date(NOW_MS - 3_600_000).toISOString();
/** Main ends the stay; a jug of 20 L stands behind it. */
const rig = {
	...exactRig,
	tanks: [
		...exactRig.tanks.map((tank) =>
			tank.holds === 'fresh' ? tank : { ...tank, usableL: 900, nominalL: 900 }
		),
		spareJug
	]
};
const book = (mainL: number, potable?: boolean) =>
	logbookOf(
		[
			entry({ kind: 'mark', at, tank: 'main', state: 'empty' }),
			entry({
				kind: 'fill',
				at,
				tank: 'main',
				litres: mainL,
				sdL: 0,
				...(potable === undefined ? {} : { potable })
			}),
			entry({ kind: 'fill', at, tank: 'jug', to: 'full', potable: true })
		],
		rig,
		[]
	);

test('the first sentence counts the jug; at its hour it is poured in with a tap', async ({ page }) => {
	await openLogbook(page, book(76, true));
	// 66 L and the 20 of the jug at 24 a day.
	await expect(page.getByRole('heading', { level: 1 })).toContainText('Main runs low first');
	await expect(page.getByText('That includes Jug, needed ')).toBeVisible();
	await expect(page.getByText(/^\+\s(19\.9|20)\sL in Jug$/)).toBeVisible();
	const pour = page.getByRole('button', { name: 'Pour Jug into Main: done' });
	await expect(pour).toHaveCount(0);
	// Eight showers leave 2 L above the reserve: two hours.
	await enter(page, 'shower 8');
	await expect(page.getByText('Jug is needed')).toBeVisible();
	await pour.click();
	await expect(pour).toHaveCount(0);
	await expect(page.getByText('That includes Jug')).toHaveCount(0);
});

test('whether it is drinking water: the worst that went in, and only sanitising clears it', async ({
	page
}) => {
	await openLogbook(page, book(50, false));
	await expect(page.getByText('washing only').first()).toBeVisible();
	await expect(page.getByText(/not for drinking, dishes, teeth, ice/)).toBeVisible();
	await page.goto('/rig/care');
	await expect(page.getByText(/Main.*washing only/).first()).toBeVisible();
});

test('what size it would take, in a table and on a curve; what flows in is added by the line and counts', async ({
	page
}) => {
	await openLogbook(page, book(80, true), { at: '/rig/size' });
	const row = page.getByRole('row', { name: /^Main/ });
	await expect(row).toContainText('178 L');
	await page.getByLabel('How many days?').fill('14');
	await expect(row).toContainText('346 L');
	await expect(page.getByText(/is worth enlarging first/)).toContainText('Main');
	await expect(page.getByRole('figure').or(page.locator('svg.chart, .chart svg')).first()).toBeVisible();
	await quickline(page).fill('watermaker 12 L');
	await expect(page.locator('#quickline-says')).toContainText('Watermaker added, into Main');
	await quickline(page).press('Enter');
	await expect(quickline(page)).toHaveValue('');
	await expect(row).not.toContainText('346 L');
	await page.goto('/rig');
	await expect(page.getByRole('button', { name: 'Change Watermaker' })).toBeVisible();
});
