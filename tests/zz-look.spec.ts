import { test, expect } from './helpers/test.js';
for (const [name, size] of [['w', { width: 1280, height: 800 }], ['n', { width: 390, height: 844 }]] as const)
test('look ' + name, async ({ page }) => {
	await page.setViewportSize(size);
	await page.goto('/?demo'); await expect(page.getByRole('heading', { level: 1 })).toContainText(' first'); await page.waitForTimeout(4000);
	await page.screenshot({ path: `/tmp/look-now-${name}.png` });
	await page.goto('/trip');
	await expect(page.getByRole('heading', { name: 'If one is shut' })).toBeVisible({ timeout: 20000 });
	await page.getByText('Grethe Moor bat survey').last().scrollIntoViewIfNeeded();
	await page.getByRole('link', { name: 'Edit as lines' }).scrollIntoViewIfNeeded();
	await page.mouse.wheel(0, 500);
	await page.waitForTimeout(1000);
	await page.screenshot({ path: `/tmp/look-stops-${name}.png` });
	await page.getByRole('heading', { name: 'If one is shut' }).scrollIntoViewIfNeeded();
	await page.waitForTimeout(500);
	await page.screenshot({ path: `/tmp/look-fall-${name}.png` });
	await page.getByRole('link', { name: 'Edit as lines' }).click();
	await page.waitForTimeout(3000);
	await page.screenshot({ path: `/tmp/look-edit-${name}.png` });
	await page.goto('/trip');
	await page.getByRole('button', { name: 'Change Orrow Plantation' }).click();
	await page.waitForTimeout(500);
	await page.screenshot({ path: `/tmp/look-stop-${name}.png` });
});
