/** The p-quantile of sorted numbers, type 7 of Hyndman and Fan (1996): linear between order statistics. */
export function quantileSorted(sorted: Float64Array, p: number): number {
	if (sorted.length === 0) throw new RangeError('there is no quantile of nothing; give at least one number');
	const position = (sorted.length - 1) * p;
	const below = Math.floor(position);
	const low = sorted[below] ?? 0;
	const high = sorted[Math.min(below + 1, sorted.length - 1)] ?? low;
	return low + (position - below) * (high - low);
}

export interface Spread {
	readonly p10: number;
	readonly p50: number;
	readonly p90: number;
}

/** The 10, 50 and 90 % points of some numbers. Sorts them in place. */
export function spreadOf(values: Float64Array): Spread {
	const same = values[0] ?? 0;
	// Most days far ahead are all alike: the tank has long come to its end.
	if (values.every((value) => value === same)) return { p10: same, p50: same, p90: same };
	values.sort();
	return {
		p10: quantileSorted(values, 0.1),
		p50: quantileSorted(values, 0.5),
		p90: quantileSorted(values, 0.9)
	};
}
