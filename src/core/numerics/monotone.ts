type Knot = readonly [x: number, y: number];

/** The slope at each knot that keeps a rising table rising (Fritsch and Butland 1984, as in PCHIP). */
function slopes(knots: readonly Knot[]): readonly number[] {
	const secant = (i: number): number => {
		const [[x0, y0], [x1, y1]] = [knots[i] as Knot, knots[i + 1] as Knot];
		return (y1 - y0) / (x1 - x0);
	};
	return knots.map((_, i) => {
		if (i === 0) return secant(0);
		if (i === knots.length - 1) return secant(i - 1);
		const [before, after] = [secant(i - 1), secant(i)];
		return before * after <= 0 ? 0 : (2 * before * after) / (before + after);
	});
}

/**
 * Interpolates a strictly rising table with a monotone cubic (Fritsch and Carlson 1980); clamped to its ends.
 *
 * @param knots at least one [x, y], x strictly rising
 */
export function monotoneCubic(knots: readonly Knot[], x: number): number {
	const first = knots[0];
	const last = knots.at(-1);
	if (!first || !last) throw new RangeError('the table has no rows; give at least one');
	if (x <= first[0]) return first[1];
	if (x >= last[0]) return last[1];
	const i = knots.findIndex(([knotX]) => knotX > x) - 1;
	const [[x0, y0], [x1, y1]] = [knots[i] as Knot, knots[i + 1] as Knot];
	const rise = slopes(knots.slice(Math.max(0, i - 1), i + 3));
	const offset = i === 0 ? 0 : 1;
	const [m0, m1] = [rise[offset] ?? 0, rise[offset + 1] ?? 0];
	const width = x1 - x0;
	const t = (x - x0) / width;
	// Cubic Hermite basis.
	return (
		y0 * (1 + 2 * t) * (1 - t) ** 2 +
		m0 * width * t * (1 - t) ** 2 +
		y1 * t * t * (3 - 2 * t) +
		m1 * width * t * t * (t - 1)
	);
}
