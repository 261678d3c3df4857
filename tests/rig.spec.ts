import { violationsOf } from './helpers/axe';
import { expect, type Page, test } from './helpers/test.js';
import { nothingMoved, shiftsSoFar } from './helpers/shift.js';
import type { Rig } from '../src/core/logbook/index.js';
import { watch } from '../bench/outside/watch.js';
import { answersLate, follow, openDemo, stored } from './helpers/pages.js';

const storedRig = async (page: Page, name: string): Promise<Rig> => {
	const records = Object.values(await stored(page)) as readonly { name?: string; tanks?: unknown }[];
	return records.find((record) => record.tanks !== undefined && record.name === name) as unknown as Rig;
};

async function openTank(page: Page, tank: string): Promise<void> {
	await page.getByRole('row').getByRole('link', { name: tank, exact: true }).click();
	await expect(page.getByRole('heading', { level: 1, name: tank })).toBeVisible();
}

test('a run-dry trial with a meter that counts down in gallons', async ({ page }) => {
	await openDemo(page, { at: '/rig' });
	await page.getByRole('button', { name: 'Change Pump meter' }).click();
	const form = page.getByRole('dialog');
	await form.getByLabel('It counts in').selectOption('US gallons');
	await form.getByLabel('Counts', { exact: true }).selectOption('down');
	await form.getByRole('button', { name: 'Save' }).click();
	await openTank(page, 'Main');
	await page.getByRole('button', { name: 'Run dry', exact: true }).click();
	const trial = page.getByRole('dialog');
	await trial.getByLabel('Pump meter shows now').fill('40');
	await trial.getByRole('button', { name: 'Next' }).click();
	await trial.getByLabel('Pump meter shows now').fill('52');
	await expect(trial.getByText('the wrong way for a meter that counts down')).toBeVisible();
	await expect(trial.getByRole('button', { name: 'Next' })).toBeDisabled();
	await trial.getByLabel('Pump meter shows now').fill('10.5');
	// 29.5 US gallons
	await expect(trial.getByText('From 40 to 10.5, counting down: 112 L drawn')).toBeVisible();
	await trial.getByRole('button', { name: 'Next' }).click();
	await trial.getByLabel('Wet length of the dipstick now').fill('10');
	// 800 × 450 × 10 mm
	await expect(trial.getByText('The pump can’t reach 3.6 L of')).toBeVisible();
	await trial.getByRole('button', { name: 'Save this trial' }).click();
	await expect(page.getByText('from 3 trials')).toBeVisible();
	const main = async () => (await storedRig(page, 'Wren')).tanks.find(({ name }) => name === 'Main');
	const kept = await main();
	expect(kept?.trials?.at(-1)?.litres).toBeCloseTo(29.5 * 3.785411784, 6);
	expect(kept?.deadL).toBeCloseTo(3.6, 6);
	// the trial and what it found are one thing done
	await page.keyboard.press('u');
	await expect(page.getByText('from 2 trials')).toBeVisible();
	expect(await main()).toMatchObject({ deadL: 3, trials: { length: (kept?.trials?.length ?? 0) - 1 } });
});

test('a back-up trial repeated: one lies apart, is switched off, and the rest is used', async ({ page }) => {
	await openDemo(page, { at: '/rig' });
	await openTank(page, 'Grey');
	await expect(page.getByText('One trial is far from the others')).toBeVisible();
	await page.getByRole('checkbox', { name: /78.L counts/ }).uncheck();
	await expect(page.getByText('One trial is far')).toHaveCount(0);
	await page.getByRole('button', { name: 'Fill until it backs up', exact: true }).click();
	const trial = page.getByRole('dialog');
	await trial.getByLabel('Counted by').selectOption('by hand, jug by jug');
	await trial.getByRole('button', { name: 'Next' }).click();
	await trial.getByLabel(/Run in/).fill('86');
	await trial.getByRole('button', { name: 'Next' }).click();
	await trial.getByRole('button', { name: 'Save this trial' }).click();
	await expect(page.getByText('from 4 trials')).toBeVisible();
	// 86.8, 85.9, 87.4 and 86: mean 86.5, spread 0.7, so 85
	await expect(page.getByText('This is the usable volume of Grey now')).toBeVisible();
});

