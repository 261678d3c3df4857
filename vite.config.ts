import { sveltekit } from '@sveltejs/kit/vite';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';
import { firstView } from './scripts/firstView.ts';

/**
 * Writes beside each worker which files it loads later: the framework's list of what a build consists of does not name them,
 * and without them a page would be left alone by its own worker once there is no network.
 */
const workerFiles = (): Plugin => ({
	name: 'worker-files',
	generateBundle(_, bundle) {
		const chunks = Object.values(bundle).filter(({ type }) => type === 'chunk');
		const names = chunks.map(({ fileName }) => fileName);
		for (const chunk of chunks)
			if (chunk.type === 'chunk' && chunk.isEntry)
				this.emitFile({
					type: 'asset',
					fileName: `${chunk.fileName}.files.json`,
					source: JSON.stringify(names.filter((name) => name !== chunk.fileName))
				});
	}
});

const inFewFiles = firstView();

const COMMON = {
	setupFiles: ['tests/helpers/properties.ts'],
	environment: 'node',
	pool: 'threads' as const,
	// Generous, as in the browser tests: what must be quick is timed by its own test.
	testTimeout: 60_000
};

export default defineConfig({
	plugins: [sveltekit(), inFewFiles()],
	worker: { format: 'es', plugins: () => [workerFiles(), inFewFiles()] },
	build: { target: 'es2022', modulePreload: false },
	// The same without the promises that it brings for browsers that have none.
	resolve: { alias: { localforage: 'localforage/dist/localforage.nopromises.js' } },
	test: {
		...COMMON,
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
				extends: true,
				test: {
					name: 'app',
					include: ['src/lib/**/*.test.ts'],
					benchmark: { include: [] },
					setupFiles: ['tests/helpers/world.ts'],
					isolate: false
				}
			}
		]
	}
});
