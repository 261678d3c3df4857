import { sayAgo } from './when.js';

/** That the logbook is in this browser, and whether there is a second copy of it. */
export const sayKeptHere = (copyTrouble: string | undefined): string =>
	`The logbook lives here and works without a network. ${copyTrouble ? `There is no second copy: ${copyTrouble}.` : 'A second copy is written with every entry.'}`;

/** How old the newest file is; with what has come since, where that is much. */
export function sayNewestFile(
	savedMs: number | undefined,
	since: number | undefined,
	nowMs: number,
	timeZone: string
): string {
	if (savedMs === undefined)
		return `It has not been saved to a file yet${since === undefined ? '.' : `, with ${since} entries in it. A file survives a lost phone.`}`;
	const from = `Its newest file is from ${sayAgo(savedMs, nowMs, timeZone)}`;
	return since === undefined
		? `${from}.`
		: `${from}, with ${since} entries since. A file survives a lost phone.`;
}

/** What a browser may do. */
export const MAY_BE_CLEARED = 'A browser short of space may clear it unless it promises not to.';
/** What happens when two logbooks come together. */
export const MERGES = 'Records merge by id, and the later edit wins; nothing is removed.';
/** How two people keep one log. */
export const TWO_OF_YOU =
	'If two of you keep the same log, “Share with someone” gives the other what they haven’t got yet: as a code, a link or a file, without a network. Entries merge, the later edit wins, and none is lost. Put your name on yours: “Your name on entries” below, or a tap beside the quick line.';
/** Before everything is removed. */
export const NO_UNDO = 'Removes everything from this browser. Save a copy first: you can’t undo this.';
/** Where everything stays. */
export const STAYS_HERE =
	'Everything stays in this browser and in the files you save; nothing is sent anywhere. Local codes and licensed practice come first.';
/** How a correction is kept. */
export const CORRECTION_REPLACES =
	'The entry keeps its place in the logbook; the correction replaces it, on other devices too once they merge.';
