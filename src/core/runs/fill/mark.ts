import type { Entry, Meter } from '../../logbook/index.js';
import { countedBetween, litresPerUnit } from '../../rig/index.js';

/** How a meter counts: its direction, the litres of a displayed unit, and how true they are. */
export type Counter = Pick<Meter, 'counts' | 'unitL' | 'scale'>;

/**
 * What a meter shows when so many litres more have passed, displayed units: true litres = displayed × unitL × scale. The
 * inverse of `countedBetween`.
 *
 * @returns nothing where a counter that goes down would have stopped at 0 before
 */
export function showsAfter(meter: Counter, reads: number, litres: number): number | undefined {
	if (!(Number.isFinite(reads) && Number.isFinite(litres)))
		throw new RangeError(`a meter that shows ${reads} and ${litres} L more: both must be numbers`);
	const units = litres / litresPerUnit(meter);
	const shows = meter.counts === 'up' ? reads + units : reads - units;
	return shows < 0 ? undefined : shows;
}

/** Litres that passed from one figure to another, or why they cannot have. */
export type Passed =
	| { readonly kind: 'litres'; readonly litres: number }
	/** the meter counts the other way */
	| { readonly kind: 'backwards' }
	/** a counter that goes down stands at 0: that much, or more */
	| { readonly kind: 'stopped'; readonly litres: number };

/** What a meter counted from one figure to another, litres. */
export function passedBetween(meter: Counter, from: number, to: number): Passed {
	const { kind, litres } = countedBetween(meter, from, to);
	if (kind === 'backwards') return { kind };
	return meter.counts === 'down' && to <= 0 ? { kind: 'stopped', litres } : { kind, litres };
}

/**
 * What a meter on the filling hose should show now: its last reading, and what was filled through it since by the log.
 *
 * @param entries those that count, in order
 * @returns nothing when it was never read, or a fill since then has no litres
 */
export function lastShown(meter: Meter, entries: readonly Entry[]): number | undefined {
	let reads: number | undefined;
	for (const entry of entries) {
		if (entry.kind === 'reading' && entry.instrument === meter.id && typeof entry.value === 'number')
			reads = entry.value;
		else if (entry.kind === 'fill' && entry.tank === meter.tank && reads !== undefined)
			reads = entry.litres === undefined ? undefined : showsAfter(meter, reads, entry.litres);
	}
	return reads;
}
