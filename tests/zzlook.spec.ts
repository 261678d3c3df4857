import { test } from '@playwright/test';
import { openDemo, quickline } from './helpers/pages';
const shots: [string, string][] = [['empty', ''], ['use', 'shower 2'], ['ask', 'how long does it last?'], ['choices', 'bought 20 L'], ['not', 'no shower today'], ['fill', 'fill'], ['enough','can we take two showers?']];
for (const [w, h] of [[1280, 800], [390, 844]] as const)
	test(`line ${w}`, async ({ page }) => {
		await page.setViewportSize({ width: w, height: h });
		await openDemo(page);
		await page.waitForTimeout(3000);
		for (const [name, text] of shots) {
			await quickline(page).click();
			await quickline(page).fill(text);
			await page.waitForTimeout(1500);
			await page.screenshot({ path: `/tmp/shots/${name}-${w}.png` });
		}
	});
