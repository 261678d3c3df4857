import { defineConfig } from 'vitest/config';

const COMMON = {
	setupFiles: ['tests/helpers/properties.ts'],
	environment: 'node',
	pool: 'threads' as const,
	// Generous, as in the browser tests: what must be quick is timed by its own test.
	testTimeout: 60_000
};

/**
 * Apart from the build's own: there the framework's plugin writes what it generates as soon as it is loaded, and the tests of
 * the core run beside a build that is just reading that.
 */
export default defineConfig({
	test: {
		// Both cores: the tests reckon, they do not wait.
		maxWorkers: 2,
		projects: [
			// The core keeps nothing between calls, so its files can share one world and load it once; and it needs no Svelte.
			{
				test: {
					...COMMON,
					name: 'core',
					include: ['src/core/**/*.test.ts', 'demo/**/*.test.ts', 'bench/**/*.test.ts'],
					benchmark: { include: ['bench/**/*.bench.ts'] },
					isolate: false
				}
			},
			// So do these: to load the application anew for each file takes longer than its tests.
			{
				extends: './vite.config.ts',
				test: {
					...COMMON,
					name: 'app',
					include: ['src/lib/**/*.test.ts'],
					benchmark: { include: [] },
					setupFiles: [...COMMON.setupFiles, 'tests/helpers/world.ts'],
					isolate: false
				}
			}
		]
	}
});
