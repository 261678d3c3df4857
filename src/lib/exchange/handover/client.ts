import { workerClient, type RemoteApi } from '$lib/workerClient';
import type { Gathered } from './pictures';
import type { behind, look, lookAt, noteTaken, prepare } from './handOver';

/** What is worked out of hand-overs, beside the page. */
export interface HandOverApi {
	readonly behind: typeof behind;
	readonly look: typeof look;
	readonly lookAt: typeof lookAt;
	readonly noteTaken: typeof noteTaken;
	readonly prepare: typeof prepare;
}

/** Asks a worker that is begun for one question and ended with its answer: hand-overs are rare. */
async function once<T>(ask: (api: RemoteApi<HandOverApi>) => Promise<T>): Promise<T> {
	const worker = new Worker(new URL('./handOver.worker.ts', import.meta.url), { type: 'module' });
	try {
		return await ask(workerClient<HandOverApi>(worker));
	} finally {
		worker.terminate();
	}
}

/** Hand-overs worked out in a worker. */
export const handOverInWorker: RemoteApi<HandOverApi> = {
	behind: (...args) => once((api) => api.behind(...args)),
	look: (...args) => once((api) => api.look(...args)),
	lookAt: (...args) => once((api) => api.lookAt(...args)),
	noteTaken: (...args) => once((api) => api.noteTaken(...args)),
	prepare: (...args) => once((api) => api.prepare(...args))
};

/** Reads codes in pictures of the camera, beside the page, until it is closed. */
export interface CodeReader {
	/** @returns what has been gathered with this picture; nothing where no code is in it */
	read(image: ImageBitmap): Promise<Gathered | 'foreign' | undefined>;
	close(): void;
}

/** Starts a reader of codes in a worker of its own. */
export function startCodeReader(): CodeReader {
	const worker = new Worker(new URL('./reading.worker.ts', import.meta.url), { type: 'module' });
	const { read } = workerClient<Pick<CodeReader, 'read'>>(worker);
	return { read, close: () => worker.terminate() };
}
