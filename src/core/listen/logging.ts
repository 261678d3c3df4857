import { instantMs, type Entry, type EntryOf, type Happening, type Meter } from '../logbook/index.js';
import { HOUR_MS } from '../time/index.js';
import type { Showing } from './counted.js';
import { ROUNDING } from './device.js';
import type { HeardUse } from './listen.js';

const rounded = (litres: number): number => Math.round(litres * 100) / 100;
const iso = (ms: number): string => new Date(ms).toISOString();

/** What an entry has of a use that was heard: its litres, how sure they are, from when to when. */
function measured(use: HeardUse, meter: Meter, stepL: number) {
	const sdL = Math.hypot(ROUNDING * stepL, (meter.sdFraction ?? 0.02) * use.litres);
	return {
		litres: rounded(use.litres),
		sdL: Math.max(0.01, rounded(sdL)),
		heard: { meter: meter.id, from: iso(use.fromMs), until: iso(use.toMs) }
	};
}

/** How a use is logged that was heard, but for its moment. */
export function useDraft(
	use: HeardUse,
	habit: string,
	meter: Meter,
	{ stepL, unasked = false }: { readonly stepL: number; readonly unasked?: boolean }
): Extract<Happening, { kind: 'use' }> {
	const { heard, ...litres } = measured(use, meter, stepL);
	return {
		kind: 'use',
		habit,
		times: 1,
		source: 'meter',
		...litres,
		heard: { ...heard, ...(unasked ? { unasked: true } : {}) }
	};
}

/** An entry that somebody wrote by hand, or that was heard before it had ended, with what was heard of it; what a person measured stands. */
export function joined(entry: EntryOf<'use'>, use: HeardUse, meter: Meter, stepL: number): EntryOf<'use'> {
	const { heard, ...litres } = measured(use, meter, stepL);
	return {
		...entry,
		...(entry.litres === undefined || entry.heard ? litres : {}),
		heard: { ...entry.heard, ...heard }
	};
}

/** A meter that counts by itself is read for the log so often, ms. */
const EVERY_MS = 6 * HOUR_MS;

/** A reading that is to be logged. */
export interface ReadingDue {
	readonly atMs: number;
	readonly value: number;
}

/**
 * What the log is to have of a meter's readings: one every six hours in which it was heard, none where somebody read it about then.
 *
 * @param entries of the rig
 * @param showings in the order of time
 */
export function readingsDue(
	meter: Meter,
	entries: readonly Entry[],
	showings: readonly Showing[]
): readonly ReadingDue[] {
	const read = entries
		.filter((entry) => entry.kind === 'reading' && entry.instrument === meter.id && !entry.void)
		.map(({ at }) => instantMs(at));
	const due: ReadingDue[] = [];
	for (const [i, [atMs, value]] of showings.entries()) {
		const isLastOfStretch =
			Math.floor(atMs / EVERY_MS) !== Math.floor((showings[i + 1]?.[0] ?? atMs) / EVERY_MS);
		if (isLastOfStretch && !read.some((ms) => Math.abs(ms - atMs) < EVERY_MS / 2)) due.push({ atMs, value });
	}
	return due;
}
