import type { KeyValuePort } from '$lib/store';
import { dequal } from 'dequal';
import { KEY, type Preferences, type Prefs } from './prefs.svelte';

/** Told to other tabs: something was chosen. */
export const CHOSEN = 'dipsometer-chosen';

export function tellOthers(): void {
	const others = new BroadcastChannel(CHOSEN);
	others.postMessage(null);
	others.close();
}

/**
 * What is kept, by whatever tab, in place of what this one knows: each looks at a rig of its own, and what has stayed the same stays
 * the same object, so that nobody asks anew for it.
 */
export function keptBeside(now: Prefs, kept: Prefs): Prefs {
	const next = { ...kept, ...(kept.rig !== undefined && now.rig !== undefined && { rig: now.rig }) };
	if (dequal(next, now)) return now;
	const same = Object.entries(now).filter(([key, value]) => dequal(value, next[key as keyof Prefs]));
	return { ...next, ...Object.fromEntries(same) };
}

/** Lets go of all that is of a logbook or of who keeps it, in every tab; how things look here stays. */
export async function forgetChoices(prefs: Preferences, port: KeyValuePort): Promise<void> {
	const { units, theme, letterKeys, tiles } = prefs.current;
	const look = { units, theme, ...(letterKeys === undefined ? {} : { letterKeys }), ...(tiles && { tiles }) };
	await port.set(KEY, look);
	await prefs.follow();
	tellOthers();
}
