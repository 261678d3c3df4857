/** A corner of a tank's cross-section: [y, z] in millimetres. */
export type Corner = readonly [number, number];

const turn = (a: Corner, b: Corner, c: Corner): number =>
	Math.sign((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]));

const within = (a: Corner, b: Corner, c: Corner): boolean =>
	Math.min(a[0], b[0]) <= c[0] &&
	c[0] <= Math.max(a[0], b[0]) &&
	Math.min(a[1], b[1]) <= c[1] &&
	c[1] <= Math.max(a[1], b[1]);

/** Whether the closed segments ab and cd share a point (orientation test; touching counts). */
function segmentsMeet(a: Corner, b: Corner, c: Corner, d: Corner): boolean {
	const [abc, abd, cda, cdb] = [turn(a, b, c), turn(a, b, d), turn(c, d, a), turn(c, d, b)];
	if (abc !== abd && cda !== cdb) return true;
	return (
		(abc === 0 && within(a, b, c)) ||
		(abd === 0 && within(a, b, d)) ||
		(cda === 0 && within(c, d, a)) ||
		(cdb === 0 && within(c, d, b))
	);
}

/**
 * Finds two sides of a closed outline that cross, touch or fold back over each other.
 *
 * @returns the indices of the two sides (side i runs from corner i to corner i + 1), or `undefined` when the
 * outline is a simple polygon.
 */
export function crossingSides(outline: readonly Corner[]): readonly [number, number] | undefined {
	const n = outline.length;
	const corner = (i: number): Corner => outline[i % n] as Corner;
	for (let i = 0; i < n; i++) {
		if (corner(i)[0] === corner(i + 1)[0] && corner(i)[1] === corner(i + 1)[1]) return [i, (i + 1) % n];
		for (let j = i + 1; j < n; j++) {
			const neighbours = j === i + 1 || (i === 0 && j === n - 1);
			if (
				neighbours
					? foldsBack(corner, i, j, n)
					: segmentsMeet(corner(i), corner(i + 1), corner(j), corner(j + 1))
			)
				return [i, j];
		}
	}
	return undefined;
}

/** Two neighbouring sides share a corner; they are wrong only when one runs back over the other. */
function foldsBack(corner: (i: number) => Corner, i: number, j: number, n: number): boolean {
	const first = j === i + 1 ? i : j;
	const [a, b, c] = [corner(first), corner(first + 1), corner((first + 2) % n)];
	return turn(a, b, c) === 0 && (a[0] - b[0]) * (c[0] - b[0]) + (a[1] - b[1]) * (c[1] - b[1]) > 0;
}

/** Twice the signed area of an outline, mm² (shoelace formula); positive when it runs counter-clockwise. */
export const doubleArea = (outline: readonly Corner[]): number =>
	outline.reduce((sum, [y, z], i) => {
		const [nextY, nextZ] = outline[(i + 1) % outline.length] as Corner;
		return sum + y * nextZ - nextY * z;
	}, 0);
