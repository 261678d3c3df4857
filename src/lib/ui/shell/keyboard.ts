import type { App } from '$lib/state';
import { tinykeys } from 'tinykeys';
import { everyAct, type Reach } from './acts';

/** Whether somebody is typing, or something lies over the page that has the keys. */
const isTaken = (target: EventTarget | null): boolean =>
	target instanceof Element &&
	target.closest('input, textarea, select, [contenteditable], [role="dialog"], [role="listbox"]') !== null;

/**
 * Listens to keys. Single letters count only where nobody types, and not where they are switched off; with a modifier they
 * count everywhere.
 *
 * @returns ends it
 */
export function listenToKeys(app: App, reach: Reach): () => void {
	const bound = everyAct(app, reach).flatMap(({ keys, does }) => {
		if (keys === undefined) return [];
		const withModifier = keys.includes('$mod');
		const act = (event: KeyboardEvent): void => {
			if (!withModifier && (isTaken(event.target) || app.prefs.current.letterKeys === false)) return;
			event.preventDefault();
			does();
		};
		return [[keys, act] as const];
	});
	return tinykeys(window, Object.fromEntries(bound));
}
