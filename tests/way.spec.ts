import { openDemo, quickline } from './helpers/pages';
import { expect, test, type Page } from './helpers/test.js';

const WAY = [
	'Skarn Hause 1 night',
	'14 km Tamsel Ford: water, grey, black',
	'Orrow Plantation, 3 nights, 28 °C',
	'21 km Low Sarn fill and dump 20 min',
	'Kelda Top till somday'
];
/** The row of a stop ahead. */
const rowOf = (page: Page, stop: string) =>
	page
		.getByRole('list', { name: 'Stops ahead' })
		.getByRole('listitem')
		.filter({ has: page.getByRole('button', { name: `Change ${stop}`, exact: true }) });
const lines = (page: Page) => page.getByLabel('The stops, one a line');

test('a trip in five lines: understood as it is typed, completed, kept against a reload, saved, and read back', async ({
	page
}) => {
	await openDemo(page);
	await page.goto('/trip/lines');
	await lines(page).pressSequentially(WAY.join('\n'));
	await expect(page.getByText('Line 5: “somday” is not clear')).toBeVisible();
	await expect(page.getByText(/empty Grey.* at Tamsel Ford tomorrow/)).toBeVisible();
	// a reload loses nothing
	await page.reload();
	await expect(lines(page)).toHaveValue(WAY.join('\n'));
	await lines(page).fill(WAY.slice(0, 4).join('\n') + '\nHollin');
	await lines(page).press('End');
	await page.getByRole('button', { name: 'Hollin Yard?' }).click();
	await expect(lines(page)).toHaveValue(/\nHollin Yard$/);
	await expect(page.getByText('is not clear')).toHaveCount(0);
	await page.getByRole('button', { name: 'Save this trip' }).click();
	await expect(page.getByRole('heading', { name: 'Skarn Hause to Hollin Yard' })).toBeVisible();
	await expect(page.getByRole('button', { name: 'Change Orrow Plantation' })).toBeVisible();
	// the same text is how it reads back: one night more is one word changed
	await page.getByRole('link', { name: 'Edit as lines' }).click();
	await expect(lines(page)).toHaveValue(/Orrow Plantation, 3 nights, 28\/18 °C/);
	await lines(page).fill((await lines(page).inputValue()).replace('3 nights', '2 nights'));
	await page.getByRole('button', { name: 'Save changes' }).click();
	await expect(page.getByText(/Orrow Plantation, 2 nights/)).toBeVisible();
	// who only looks writes nothing, and a draft is of the trip as it was: what was changed since is not taken back
	await page.getByRole('link', { name: 'Edit as lines' }).click();
	await lines(page).fill((await lines(page).inputValue()).replace('2 nights', '9 nights'));
	await expect(page.getByText(/→ Fri 26 Jun/).first()).toBeAttached();
	await page.getByRole('link', { name: 'Trip', exact: true }).last().click();
	await page.getByRole('button', { name: 'One night more at Orrow Plantation' }).click();
	await expect(page.getByText(/Orrow Plantation, 3 nights/)).toBeVisible();
	await page.getByRole('link', { name: 'Edit as lines' }).click();
	await expect(lines(page)).toHaveValue(/Orrow Plantation, 3 nights/);
});

test('a tap that is found dry: said in the line, the plan goes elsewhere; said to work again, it comes back', async ({
	page
}) => {
	await openDemo(page);
	await page.goto('/trip');
	await expect(page.getByText(/If the dump point is shut: Low Sarn instead, 30.km on\./)).toBeVisible();
	const tamsel = rowOf(page, 'Tamsel Ford');
	await expect(tamsel.getByText(/take \d+.L/)).toBeVisible();
	const line = quickline(page);
	await line.fill('the tap at Tamsel Ford is dry');
	await expect(page.getByText('plans don’t count on it').first()).toBeVisible();
	await line.press('Enter');
	await expect(tamsel.getByText(/Tap: dry, reported today; plans don’t count on it/)).toBeVisible();
	await expect(tamsel.getByText(/take \d+.L/)).toHaveCount(0);
	await line.fill('the tap at Tamsel Ford works');
	await line.press('Enter');
	await expect(tamsel.getByText(/Tap: worked, reported today/)).toBeVisible();
	await expect(tamsel.getByText(/take \d+.L/)).toBeVisible();
});

test('hours in words: a tap that is shut while one is there is not counted on, and the switch for a plan that survives one', async ({
	page
}) => {
	await openDemo(page);
	await page.goto('/trip');
	await page.getByRole('button', { name: 'Change Tamsel Ford' }).last().click();
	const form = page.getByRole('dialog');
	const open = form.getByLabel('Open').first();
	await open.fill('only when the moon is full');
	await expect(form.getByText('That is not clear, and is not saved')).toBeVisible();
	await open.fill('8–9, not on Wednesdays');
	await expect(form.getByText('Open: 8:00–9:00, not on Wednesdays.')).toBeVisible();
	await form.getByRole('button', { name: 'Save' }).click();
	const tamsel = rowOf(page, 'Tamsel Ford');
	await expect(tamsel.getByText('tap (open 8:00–9:00, not on Wednesdays)')).toBeVisible();
	await expect(tamsel.getByText(/take \d+.L/)).toHaveCount(0);
	await page.getByRole('navigation').getByRole('link', { name: 'Now' }).click();
	await expect(page.getByText('At Tamsel Ford: tap shut while you are there.')).toBeVisible();
	await page.goto('/trip');
	const shut = page.getByRole('checkbox', { name: 'Work even if one tap or drain is shut' });
	await shut.check();
	// said once it is stored
	await expect(page.getByText('Work even if one tap or drain is shut', { exact: true })).toHaveCount(2);
	await page.reload();
	await expect(shut).toBeChecked();
});
