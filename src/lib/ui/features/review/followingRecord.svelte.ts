import type { App } from '$lib/state';
import { followRecord, recordBeside } from '$lib/state/recordBook.svelte';

/** What one came for goes first: the record is brought up to date when the page has been still for so long. */
const CALM_MS = 6000;

/**
 * The forecasts' own record is kept beside the logbook while the application is open.
 *
 * @returns ends it
 */
export function followingRecord(app: App): () => void {
	const book = recordBeside(app);
	const follow = (): Promise<void> =>
		followRecord(app, book).catch((error: unknown) =>
			console.warn('The record of the forecasts couldn’t be saved:', error)
		);
	return $effect.root(() => {
		const stands = $derived(app.engine.assessment !== undefined);
		// What was foretold comes true with what is written, and with the hours.
		$effect(() => {
			void [stands, app.engine.written, app.rig?.id, app.hour];
			const waiting = setTimeout(() => void follow(), CALM_MS);
			return () => clearTimeout(waiting);
		});
	});
}
