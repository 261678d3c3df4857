import type { Plumbing } from '$core/rig';
import { workerClient, type RemoteApi } from '$lib/workerClient';
import type { placePlumbing, PlacedPlumbing } from './placePlumbing';

let placer: RemoteApi<{ place: typeof placePlumbing }> | undefined;

/** The plumbing placed beside the page, which on a cheap phone would be deaf meanwhile; see `placePlumbing`. */
export function placed(plumbing: Plumbing, across: boolean): Promise<PlacedPlumbing> {
	placer ??= workerClient<{ place: typeof placePlumbing }>(
		new Worker(new URL('./placing.worker.ts', import.meta.url), { type: 'module' })
	);
	return placer.place(plumbing, across);
}