test('a stepwise trial becomes the tank’s dip table', async ({ page }) => {
	await openDemo(page, { at: '/rig' });
	await openTank(page, 'Main');
	await page.getByRole('button', { name: 'Step by step', exact: true }).click();
	const trial = page.getByRole('dialog');
	for (const [pour, depth] of [
		['0', '8'],
		['20', '70'],
		['20', '122'],
		['40', '240'],
		['30', '318']
	] as const) {
		await trial.getByLabel('Poured in now').fill(pour);
		await trial.getByLabel('The dipstick is wet to').fill(depth);
		await trial.getByRole('button', { name: 'Add this step' }).click();
	}
	await trial.getByRole('button', { name: 'Save this trial' }).click();
	await page.getByRole('button', { name: 'Use it as the tank’s dip table' }).click();
	await expect(page.getByText('A table of 5 depths.')).toBeVisible();
	const main = (await storedRig(page, 'Wren')).tanks.find(({ name }) => name === 'Main');
	expect(main?.shape).toMatchObject({ form: 'table', rows: { length: 5 } });
	await page.keyboard.press('u');
	await expect(page.getByText('A table of 5 depths.')).toHaveCount(0);
});

test('the outline editor by keyboard: a crossing is said, a shape is kept', async ({ page }) => {
	await openDemo(page, { at: '/rig' });
	await openTank(page, 'Grey');
	await page.getByRole('button', { name: 'Enter its shape' }).click();
	const editor = page.getByRole('dialog');
	await editor.getByLabel('Shape').selectOption({ label: 'any outline, the same along its length' });
	await editor.getByLabel('Length, fore to aft').fill('1000');
	const corners = [
		[-250, 0],
		[250, 0],
		[250, 180],
		[-250, 180]
	];
	for (const [i, [port, up]] of corners.entries()) {
		await editor.getByLabel(`Corner ${i + 1}, to port`).fill(String(port));
		await editor.getByLabel(`Corner ${i + 1}, up`).fill(String(up));
	}
	await expect(editor.getByText('90 L to the brim')).toBeVisible();
	// 20 mm up at one corner takes 0.5 · 500 · 20 · 1000 mm³
	const first = editor.getByRole('slider', { name: /Corner 1/ });
	await first.focus();
	await page.keyboard.press('ArrowUp');
	await page.keyboard.press('ArrowUp');
	await expect(editor.getByText('85 L to the brim')).toBeVisible();
	await editor.getByLabel('Corner 1, up').fill('900');
	await expect(editor.getByText('can’t cross itself')).toBeVisible();
	await expect(editor.getByRole('button', { name: 'Save' })).toBeDisabled();
	await editor.getByLabel('Corner 1, up').fill('0');
	await editor.getByRole('button', { name: 'Save' }).click();
	await page.getByLabel('Marks', { exact: true }).selectOption({ label: 'every 10 mm' });
	// 5 L for every 10 mm
	await expect(page.getByRole('listitem').filter({ hasText: /^60.mm/ })).toContainText(/30.L/);
	// Drained aft while the front is 2° down: 0.5 · 1000 · 500 · 1000 · tan 2° mm³
	await page.getByRole('region', { name: 'What is left after draining' }).getByLabel('Front up').fill('-2');
	await expect(page.getByText(/^8\.7.L stays in Grey/)).toBeVisible();
	await expect(page.getByText(/Level it: then 0.L stay/)).toBeVisible();
	await page.getByRole('link', { name: 'Print table and strip' }).click();
	await expect(page.getByRole('img', { name: /Strip at true scale/ })).toBeVisible();
});

test('the schematic opens tanks and follows an entry; a change that does not fit is explained first', async ({
	page
}) => {
	await openDemo(page, { at: '/ledger' });
	await page
		.getByRole('link', { name: /Follow .*Shower.* through the rig/i })
		.first()
		.click();
	await expect(page.getByLabel('Follow through the rig')).not.toHaveValue('');
	await expect(page.locator('.pipe.traced')).toHaveCount(2);
	await page.getByRole('button', { name: 'Change Main' }).click();
	const form = page.getByRole('dialog');
	await form.getByLabel('Usable').fill('10');
	await form.getByLabel('Reserve (fresh) or headroom (waste)').fill('1');
	const before = JSON.stringify(await storedRig(page, 'Wren'));
	await form.getByRole('button', { name: 'Save' }).click();
	await expect(form.getByRole('alert')).toContainText(
		/moved up to .* at once in or out of Main; it would hold 10/
	);
	expect(JSON.stringify(await storedRig(page, 'Wren'))).toBe(before);
	await form.getByRole('button', { name: 'Cancel' }).click();
	await page.getByRole('button', { name: /^Grey/ }).click();
	await expect(page.getByRole('heading', { level: 1, name: 'Grey' })).toBeVisible();
});

test('where the schematic cannot be drawn that is said, and all else of the rig is there', async ({
	page
}) => {
	await page.context().route('**/placing.worker*', (route) => route.abort());
	await openDemo(page, { at: '/rig' });
	await expect(page.getByText('It couldn’t be drawn')).toBeVisible();
	await expect(page.getByRole('heading', { name: 'Containers' })).toBeVisible();
});

