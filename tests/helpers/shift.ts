import { expect, type Page } from '@playwright/test';

/** Of a page that is watched: how often something has moved in it so far. The tests' clock is not the one that shifts are dated by. */
export const shiftsSoFar = (page: Page): Promise<number> =>
	page.evaluate(async () => {
		await new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn, 100)));
		return window.watched.shifts.length;
	});

/** Of a page that is watched: nothing that stood there has moved since the first so many times, more than a figure does. */
export async function nothingMoved(page: Page, times = 0): Promise<void> {
	await shiftsSoFar(page);
	const moved = await page.evaluate((from) => window.watched.shifts.slice(from), times);
	// Where something moves, what it was is the first thing that one wants to know.
	const what = moved.map((one) => `${one.by.toFixed(3)} ${one.what}`).join('\n');
	expect(
		moved.reduce((sum, { by }) => sum + by, 0),
		what
	).toBeLessThan(0.005);
}
