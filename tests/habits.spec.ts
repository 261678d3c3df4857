import { HOUR_MS } from '../src/core/time/index.js';
import type { Habit, Logbook, Measure } from '../src/core/logbook/index.js';
import { watch } from '../bench/outside/watch';
import { demoLogbook } from '../demo/index.js';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from './helpers/logbooks.js';
import {
	answersLate,
	enter,
	litresOf,
	openDemo,
	openLogbook,
	quickline,
	stopAtOnce,
	stored
} from './helpers/pages.js';
import { nothingMoved, shiftsSoFar } from './helpers/shift.js';
import { expect, NOW_MS, type Page, test } from './helpers/test.js';

const toHabits = (page: Page): Promise<void> =>
	page.getByRole('navigation').getByRole('link', { name: 'Habits' }).click();
const measureRow = (page: Page, name: string) => page.getByRole('row', { name: new RegExp(`^${name}`) });

test('the basket: put together, answered in one of three verdicts, logged with one tap and undone', async ({
	page
}) => {
	await openDemo(page);
	const grey = await litresOf(page, 'Grey');
	await page.getByRole('button', { name: 'Enough for tonight?' }).click();
	const basket = page.getByRole('region', { name: 'The basket' });
	await basket.getByRole('button', { name: 'One more: Wash hands' }).click();
	await expect(basket.getByText(/^(Enough|Be careful)\.$/)).toBeVisible();
	for (let i = 0; i < 4; i++) await basket.getByRole('button', { name: 'One more: Shower' }).click();
	await basket.getByRole('button', { name: 'One more: Dishes' }).click();
	await expect(basket.getByText(/^Dump( and refill)? first\.$/)).toBeVisible();
	await expect(basket.getByText(/Grey is (full|too full).*the drain at .* is/)).toBeVisible();
	await expect(basket.getByText(/^Costs you \d+.L and/)).toBeVisible();
	for (let i = 0; i < 3; i++) await basket.getByRole('button', { name: 'One less: Shower' }).click();
	await basket.getByRole('button', { name: 'Done: log it all' }).click();
	await expect.poll(() => litresOf(page, 'Grey')).toBeGreaterThan(grey + 10);
	await page.keyboard.press('u');
	await expect.poll(() => litresOf(page, 'Grey')).toBeLessThan(grey + 2);
});

test('the ration: a day flag is tapped, and what does not reach leads to the least sacrifice', async ({
	page
}) => {
	await openDemo(page);
	// the flag itself, wherever it stands on a rod
	const flag = await page.locator('.rods svg text', { hasText: 'Sun' }).first().boundingBox();
	await page.mouse.click((flag?.x ?? 0) + 5, (flag?.y ?? 0) + 8);
	await expect(page.getByLabel('To reach', { exact: true })).toContainText(/Sunday noon/);
	await expect(page.getByText(/a day each\. You are using/)).toBeVisible();
	await page.getByRole('link', { name: 'What would get you there?' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/Sunday noon/);
	// the same day stands in the field, also after a reload
	await page.reload();
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/Sunday noon/);
});

test('the least sacrifice is switched on with one tap, and undone with one key', async ({ page }) => {
	await openDemo(page, { at: '/habits' });
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/short of/);
	// the runners-up say what each of them gives
	await page.getByRole('button', { name: /^Other ways/ }).click();
	await expect(page.locator('.others li').first()).toContainText(/ sure, \d+ hours longer/);
	await page.getByRole('button', { name: /^Switch (it|both|all) on$/ }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/as you live now/);
	await expect(page.getByRole('checkbox', { name: /: on$/ }).first()).toBeChecked();
	await page.keyboard.press('u');
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/short of/);
	await expect(page.getByRole('checkbox', { name: /: on$/ })).toHaveCount(0);
	// what one will not do is not asked for
	await page.getByRole('button', { name: 'Wet, soap, rinse', exact: true }).click();
	await page.getByLabel('Not for me').check();
	await expect(page.locator('.detail')).not.toContainText('Wet, soap, rinse');
});

test('what takes its time to be priced moves nothing that stands there already', async ({ page }) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await watch(page);
	await answersLate(page, 'habits/saving', 8000);
	await openDemo(page, { at: '/habits' });
	await expect(page.getByText('Working out what each use costs…')).toBeVisible({ timeout: 10_000 });
	const before = await shiftsSoFar(page);
	await expect(page.getByRole('heading', { name: 'Where a day’s litres go' })).toBeAttached({
		timeout: 15_000
	});
	await nothingMoved(page, before);
});

