import { test as base } from '@playwright/test';

/** A morning in summer, before any of the fixtures: the demo and what tests write is dated to it. */
export const NOW_MS = Date.parse('2026-06-16T10:40:00+01:00');

export { expect, type Locator, type Page } from '@playwright/test';

/** A test whose pages all begin at that moment; time goes on from there. */
export const test = base.extend({
	context: async ({ context }, use) => {
		await context.clock.install({ time: NOW_MS });
		await use(context);
	}
});
