import type { App } from '$lib/state';
import type { Reach } from './acts';
import { asInstalled } from './installed.svelte';
import { listenToKeys } from './keyboard';
import { takeOverNewBuilds } from './newBuild';

/** Once in a tab, whatever rig is looked at. */
let offerBuild: (() => void) | undefined;

/**
 * What can wait until there is something to see: the keys, what an installed application does more, new builds.
 *
 * @param onbuild called when a new build waits but the moment is not calm
 * @returns `end` ends the first two; `offerBuild` asks again for a new build
 */
export function afterwards(
	app: App,
	reach: Reach,
	onbuild: () => void
): { readonly end: () => void; readonly offerBuild: () => void } {
	const ends = [listenToKeys(app, reach), asInstalled(app)];
	offerBuild ??= takeOverNewBuilds(onbuild);
	return { end: () => ends.forEach((end) => end()), offerBuild };
}
