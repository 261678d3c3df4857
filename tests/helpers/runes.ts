import type { Environment } from 'vitest/runtime';

/** Node, with modules compiled as for the browser: runes keep state there, on the server they do not. */
export default {
	name: 'runes',
	viteEnvironment: 'client',
	setup: () => ({ teardown: () => undefined })
} satisfies Environment;
