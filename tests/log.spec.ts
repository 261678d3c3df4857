import { expect, test } from './helpers/test.js';
import { enter, follow, litresOf, openDemo, quickline } from './helpers/pages';

test('the thinnest line: type, see what it does, enter, reload, still there', async ({ page }) => {
	await openDemo(page);
	const [main, grey] = [await litresOf(page, 'Main'), await litresOf(page, 'Grey')];
	const verdict = await page.getByRole('heading', { level: 1 }).textContent();
	await quickline(page).fill('shower 2');
	await expect(page.locator('#quickline-says')).toContainText('Shower × 2');
	await expect(page.locator('#quickline-says strong')).toContainText(/^Lasts until|less/);
	await quickline(page).press('Enter');
	await expect.poll(() => litresOf(page, 'Main')).toBeLessThan(main - 10);
	await expect.poll(() => litresOf(page, 'Grey')).toBeGreaterThan(grey + 10);
	await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(verdict ?? '');
	await page.reload();
	await expect.poll(() => litresOf(page, 'Main')).toBeLessThan(main - 10);
});

test('guests, a measure and a hook-up say what they will do to the stay, and what touches nothing says so', async ({
	page
}) => {
	await openDemo(page);
	const effect = page.locator('#quickline-says strong');
	await quickline(page).fill('crew 6');
	await expect(effect).toContainText(/^Lasts until|less/);
	await quickline(page).fill('crew 1');
	await expect(effect).toContainText(/^Lasts until|more/);
	await enter(page, 'dump cassette');
	await quickline(page).fill('dump cassette');
	await expect(effect).toHaveText('You can stay just as long.');
	// a measured shower teaches what a shower takes
	await quickline(page).fill('shower 14 L');
	await expect(page.locator('#quickline-says')).toContainText(/Why\? This also updates Shower to/);
});

test('Enter pressed before the line can be read waits for it', async ({ page }) => {
	await openDemo(page);
	const main = await litresOf(page, 'Main');
	await quickline(page).focus();
	await page.keyboard.type('shower 2\n');
	await expect.poll(() => litresOf(page, 'Main')).toBeLessThan(main - 10);
});

