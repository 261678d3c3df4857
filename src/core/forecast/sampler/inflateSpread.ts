/**
 * Brings some paths so many times as far from their mean: where forecasts have been sharper than they should have been, or
 * duller. The mean stays.
 */
export function inflateSpread(values: Float64Array, active: ArrayLike<number>, by: number): void {
	if (by === 1 || active.length === 0) return;
	let sum = 0;
	for (let k = 0; k < active.length; k++) sum += values[active[k] as number] as number;
	const mean = sum / active.length;
	for (let k = 0; k < active.length; k++) {
		const path = active[k] as number;
		values[path] = mean + by * ((values[path] as number) - mean);
	}
}
