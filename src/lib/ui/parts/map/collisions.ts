/** A box on the screen, px. */
export interface Box {
	readonly left: number;
	readonly top: number;
	readonly right: number;
	readonly bottom: number;
}

/** A line through places on the screen, px. */
export type ScreenLine = readonly (readonly [x: number, y: number])[];

export const overlap = (a: Box, b: Box): boolean =>
	a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** Whether a line runs through a box: a stretch of it is cut at the sides of the box (Liang and Barsky 1984). */
export function crosses(line: ScreenLine, box: Box): boolean {
	return line.some((from, i) => {
		const to = line[i + 1];
		if (!to) return false;
		const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
		let [enters, leaves] = [0, 1];
		for (const [step, room] of [
			[-dx, from[0] - box.left],
			[dx, box.right - from[0]],
			[-dy, from[1] - box.top],
			[dy, box.bottom - from[1]]
		] as const) {
			if (step === 0) {
				if (room < 0) return false;
				continue;
			}
			const at = room / step;
			if (step < 0) enters = Math.max(enters, at);
			else leaves = Math.min(leaves, at);
		}
		return enters <= leaves;
	});
}

const moved = (box: Box, [x, y]: readonly [number, number]): Box => ({
	left: box.left + x,
	right: box.right + x,
	top: box.top + y,
	bottom: box.bottom + y
});

/** Where a sign may stand instead of at its place: under it, over it, beside it. */
const shiftsOf = ({ left, right, top, bottom }: Box, by: number): readonly (readonly [number, number])[] => {
	const [w, h] = [(right - left) / 2 + by, (bottom - top) / 2 + by];
	return [
		[0, 0],
		[0, h],
		[0, -h],
		[w, 0],
		[-w, 0],
		[w, h],
		[-w, h]
	];
};

/**
 * Where boxes stand that must hide none of those that came first: the first place beside their own that is free; their own where none is.
 *
 * @param fixed boxes that stay
 * @param movable boxes in the order in which they choose
 * @param by how far beside its place one may stand, px
 */
export function beside(
	fixed: readonly Box[],
	movable: readonly Box[],
	by: number
): readonly (readonly [x: number, y: number])[] {
	return movable.map(
		(box) =>
			shiftsOf(box, by).find((one) => !fixed.some((other) => overlap(moved(box, one), other))) ?? [0, 0]
	);
}
