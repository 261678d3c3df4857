import { test, expect } from './helpers/test.js';
const WAY = 'Skarn Hause 3 nights\n14 km Tamsel Ford: water, grey, black\nOrrow Plantation, 3 nights, 28 °C\n21 km Low Sarn fill and dump 20 min\nKelda Top till somday\nHollin';
for (const [name, size] of [['w', { width: 1280, height: 800 }], ['n', { width: 390, height: 844 }]] as const)
test('look ' + name, async ({ page }) => {
	await page.setViewportSize(size);
	await page.goto('/?demo'); await expect(page.getByRole('heading', { level: 1 })).toContainText(' first'); await page.waitForTimeout(1500);
	await page.goto('/trip/lines');
	const field = page.getByLabel('The stops, one a line');
	await field.click();
	await page.keyboard.type(WAY.replaceAll('\n', '\n'), { delay: 1 });
	await expect(page.getByText(/Costs|No plan of this trip|falls short even/)).toBeVisible({ timeout: 15000 });
	await page.waitForTimeout(1500);
	await page.screenshot({ path: `/tmp/look-lines-${name}.png` });
	if (name === 'n') await page.screenshot({ path: `/tmp/look-lines-${name}-full.png`, fullPage: true });
	await page.goto('/trip');
	await expect(page.getByRole('heading', { name: 'If one is shut' })).toBeVisible({ timeout: 20000 });
	await page.waitForTimeout(1000);
	await page.screenshot({ path: `/tmp/look-trip-${name}.png`, fullPage: true });
});
