import { tinykeys } from 'tinykeys';

/** Keys count only where nobody is typing and nothing lies over the page. */
const free = (action: () => void) => (event: KeyboardEvent) => {
	const target = event.target as HTMLElement | null;
	if (target?.closest('input, textarea, select, [role="dialog"]')) return;
	event.preventDefault();
	action();
};

/**
 * Listens to keys outside of fields.
 *
 * @returns ends it
 */
export const listenToKeys = (keys: Readonly<Record<string, () => void>>): (() => void) =>
	tinykeys(window, Object.fromEntries(Object.entries(keys).map(([key, action]) => [key, free(action)])));
