/// <reference no-default-lib="true"/>
/// <reference lib="esnext" />
/// <reference lib="webworker" />
/// <reference types="@sveltejs/kit" />
import { build, files, prerendered, version } from '$service-worker';

const worker = self as unknown as ServiceWorkerGlobalScope;
const CACHE = `dipsometer-${version}`;
/** Everything of this build: with it the application works when the server is gone. */
const SHELL = [...build, ...files, ...prerendered];
/** Files whose names change with what is in them. */
const IMMUTABLE = '/_app/immutable/';
const KEPT = new Set(SHELL);

/** What the workers of this build load later: each has a list of it beside itself. */
async function workerFiles(): Promise<readonly string[]> {
	const workers = build.filter((path) => path.startsWith(`${IMMUTABLE}workers/`));
	const lists = await Promise.all(
		workers.map(async (path): Promise<readonly string[]> => (await fetch(`${path}.files.json`)).json())
	);
	return [...new Set(lists.flat())].map((name) => `/${name}`);
}

worker.addEventListener('install', (event) => {
	const keep = async (): Promise<void> => {
		const all = [...SHELL, ...(await workerFiles())];
		const cache = await caches.open(CACHE);
		await cache.addAll(all.map((path) => new Request(path, { cache: 'reload' })));
	};
	event.waitUntil(keep());
});

/** The first build claims the page at once; a later one waits until the page says that the moment is calm. */
worker.addEventListener('message', (event) => {
	if (event.data === 'take-over') void worker.skipWaiting();
});

worker.addEventListener('activate', (event) => {
	const tidy = async (): Promise<void> => {
		const names = (await caches.keys()).filter((name) => name.startsWith('dipsometer-') && name !== CACHE);
		await Promise.all(names.map((name) => caches.delete(name)));
		await worker.clients.claim();
	};
	event.waitUntil(tidy());
});

const PATIENCE_MS = 3000;

/** The page itself: from the network while there is one, so that a new build is seen; else the kept shell. */
async function navigate(request: Request): Promise<Response> {
	const kept = async (): Promise<Response | undefined> => (await caches.open(CACHE)).match('/');
	try {
		// A tap in a valley has a bar of signal that carries nothing: do not wait for it.
		const answer = await fetch(request, { signal: AbortSignal.timeout(PATIENCE_MS) });
		return answer.ok ? answer : ((await kept()) ?? answer);
	} catch (error) {
		const shell = await kept();
		if (shell) return shell;
		throw error;
	}
}

worker.addEventListener('fetch', (event) => {
	const { request } = event;
	const url = new URL(request.url);
	if (request.method !== 'GET' || url.origin !== location.origin || url.pathname.startsWith('/api/')) return;
	if (request.mode === 'navigate') event.respondWith(navigate(request));
	else if (KEPT.has(url.pathname) || url.pathname.startsWith(IMMUTABLE))
		event.respondWith(
			caches.open(CACHE).then(async (cache) => (await cache.match(url.pathname)) ?? fetch(request))
		);
});
