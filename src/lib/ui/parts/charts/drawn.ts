import { workerClient, type RemoteApi } from '$lib/workerClient';
import type { ChartTokens } from '../../kit/charts/chartTheme';
import type { ChartSize, ChartSpec } from './chartSpec';
import type { draw } from './drawer';

let drawer: RemoteApi<{ draw: typeof draw }> | undefined;

/** Draws a chart beside the page, which only has to take it in. */
export async function drawn(spec: ChartSpec, tokens: ChartTokens, size: ChartSize): Promise<SVGElement> {
	drawer ??= workerClient<{ draw: typeof draw }>(
		new Worker(new URL('./draw.worker.ts', import.meta.url), { type: 'module' })
	);
	const { documentElement } = new DOMParser().parseFromString(
		await drawer.draw(spec, tokens, size),
		'image/svg+xml'
	);
	if (!(documentElement instanceof SVGElement))
		throw new Error(`a chart was drawn that is none: ${documentElement.textContent}`);
	return documentElement;
}
