import { errorMessage } from '$lib/errorMessage';
import { goto } from '$app/navigation';
import { LOOK_AHEAD_DAYS } from '$core/now';
import type { App } from '$lib/state';
import { opened } from '../../state/opened.svelte';

/** What browsers give to an installed application; others lack it. */
interface Installed {
	readonly launchQueue?: {
		setConsumer(take: (launch: { readonly files?: readonly FileSystemFileHandle[] }) => void): void;
	};
}

/**
 * What an installed application does more: a logbook that is opened with it is looked at under Data before anything is kept
 * (before there is a rig, where a newcomer opens a file), and its badge shows the days left.
 *
 * @returns ends it
 */
export function asInstalled(app: App): () => void {
	(window as unknown as Installed).launchQueue?.setConsumer(({ files }) => {
		const [handle] = files ?? [];
		if (!handle) return;
		handle.getFile().then(
			(file) => {
				opened.file = file;
				void goto('/data#read');
			},
			(error: unknown) => (app.trouble = `The file couldn’t be opened: ${errorMessage(error)}.`)
		);
	});
	return $effect.root(() => {
		$effect(() => {
			const days = app.engine.assessment?.forecast.autonomyDays.p50;
			if (days !== undefined) void showDaysLeft(days);
		});
	});
}

/**
 * Shows on the installed application's badge how many whole days are left; nothing where the days are more than is looked
 * ahead.
 *
 * @param days until the first tank binds, in the middle of the forecast
 */
export async function showDaysLeft(days: number): Promise<void> {
	if (!('setAppBadge' in navigator)) return;
	try {
		if (days >= LOOK_AHEAD_DAYS) await navigator.clearAppBadge();
		else if (days < 1) await navigator.setAppBadge();
		else await navigator.setAppBadge(Math.floor(days));
	} catch (error) {
		// A badge is an extra; where the browser refuses one, the verdict stands on Now all the same.
		console.warn('No badge:', error);
	}
}
