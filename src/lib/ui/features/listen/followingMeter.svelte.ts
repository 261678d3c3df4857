import type { App } from '$lib/state';

/**
 * A meter that is listened to on this device is followed while the application is open; where none is, nothing is loaded.
 *
 * @returns ends it
 */
export const followingMeter = (app: App): (() => void) =>
	$effect.root(() => {
		$effect(() => {
			if (!app.prefs.current.listening?.[app.rig?.id ?? '']) return;
			import('$lib/state/listening.svelte').then(
				({ listeningBeside }) => void listeningBeside(app),
				(error: unknown) => console.warn('The meter is not listened to:', error)
			);
		});
	});
