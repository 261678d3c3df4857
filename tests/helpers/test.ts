import { test as base } from '@playwright/test';

/** A morning in summer, before any of the fixtures: the demo and what tests write is dated to it. */
export const NOW_MS = Date.parse('2026-06-16T10:40:00+01:00');

export { expect, type Locator, type Page } from '@playwright/test';

/**
 * A test whose pages all begin at that moment; time goes on from there. The device saves data where nothing else is said: the code
 * of views that a test does not open would be half of what it loads.
 */
export const test = base.extend<{ savesData: boolean }>({
	savesData: [true, { option: true }],
	context: async ({ context, savesData }, use) => {
		await context.clock.install({ time: NOW_MS });
		if (savesData)
			await context.addInitScript(() =>
				Object.defineProperty(navigator, 'connection', { value: { saveData: true } })
			);
		await use(context);
	}
});
