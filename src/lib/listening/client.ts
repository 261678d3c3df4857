import { workerClient, type RemoteApi } from '$lib/workerClient';
import type { Listener } from './listener';

/** What is asked of a listener beside the page. */
export type ListenerApi = Pick<Listener, 'open' | 'add' | 'read' | 'hear' | 'forget' | 'clear'>;

/** A listener in a worker of its own, which has the samples. */
export const startListener = (): RemoteApi<ListenerApi> =>
	workerClient<ListenerApi>(
		new Worker(new URL('./listening.worker.ts', import.meta.url), { type: 'module' })
	);
