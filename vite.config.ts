import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vitest/config';

export default defineConfig({
	plugins: [sveltekit()],
	worker: { format: 'es' },
	build: { target: 'es2022' },
	test: {
		setupFiles: ['tests/helpers/properties.ts'],
		environment: 'node',
		pool: 'threads',
		// Generous, as in the browser tests: what must be quick is timed by its own test.
		testTimeout: 60_000,
		projects: [
			// The core keeps nothing between calls, so its files can share one world and load it once.
			{
				extends: true,
				test: {
					name: 'core',
					include: ['src/core/**/*.test.ts', 'demo/**/*.test.ts', 'bench/**/*.test.ts'],
					benchmark: { include: ['bench/**/*.bench.ts'] },
					isolate: false
				}
			},
			{ extends: true, test: { name: 'app', include: ['src/lib/**/*.test.ts'], benchmark: { include: [] } } }
		]
	}
});
