import { expect, type Page } from '@playwright/test';
import { watchedSince } from '../../bench/outside/watch.js';

/** Of a page that is watched: nothing that stood there has moved since a moment of its own clock, ms, more than a figure does. */
export async function nothingMoved(page: Page, fromMs: number, bound = 0.005): Promise<void> {
	await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn, 100))));
	// Where something moves, what it was is the first thing that one wants to know.
	const moved = await page.evaluate(() =>
		window.watched.shifts.map(({ by, what }) => `${by.toFixed(3)} ${what}`)
	);
	expect((await watchedSince(page, fromMs)).shift, moved.join('\n')).toBeLessThan(bound);
}
