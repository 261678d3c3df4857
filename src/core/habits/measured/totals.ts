import type { Entry } from '../../logbook/index.js';

/** What some entries add up to, litres; what was not measured counts at the believed litres of one time. */
export interface Totals {
	readonly usedL: number;
	readonly filledL: number;
	/** fills of which nobody knows how much went in */
	readonly unmeasuredFills: number;
	readonly dumps: number;
}

/**
 * Adds up entries; void ones do not count.
 *
 * @param litresEach litres of one time by habit
 */
export function totalsOf(entries: readonly Entry[], litresEach: ReadonlyMap<string, number>): Totals {
	let [usedL, filledL, unmeasuredFills, dumps] = [0, 0, 0, 0];
	for (const entry of entries) {
		if (entry.void) continue;
		if (entry.kind === 'use') usedL += entry.litres ?? entry.times * (litresEach.get(entry.habit) ?? 0);
		else if (entry.kind === 'dump') dumps++;
		else if (entry.kind === 'fill') {
			filledL += entry.litres ?? 0;
			if (entry.litres === undefined) unmeasuredFills++;
		}
	}
	return { usedL, filledL, unmeasuredFills, dumps };
}