test('a long search for a way is stopped, says so, and is taken up again; what was found stays of its own day', async ({
	page
}) => {
	const demo = demoLogbook(NOW_MS, 'Europe/London');
	const ways = (habits: readonly Habit[]): Measure[] =>
		Array.from({ length: 14 }, (_, i) => ({
			id: `way-${i}`,
			name: `Way ${i}`,
			habit: habits[i % habits.length]?.id ?? '',
			effect: { kind: 'rarer', factor: 0.9 - 0.02 * i },
			effort: 1 + (i % 3)
		}));
	const entries = demo.entries.filter(({ kind }) => kind !== 'measure');
	const rigs = demo.rigs.map((rig) => ({ ...rig, measures: ways(rig.habits) }));
	await openLogbook(page, { ...demo, entries, rigs });
	await stopAtOnce(page);
	await toHabits(page);
	const title = page.getByRole('heading', { level: 1 });
	await expect(title).toHaveText('Stopped before a way was found.');
	await page.getByRole('button', { name: 'Look again' }).click();
	await expect(title).toContainText(/ of Friday noon/);
	// Another day is asked for, and the search for it is stopped: what is said is still of the first.
	await stopAtOnce(page);
	await page.getByLabel('Until', { exact: true }).selectOption('Sunday noon');
	await expect(page.getByText(/^Ways to reach Sunday noon were not all tried\./)).toBeVisible();
	await expect(title).toContainText(/ of Friday noon/);
});

test('measures are switched by tap and by the quick line, dated in the ledger', async ({ page }) => {
	await openDemo(page, { at: '/habits' });
	await page.getByRole('checkbox', { name: 'Paper plates: off' }).check();
	await expect(measureRow(page, 'Paper plates')).toContainText(/since\s+today/);
	await expect(measureRow(page, 'Paper plates')).toContainText('gives');
	await enter(page, 'paper plates off');
	await expect(page.getByRole('checkbox', { name: 'Paper plates: off' })).not.toBeChecked();
	await page.getByRole('navigation').getByRole('link', { name: 'Ledger' }).click();
	await expect(page.getByText(/Paper plates.*(on|off)/).first()).toBeVisible();
});

test('a recipe is edited and its price changes; its flow is measured with a jug', async ({ page }) => {
	await openDemo(page, { at: '/habits' });
	const price = page.getByRole('row', { name: /^Hair wash/ });
	await expect(price).toContainText('h');
	const before = await price.textContent();
	await page.getByRole('button', { name: 'Hair wash', exact: true }).click();
	await page.getByRole('button', { name: 'Change recipe and how often' }).click();
	const form = page.getByRole('dialog');
	await form.getByLabel('then runs').fill('2');
	await form.getByRole('button', { name: 'Measure the flow' }).click();
	await form.getByLabel('The jug holds').fill('2');
	for (const seconds of ['20', '21', '19']) {
		await form.getByLabel('It took').fill(seconds);
		await form.getByRole('button', { name: /^Add pour/ }).click();
	}
	await expect(form.getByText(/6\s*L\/min.*from 3 pours/)).toBeVisible();
	await form.getByRole('button', { name: 'Use this flow' }).click();
	await expect(form.getByText(/By recipe:/)).toContainText('12');
	await form.getByRole('button', { name: 'Use it as litres each' }).click();
	await form.getByRole('button', { name: 'Save' }).click();
	await expect(price).not.toHaveText(before ?? '');
	await expect(price).toContainText(/entered 12/);
});

