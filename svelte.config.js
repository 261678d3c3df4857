import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
	preprocess: vitePreprocess(),
	kit: {
		adapter: adapter({ out: process.env.DIPSOMETER_OUT ?? 'build' }),
		alias: { $core: 'src/core', $demo: 'demo' },
		// Small styles come in the page itself: twenty files that must be there before anything is painted take a phone half a second.
		inlineStyleThreshold: 16_384,
		// Absolute asset paths: the cached shell of `/` also answers for `/trip` when there is no network.
		paths: { relative: false },
		...(process.env.DIPSOMETER_BUILD ? { version: { name: process.env.DIPSOMETER_BUILD } } : {}),
		// The service worker is registered by hand, so that a new build is taken over at a calm moment.
		serviceWorker: { register: false },
		csp: {
			mode: 'hash',
			directives: {
				'default-src': ['self'],
				'script-src': ['self'],
				'style-src': ['self'],
				'style-src-attr': ['unsafe-inline'],
				// From where pictures may come the server says, in a second policy beside this one: a person may allow one
				// tile server (see scripts/serve.mjs).
				'img-src': ['*', 'data:'],
				'font-src': ['self'],
				'connect-src': ['self'],
				'worker-src': ['self'],
				'manifest-src': ['self'],
				'object-src': ['none'],
				'base-uri': ['none'],
				'form-action': ['self']
			}
		},
		prerender: { entries: ['/'] }
	}
};
