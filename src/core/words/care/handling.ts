import { sayWhen } from '../when.js';

/** That a tank is frozen, until when as far as it is known, and what follows. */
export function sayFrozen(
	name: string,
	untilMs: number | undefined,
	nowMs: number,
	timeZone: string
): string {
	const until = untilMs === undefined ? '' : `, expected ${sayWhen(untilMs, nowMs, timeZone)}`;
	return `${name} is frozen: it can’t be emptied until it thaws${until}. Plans don’t count on dumping it.`;
}

/** How a valve is thawed. */
export const THAW_CAUTION =
	'Thaw it with warm air or warm water, never with a flame. Until then an open grey valve over a bucket, where that is allowed, beats a frozen one.';

/** Before a black tank is treated. */
export const TREATMENT_CAUTION =
	'The label comes first. Wear gloves; use one product at a time; some dump points take only certain ones.';

/** What the doses rest on. */
export const DOSES_CAUTION =
	'This is arithmetic only. Your health authority and the label decide what to use, and whether.';

/** What age does to bleach. */
export const BLEACH_AGES = 'It weakens: about a fifth in a year, more in heat.';

/** Which tank is to be swapped, poured or switched now, and the caution of it. */
export const sayNeeded = (of: { readonly name: string; readonly holds: string }, other: string): string =>
	of.holds === 'fresh'
		? `${of.name} is down to its reserve: ${other} is needed.`
		: `${of.name} is almost full: ${other} is needed. Wear gloves. Carry it level, lid tight.`;

/** What is wrong with a Y-valve to sea where nothing may go overboard. */
export const sayValveToSea = (place: string): string =>
	`You marked ${place}: nothing may go overboard. Shut and secure seacock and Y-valve.`;

/** That no frost is known of. */
export const NO_FROST = 'No frost in the next three nights, going by your stops and the field below.';

/** What to tick once a tank's water was treated. */
export const TICK_TREATED =
	'Then tick a task that “treats what is in the tank” under Care: the water counts as treated until you fill again.';