test('a habit is measured by a meter: read, do, read; a reload in the middle loses nothing', async ({
	page
}) => {
	await openDemo(page, { at: '/habits' });
	await page.getByRole('button', { name: 'Shower', exact: true }).click();
	await page.getByRole('button', { name: 'Measure it with a meter' }).click();
	const hint = await page.getByText(/It showed [\d.]+ when it was last read/).textContent();
	const shown = Number(/showed ([\d.]+)/.exec(hint ?? '')?.[1]);
	await page.getByLabel(/Pump meter shows now/).fill(String(shown + 5));
	await page.getByRole('button', { name: 'Done, now do it' }).click();
	await expect(page.getByLabel(/Pump meter shows after/)).toBeVisible();
	await page.reload();
	await page.getByRole('button', { name: 'Continue' }).click();
	await page.getByLabel(/Pump meter shows after/).fill(String(shown + 12));
	await expect(page.getByText('Each: 7')).toBeVisible();
	await page.getByRole('button', { name: 'Save', exact: true }).click();
	await expect(page.getByRole('row', { name: /^Shower/ })).toContainText(/measured .* \(2×\)/);
	const uses = Object.values(await stored(page)).filter(
		(one): one is { kind: string; litres: number } =>
			typeof one === 'object' && one !== null && 'litres' in one && 'kind' in one && one.kind === 'use'
	);
	expect(uses.map(({ litres }) => litres)).toContain(7);
});

/** Showers measured for some days without a measure and for some with it. */
function measuredDays(): Logbook {
	const ago = (hours: number): string => new Date(NOW_MS - hours * HOUR_MS).toISOString();
	const showers = [220, 200, 180, 160].map((hours, i) =>
		entry({ kind: 'use', at: ago(hours), habit: 'shower', times: 1, litres: 8 + 0.4 * i })
	);
	const short = [110, 90, 70, 50].map((hours, i) =>
		entry({ kind: 'use', at: ago(hours), habit: 'shower', times: 1, litres: 4 + 0.4 * i })
	);
	return logbookOf(
		[
			...freshStart(ago(230)),
			...showers,
			entry({ kind: 'measure', at: ago(120), measure: 'short', on: true }),
			...short,
			...freshStart(ago(24))
		],
		exactRig,
		[{ ...exactTrip, from: ago(240).slice(0, 10), to: ago(-96).slice(0, 10) }]
	);
}

test('did it pay: said with its interval; a trial is drawn by lot, runs ahead and can be ended', async ({
	page
}) => {
	await openLogbook(page, measuredDays(), { at: '/habits' });
	await expect(page.getByText(/It saves about 4.L each time/)).toBeVisible();
	await page.getByRole('button', { name: 'Plan the trial' }).click();
	await expect(page.getByText(/Trial: begins tomorrow/)).toBeVisible();
	// what is planned is no slip of the clock
	await page.getByRole('navigation').getByRole('link', { name: 'Now' }).click();
	await expect(page.getByText(/lies? ahead/)).toHaveCount(0);
	await toHabits(page);
	await page.getByRole('button', { name: 'End the trial' }).click();
	await expect(page.getByRole('button', { name: 'Plan the trial' })).toBeVisible();
});

test('a measure from the catalogue: with its caution, worth here, and not there for what a rig lacks', async ({
	page
}) => {
	await openLogbook(page, measuredDays(), { at: '/habits' });
	await page.getByRole('button', { name: 'Add a way to save' }).click();
	const ideas = page.getByRole('dialog');
	await expect(ideas.getByText(/Recirculated water is never drinking water/)).toBeVisible();
	await ideas.getByRole('button', { name: 'Add Dishes in an inch of water' }).click();
	await expect(ideas.getByRole('button', { name: 'Add Dishes in an inch of water' })).toHaveText('Added');
	await ideas.getByRole('button', { name: 'Close' }).click();
	// the cassette is full first: it gives no hour here, and says what it spares anyway
	await expect(measureRow(page, 'Dishes in an inch of water')).toContainText('none');
	await page.getByRole('button', { name: 'Dishes in an inch of water', exact: true }).click();
	await expect(page.getByText(/A day: 6.L less from Main and 6.L less in Grey/)).toBeVisible();
	await page.keyboard.press('u');
	await expect(measureRow(page, 'Dishes in an inch of water')).toHaveCount(0);
});

test('nonsense is met: a moment long past, a recipe of nothing, nobody aboard', async ({ page }) => {
	await openDemo(page, { at: '/habits' });
	await page.getByLabel('Until', { exact: true }).selectOption('other');
	await page.getByLabel('The moment').fill('2020-01-01T12:00');
	await expect(page.getByText('That moment has passed: pick another one.')).toBeVisible();
	await page.getByLabel('The moment').fill('2029-01-01T12:00');
	await expect(page.getByText('That is more than a year ahead')).toBeVisible();
	await quickline(page).fill('crew 0');
	await quickline(page).press('Enter');
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/as you live now/);
});
