import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vitest/config';

export default defineConfig({
	plugins: [sveltekit()],
	worker: { format: 'es' },
	build: { target: 'es2022' },
	test: {
		include: ['src/**/*.test.ts', 'demo/**/*.test.ts', 'bench/**/*.test.ts'],
		benchmark: { include: ['bench/**/*.bench.ts'] },
		setupFiles: ['tests/helpers/properties.ts'],
		environment: 'node'
	}
});
