import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig, type Plugin } from 'vite';
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

export default defineConfig({
	plugins: [sveltekit(), inFewFiles()],
	worker: { format: 'es', plugins: () => [workerFiles(), inFewFiles()] },
	build: { target: 'es2022', modulePreload: false },
	// The same without the promises that it brings for browsers that have none.
	resolve: { alias: { localforage: 'localforage/dist/localforage.nopromises.js' } }
});
