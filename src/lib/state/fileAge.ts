import { DAY_MS } from '$core/time';
import type { TabsHere } from './presence.svelte';

/** A file older than this, with so many entries since, is worth a word. */
const OLD_DAYS = 14;
const MANY_SINCE = 20;

/** Whether it is time to save a file again, or for the first time. */
export function isFileOld(here: TabsHere | undefined, nowMs: number): boolean {
	if (!here) return false;
	const since = here.entries - (here.savedEntries ?? 0);
	return since >= MANY_SINCE && nowMs - (here.savedMs ?? here.beganMs ?? 0) > OLD_DAYS * DAY_MS;
}