test('all else of the rig waits no longer than a person does for a drawing that never comes', async ({
	page
}) => {
	await page.context().route('**/placing.worker*', () => undefined);
	await openDemo(page, { at: '/rig' });
	await expect(page.getByRole('heading', { name: 'Containers' })).toBeVisible({ timeout: 20_000 });
	await expect(page.getByText('Still being drawn')).toBeVisible();
});

test('a schematic that takes its time moves nothing that stands there already', async ({ page }) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await watch(page);
	await answersLate(page, 'place', 2000);
	await openDemo(page, { at: '/rig' });
	await expect(page.getByRole('heading', { name: 'Where the water goes' })).toBeVisible();
	const before = await shiftsSoFar(page);
	await expect(page.getByRole('button', { name: /^Main/ })).toBeAttached();
	await expect(page.getByRole('heading', { name: 'Containers' })).toBeAttached();
	await nothingMoved(page, before);
});

test('weight, what if and a learned curve answer; a ready rig is begun', async ({ page }) => {
	await openDemo(page, { at: '/rig' });
	await page.getByRole('link', { name: 'Weight' }).click();
	await page.getByLabel('What else is aboard, of the 540 kg payload').fill('500');
	await expect(page.getByRole('heading', { level: 1 })).toContainText(
		/can come aboard before the payload is used up/
	);
	await expect(page.getByRole('row', { name: /Tamsel Ford/ })).toBeVisible();
	// With their limits, each axle says what it still takes, wherever the tanks are known to be.
	await page.getByText('Enter the limits of axles and hitch').click();
	for (const [i, of] of [
		['1.6', '1800', '1500'],
		['-2', '2000', '1850']
	].entries())
		for (const [at, label] of ['Forward of the reference point', 'Its limit', 'Weighed, without'].entries())
			await page
				.getByLabel(label)
				.nth(i)
				.fill(of[at] ?? '');
	await page.getByRole('button', { name: 'Save', exact: true }).click();
	await expect(page.getByRole('region', { name: 'Axles and hitch' })).toContainText(
		/Rear axle (takes|is) .*kg|Enter where each tank is/
	);
	await page.goBack();
	await page.getByRole('link', { name: 'What if' }).click();
	await page.getByLabel('Tank', { exact: true }).selectOption('Grey');
	await page.getByLabel(/Usable, instead of/).fill('200');
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/more; then Main is the limit/);
	await page.goBack();
	await page.getByRole('link', { name: 'Grey lights' }).click();
	await expect(page.getByRole('img', { name: /Readings of Grey lights/ }).locator('svg')).toBeVisible();
	await page.getByRole('button', { name: 'Use the learned calibration' }).click();
	const curve = async (): Promise<readonly number[] | undefined> => {
		const lights = (await storedRig(page, 'Wren')).instruments.find(({ name }) => name === 'Grey lights');
		return lights?.kind === 'gauge' ? lights.curve.map(({ litres }) => litres) : undefined;
	};
	await expect.poll(curve).not.toEqual([0, 26, 52, 74]);
	await page.getByRole('navigation').getByRole('link', { name: 'Rig' }).click();
	await page.getByRole('button', { name: 'Another rig' }).click();
	await page.getByRole('radio', { name: /Car with jugs/ }).check();
	await page.getByLabel('What is it called?').fill('Finch');
	await page.getByRole('button', { name: 'Begin' }).click();
	await expect(page.getByRole('heading', { level: 1, name: 'Finch' })).toBeVisible();
});

test('no axe violations, and no sideways scrolling at 390 px, in the pages under the views', async ({
	page
}) => {
	test.setTimeout(300_000);
	// Charts that never hear of a new width: what is turned in the hand must not jump sideways until they do.
	await page.addInitScript(() => (ResizeObserver.prototype.observe = () => undefined));
	await openDemo(page);
	const pages = [
		'/rig/tank/wren-grey',
		'/rig/tank/wren-main',
		'/rig/instrument/wren-lights',
		'/rig/instrument/wren-meter',
		'/rig/weight',
		'/rig/what-if',
		'/rig/care',
		'/rig/doses',
		'/rig/lay-up',
		'/ledger/review',
		'/ledger/record',
		'/trip/points?point=demo-sarn',
		'/trip/card',
		'/data/format'
	];
	for (const path of pages) {
		await page.setViewportSize({ width: 1280, height: 800 });
		await follow(page, path);
		await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
		await expect(page.getByRole('img', { name: /^Main, fresh/ })).toBeVisible();
		expect(await violationsOf(page), path).toEqual([]);
		await page.setViewportSize({ width: 390, height: 844 });
		expect(
			await page.evaluate(() =>
				Math.max(document.documentElement.scrollWidth, document.querySelector('main')?.scrollWidth ?? 0)
			),
			path
		).toBeLessThanOrEqual(390);
	}
});
