import type { App } from '$lib/state';
import { tinykeys } from 'tinykeys';
import type { ShellContext } from '../parts/acts/shellContext';
import { everyAct } from './acts';

/** Whether somebody is typing, or something lies over the page that has the keys. */
const isTaken = (target: EventTarget | null): boolean =>
	target instanceof Element &&
	target.closest('input, textarea, select, [contenteditable], [role="dialog"], [role="listbox"]') !== null;

/** What two keys in a row begin with, and how long the second may take. */
const FIRST = 'g';
const PATIENCE_MS = 1000;
const NONE = { key: '', ms: 0 };

/**
 * Listens to keys. Single letters count only where nobody types, and not where they are switched off; with a modifier they
 * count everywhere.
 *
 * @returns ends it
 */
export function listenToKeys(app: App, reach: ShellContext): () => void {
	/** the last two keys, so that the second of two is not taken for one by itself */
	let [before, last] = [NONE, NONE];
	const remember = ({ key, timeStamp }: KeyboardEvent): void => {
		[before, last] = [last, { key, ms: timeStamp }];
		// The list is on its way while the second key is still up.
		if (key === 'Control' || key === 'Meta')
			import('./CommandList.svelte').catch((error: unknown) => console.warn('Not loaded yet:', error));
	};
	const isSecond = (): boolean => before.key === FIRST && last.ms - before.ms < PATIENCE_MS;
	window.addEventListener('keydown', remember, { capture: true });
	const bound = everyAct(app, reach).flatMap(({ keys, does }) => {
		if (keys === undefined) return [];
		const withModifier = keys.includes('$mod');
		const act = (event: KeyboardEvent): void => {
			const off = app.prefs.current.letterKeys === false || reach.isCovered();
			if (!withModifier && (off || isTaken(event.target))) return;
			if (keys.length === 1 && isSecond()) return;
			event.preventDefault();
			does();
		};
		// Where a question mark needs no Shift it counts, too.
		return [[keys, act] as const, ...(keys === 'Shift+?' ? [['?', act] as const] : [])];
	});
	const end = tinykeys(window, Object.fromEntries(bound), { timeout: PATIENCE_MS });
	return () => {
		end();
		window.removeEventListener('keydown', remember, { capture: true });
	};
}
