import { preloadCode } from '$app/navigation';
import type { App } from '$lib/state';
import { CHOSEN, followChoices } from '$lib/state/choosing';
import { fetchWriting } from '$lib/store';
import type { ShellContext } from '../parts/acts/shellContext';
import { asInstalled } from './installed.svelte';
import { listenToKeys } from './keyboard';
import { followingMeter } from '../features/listen/followingMeter.svelte';
import { followingRecord } from '../features/review/followingRecord.svelte';
import { followingPlan } from '../features/trip/followingPlan.svelte';
import { takeOverNewBuilds } from './newBuild';
import { VIEWS } from './views';

/** So long is waited between two views where the browser does not tell when it is calm, ms. */
const CALM_MS = 500;

/** Once in a tab, whatever rig is looked at. */
let offerBuild: (() => void) | undefined;

/** Whether this device is asked to fetch nothing that may not be needed. */
const savesData = (): boolean =>
	(navigator as { readonly connection?: { readonly saveData?: boolean } }).connection?.saveData === true;

/**
 * The code of the other views, one after the other while nothing else is to do: a tap then only has to draw. Where data is to be
 * saved each comes when it is wanted.
 *
 * @returns ends it
 */
function fetchingViews(): () => void {
	let ended = savesData();
	const whenCalm = (does: () => void): void =>
		void (typeof requestIdleCallback === 'function' ? requestIdleCallback(does) : setTimeout(does, CALM_MS));
	const fetchFrom = (i: number): void => {
		const view = VIEWS[i];
		if (ended || !view) return;
		preloadCode(view.path).then(
			() => whenCalm(() => fetchFrom(i + 1)),
			(error: unknown) => console.warn('Not loaded yet:', error)
		);
	};
	whenCalm(() => fetchFrom(0));
	return () => (ended = true);
}

/** What another tab chooses is followed here. @returns ends it */
function followingChoices(app: App): () => void {
	const follow = async (): Promise<void> => {
		try {
			if (await followChoices(app.prefs, app.beside.port)) await app.refresh();
		} catch (error) {
			console.warn('What another tab chose couldn’t be read:', error);
		}
	};
	const chosen = new BroadcastChannel(CHOSEN);
	chosen.onmessage = follow;
	// What was chosen before anybody listened.
	void follow();
	return () => chosen.close();
}

/**
 * What can wait until there is something to see: the keys, what an installed application does more, what has changed in
 * the plan, new builds.
 *
 * @param pressed keys that were pressed before: they are pressed once more
 * @param onbuild called when a new build waits but the moment is not calm
 * @returns `end` ends the first two; `offerBuild` asks again for a new build
 */
export function deferredStart(
	app: App,
	reach: ShellContext,
	pressed: readonly KeyboardEvent[],
	onbuild: () => void
): { readonly end: () => void; readonly offerBuild: () => void } {
	const ends = [
		listenToKeys(app, reach),
		asInstalled(app),
		followingPlan(app),
		followingRecord(app),
		followingMeter(app),
		followingChoices(app),
		fetchingViews()
	];
	for (const { key, code, shiftKey, ctrlKey, metaKey, altKey } of pressed)
		document.body.dispatchEvent(
			new KeyboardEvent('keydown', { key, code, shiftKey, ctrlKey, metaKey, altKey, bubbles: true })
		);
	// At hand when they are asked for: logging and undo need no network.
	for (const fetching of [fetchWriting(), import('$lib/state/revising')])
		fetching.catch((error: unknown) => console.warn('Not loaded yet:', error));
	offerBuild ??= takeOverNewBuilds(onbuild);
	return { end: () => ends.forEach((end) => end()), offerBuild };
}
