import { quantileSorted } from 'd3-array';

/** The 10, 50 and 90 % points of a figure. */
export interface Spread {
	readonly p10: number;
	readonly p50: number;
	readonly p90: number;
}

/** The 10, 50 and 90 % points of some numbers (type 7 of Hyndman and Fan 1996). Sorts them in place. */
export function spreadOf(values: Float64Array): Spread {
	const same = values[0] ?? 0;
	// Most days far ahead are all alike: the tank has long come to its end.
	if (values.every((value) => value === same)) return { p10: same, p50: same, p90: same };
	values.sort();
	// Its types know lists only; a typed array is read in the same way.
	const sorted = values as unknown as number[];
	const at = (p: number): number => quantileSorted(sorted, p) ?? same;
	return { p10: at(0.1), p50: at(0.5), p90: at(0.9) };
}

/** A point of some numbers in rising order (type 7 of Hyndman and Fan 1996). */
export const quantileOf = (sorted: Float64Array, share: number): number =>
	quantileSorted(sorted as unknown as number[], share) ?? Number.NaN;