test('by keys alone: to the line, choose what is meant, undo, do again, every view', async ({ page }) => {
	await openDemo(page);
	const before = await litresOf(page, 'Grey');
	await page.keyboard.press('/');
	await page.keyboard.type('grey full');
	await expect(
		page
			.getByRole('group', { name: 'Which do you mean?' })
			.or(page.getByRole('list', { name: 'Which do you mean?' }))
			.getByRole('button')
	).toHaveCount(2);
	await page.keyboard.press('ArrowDown');
	await expect(page.locator('#quickline-says')).toContainText('seen full: it backs up');
	await page.keyboard.press('Enter');
	await expect.poll(() => litresOf(page, 'Grey')).toBeGreaterThan(75);
	await expect(page.getByRole('heading', { level: 1 })).toContainText('Grey is full');
	await page.keyboard.press('Escape');
	await page.keyboard.press('u');
	await expect.poll(() => litresOf(page, 'Grey')).toBe(before);
	await page.keyboard.press('Shift+U');
	await expect.poll(() => litresOf(page, 'Grey')).toBeGreaterThan(75);
	for (const [key, title] of [
		['t', 'Trip'],
		['l', 'Ledger'],
		['r', 'Rig'],
		['d', 'Data'],
		['n', 'Now']
	] as const) {
		// Two keys count as one within a second, which a busy machine may take between them: no time passes meanwhile.
		await page.clock.pauseAt((await page.evaluate(() => Date.now())) + 10_000);
		await page.keyboard.press('g');
		await page.keyboard.press(key);
		await page.clock.resume();
		await expect(page).toHaveTitle(`${title} · Wren`);
	}
	await page.keyboard.press('Shift+?');
	await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('nonsense is explained, a beginning is completed, a price is logged by a tap', async ({ page }) => {
	await openDemo(page);
	await quickline(page).fill('flurble');
	await expect(page.locator('#quickline-says')).toContainText(
		'Wren has no habit, tank or instrument called “flurble”'
	);
	await expect(page.getByRole('button', { name: 'Enter' })).toBeDisabled();
	await quickline(page).fill('shower -800000d');
	await expect(page.locator('#quickline-says')).toContainText('too far from today');
	await expect(page.getByRole('button', { name: 'Enter' })).toBeDisabled();
	await quickline(page).fill('fill 900');
	await expect(page.locator('#quickline-says')).toContainText('does not fit');
	await quickline(page).fill('dis');
	await quickline(page).press('Tab');
	await expect(quickline(page)).toHaveValue(/dishes/);
	await quickline(page).fill('');
	const before = await litresOf(page, 'Grey');
	await page.getByRole('button', { name: 'Log one: Dishes' }).click();
	await expect.poll(() => litresOf(page, 'Grey')).toBeGreaterThan(before + 3);
});

test('Why? shows the entries that made a level and the reading that was left out', async ({ page }) => {
	await openDemo(page);
	await page.getByRole('button', { name: /^Why .* in Grey\?/ }).click();
	const why = page.getByRole('dialog');
	await expect(why).toContainText('9 in 10');
	await expect(why.getByRole('row').filter({ hasText: 'Grey emptied' })).toBeVisible();
	await expect(why).toContainText('Grey lights was left out entirely');
	await expect(why).toContainText('It last showed “full”');
});

test('the ledger: filter, correct, void, bring back', async ({ page }) => {
	await openDemo(page);
	await enter(page, 'fill main 12');
	await page.getByRole('navigation').getByRole('link', { name: 'Ledger' }).click();
	await page.getByLabel('Kind').selectOption('Fill');
	const first = page.getByRole('listitem').filter({ hasText: 'Main filled 12' });
	await expect(first).toHaveCount(1);
	await first.getByRole('button', { name: /^Correct/ }).click();
	const form = page.getByRole('dialog');
	await form.getByLabel(/^Litres/).fill('1,5');
	await form.getByRole('button', { name: 'Save' }).click();
	const corrected = page.getByRole('listitem').filter({ hasText: 'Main filled 1.5' });
	await expect(corrected).toHaveCount(1);
	await corrected.getByRole('button', { name: /^Void/ }).click();
	await expect(corrected).toHaveCount(0);
	await page.getByLabel('show voided').check();
	await corrected.getByRole('button', { name: /^Restore/ }).click();
	await page.getByLabel('show voided').uncheck();
	await expect(corrected).toHaveCount(1);
	await page.getByRole('button', { name: /^Undo/ }).first().click();
	await expect(corrected).toHaveCount(0);
});

test.describe(() => {
	test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

	test('by thumb at 390 px: a chip, nothing scrolls but the view, targets of 44 px', async ({ page }) => {
		await openDemo(page);
		const before = await litresOf(page, 'Main');
		await page
			.getByRole('group', { name: 'Likely next' })
			.getByRole('button', { name: /^(shower|dishes)$/ })
			.first()
			.tap();
		await page.getByRole('button', { name: 'Enter' }).tap();
		await expect.poll(() => litresOf(page, 'Main')).toBeLessThan(before);
		for (const path of ['/', '/trip', '/ledger', '/rig', '/data', '/rig/tank/wren-grey']) {
			await follow(page, path);
			await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
			expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(390);
			// The view scrolls, the page does not: head and quick line stay where they are.
			expect(await page.evaluate(() => document.documentElement.scrollHeight), path).toBeLessThanOrEqual(844);
			const low = await page.evaluate(() =>
				[...document.querySelectorAll<HTMLElement>('button, a[href], select, label:has(input), input')]
					.filter(({ offsetHeight }) => offsetHeight > 0)
					.filter((target) => !target.closest('label') || target.tagName === 'LABEL')
					.filter(({ offsetHeight, offsetWidth }) => offsetHeight < 44 || offsetWidth < 44)
					.map(
						(target) =>
							`${target.tagName} ${target.ariaLabel ?? target.innerText} ${target.offsetWidth}×${target.offsetHeight}`
					)
			);
			expect(low, path).toEqual([]);
		}
	});
});

test('a stop that the trip comes to twice: what is shown is what is logged', async ({ page }) => {
	await openDemo(page, { at: '/trip' });
	await page.getByRole('button', { name: 'Add stop' }).click();
	const form = page.getByRole('dialog');
	await form.getByLabel('Name').fill('Tamsel Ford');
	await form.getByRole('button', { name: 'Save' }).click();
	await expect(page.getByRole('button', { name: 'Change Tamsel Ford' })).toHaveCount(2);
	await quickline(page).fill('shower');
	await expect(page.locator('#quickline-says')).toContainText('Shower');
	await quickline(page).fill('arrive tamsel ford');
	await expect(page.locator('#quickline-says')).toContainText('Arrived at Tamsel Ford, planned for');
	// Twice on the route already, and the new one: each is told apart in words.
	const meant = page.getByRole('list', { name: 'Which do you mean?' }).getByRole('button');
	await expect(meant).toHaveCount(3);
	expect(new Set(await meant.allTextContents()).size).toBe(3);
	await quickline(page).press('Enter');
	await page.getByRole('navigation').getByRole('link', { name: 'Ledger' }).click();
	// The arrival of the demo's own past, and this one.
	await page.getByLabel('Kind').selectOption('Stop');
	await expect(page.locator('main').getByText('Arrived at Tamsel Ford', { exact: true })).toHaveCount(2);
});

test('Tab leaves the quick line within one press when there is nothing to finish', async ({ page }) => {
	await openDemo(page);
	for (const text of ['', 'dishes ', 'fill 60', 'flurble', 'meter ']) {
		await quickline(page).fill(text);
		await quickline(page).press('Tab');
		await expect(quickline(page), text).not.toBeFocused();
	}
});

test('units chosen are shown at once, in what is said too', async ({ page }) => {
	await openDemo(page, { at: '/data' });
	await page.getByLabel('Volume').selectOption('US gallons');
	await page.getByRole('navigation').getByRole('link', { name: 'Now' }).click();
	await expect(page.getByRole('button', { name: /^Why [\d.]+.gal in Main/ })).toBeVisible();
	await expect(page.getByRole('img', { name: /^Main, fresh/ })).toHaveAttribute('aria-label', /of \d+.gal/);
});

test.describe(() => {
	test.use({ viewport: { width: 360, height: 740 }, hasTouch: true, isMobile: true });

	test('nothing of the first run is wider than a small phone', async ({ page }) => {
		await page.goto('/');
		for (const way of ['Open a file', 'Begin']) {
			await page.getByRole('button', { name: way, exact: true }).tap();
			expect(
				await page.evaluate(() =>
					Math.max(
						...[...document.querySelectorAll('main *')].map((one) => one.getBoundingClientRect().right)
					)
				),
				way
			).toBeLessThanOrEqual(360);
			await page.getByRole('button', { name: 'Back' }).tap();
		}
	});
});
