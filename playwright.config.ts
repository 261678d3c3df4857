import { defineConfig } from '@playwright/test';
import { chromiumOptions } from './scripts/chromium.mjs';

const PORT = 4390;

export default defineConfig({
	testDir: 'tests',
	testMatch: '**/*.spec.ts',
	// Generous: a shared machine has slow hours, and a cap costs nothing in quick ones.
	timeout: 180_000,
	expect: { timeout: 45_000 },
	// One more than the machine has cores: while one waits for its page to settle, the others use them.
	workers: 3,
	fullyParallel: true,
	projects: [
		{ name: 'together', testIgnore: '**/speed.spec.ts' },
		// What times anything has the machine to itself: beside others it would time them too.
		{ name: 'alone', testMatch: '**/speed.spec.ts', workers: 1 }
	],
	forbidOnly: Boolean(process.env.CI),
	reporter: 'list',
	use: {
		baseURL: `http://127.0.0.1:${PORT}`,
		launchOptions: chromiumOptions,
		viewport: { width: 1280, height: 800 },
		// Each test is a first visit, and would keep the whole build for the next one: those that need it say so.
		serviceWorkers: 'block',
		timezoneId: 'Europe/London',
		locale: 'en-GB'
	},
	webServer: {
		command: 'node scripts/serve.mjs',
		url: `http://127.0.0.1:${PORT}/api/health`,
		env: { PORT: String(PORT) },
		reuseExistingServer: false,
		timeout: 20_000
	}
});
