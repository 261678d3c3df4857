import type { Corner, Shape } from '../../logbook/index.js';
import { heightMm, litresAt, type Lean, type RodPlace } from './shape.js';

/** At which corner of the floor the drain sits. */
export interface DrainCorner {
	readonly end: 'fore' | 'aft';
	readonly side: 'port' | 'starboard';
}

type Formed = Exclude<Shape, { form: 'table' }>;

const formed = (shape: Shape): Formed => {
	if (shape.form === 'table')
		throw new RangeError('a depth table has no corners; enter the tank’s shape to see what stays in it');
	return shape;
};

/** Corners of an outline this close to the lowest are its floor, mm. */
const FLOOR_MM = 1;

/** Where a drain at a corner sits, in tank axes: the outermost point of the lowest floor on that side. */
export function drainPlace(given: Shape, { end, side }: DrainCorner): RodPlace {
	const shape = formed(given);
	const fore = end === 'fore' ? 1 : -1;
	const port = side === 'port' ? 1 : -1;
	switch (shape.form) {
		case 'box':
			return { xMm: (fore * shape.lengthMm) / 2, yMm: (port * shape.widthMm) / 2 };
		case 'cylinder': {
			if (shape.lies === 'flat') return { xMm: (fore * shape.lengthMm) / 2, yMm: 0 };
			// A hair inside the rim, where a rod may stand.
			const rim = (shape.diameterMm / 2) * Math.SQRT1_2 * (1 - 1e-9);
			return { xMm: fore * rim, yMm: port * rim };
		}
		case 'prism': {
			const lowest = Math.min(...shape.outline.map(([, z]) => z));
			const floor = shape.outline.filter(([, z]) => z <= lowest + FLOOR_MM).map(([y]) => y);
			return {
				xMm: (fore * shape.lengthMm) / 2,
				yMm: port > 0 ? Math.max(...floor) : Math.min(...floor)
			};
		}
	}
}

const isConvex = (outline: readonly Corner[]): boolean => {
	const turns = outline.map(([y0, z0], i) => {
		const [y1, z1] = outline[(i + 1) % outline.length] as Corner;
		const [y2, z2] = outline[(i + 2) % outline.length] as Corner;
		return (y1 - y0) * (z2 - z1) - (z1 - z0) * (y2 - y1);
	});
	return turns.every((t) => t >= -1e-9) || turns.every((t) => t <= 1e-9);
};

const CELLS = 44;

const insideOutline = (outline: readonly Corner[], y: number, z: number): boolean =>
	outline.reduce((inside, [ya, za], i) => {
		const [yb, zb] = outline[(i + 1) % outline.length] as Corner;
		return za > z !== zb > z && y < ya + ((z - za) / (zb - za)) * (yb - ya) ? !inside : inside;
	}, false);

/**
 * What stays in a prism with pockets, litres, on a grid of cells: cells are flooded in the order of their height
 * over the leaning floor; a pool that meets what already drains keeps all below the sill where they meet
 * (union–find; the priority flood of Barnes, Lehman and Mulla 2014 read the other way round).
 */
function trappedL(shape: Extract<Formed, { form: 'prism' }>, drain: RodPlace, lean: Lean): number {
	const { outline, lengthMm } = shape;
	const ys = outline.map(([y]) => y);
	const zs = outline.map(([, z]) => z);
	const [yMin, zMin] = [Math.min(...ys), Math.min(...zs)];
	const [dx, dy, dz] = [lengthMm / CELLS, (Math.max(...ys) - yMin) / CELLS, (Math.max(...zs) - zMin) / CELLS];
	const [roll, pitch] = [lean.rollDeg ?? 0, lean.pitchDeg ?? 0].map((deg) =>
		Math.tan((deg * Math.PI) / 180)
	) as [number, number];
	const size = CELLS ** 3;
	const height = new Float64Array(size).fill(Infinity);
	let drainCell = 0;
	let nearest = Infinity;
	for (let j = 0; j < CELLS; j++)
		for (let k = 0; k < CELLS; k++) {
			const [y, z] = [yMin + (j + 0.5) * dy, zMin + (k + 0.5) * dz];
			if (!insideOutline(outline, y, z)) continue;
			for (let i = 0; i < CELLS; i++) {
				const x = -lengthMm / 2 + (i + 0.5) * dx;
				const cell = (i * CELLS + j) * CELLS + k;
				height[cell] = z + x * pitch + y * roll;
				const away = (x - drain.xMm) ** 2 + (y - drain.yMm) ** 2 + (z - zMin) ** 2;
				if (away < nearest) [nearest, drainCell] = [away, cell];
			}
		}
	const order = Uint32Array.from(Array.from(height.keys()).filter((cell) => height[cell] !== Infinity)).sort(
		(a, b) => (height[a] ?? 0) - (height[b] ?? 0)
	);
	const parent = new Int32Array(size).fill(-1);
	const members = new Int32Array(size);
	const root = (cell: number): number => {
		let r = cell;
		while (parent[r] !== r) r = parent[r] = parent[parent[r] ?? r] ?? r;
		return r;
	};
	const drains = new Uint8Array(size);
	let trapped = 0;
	for (const cell of order) {
		parent[cell] = cell;
		members[cell] = 1;
		const [i, j, k] = [Math.floor(cell / CELLS ** 2), Math.floor(cell / CELLS) % CELLS, cell % CELLS];
		const around = [
			i > 0 ? cell - CELLS ** 2 : -1,
			i < CELLS - 1 ? cell + CELLS ** 2 : -1,
			j > 0 ? cell - CELLS : -1,
			j < CELLS - 1 ? cell + CELLS : -1,
			k > 0 ? cell - 1 : -1,
			k < CELLS - 1 ? cell + 1 : -1
		].filter((next) => next >= 0 && parent[next] !== -1);
		const roots = [...new Set(around.map(root))];
		const dry = cell === drainCell || roots.some((r) => drains[r] === 1);
		for (const r of roots) {
			if (dry && drains[r] === 0) trapped += members[r] ?? 0;
			parent[r] = cell;
			members[cell] = (members[cell] ?? 0) + (members[r] ?? 0);
		}
		drains[cell] = dry ? 1 : 0;
	}
	return (trapped * dx * dy * dz) / 1e6;
}

/**
 * What a drain leaves behind on a slope, litres. In a convex tank it is all that lies below the plane through the
 * drain, exactly; in one with pockets, what each pocket's sill holds back, to about 1 % of the tank.
 *
 * @throws RangeError for a table, which has no form, or a lean over 45°
 */
export function undrainedL(given: Shape, corner: DrainCorner, lean: Lean = {}): number {
	const shape = formed(given);
	const place = drainPlace(shape, corner);
	if (shape.form === 'prism' && !isConvex(shape.outline)) return trappedL(shape, place, lean);
	return litresAt(shape, 0, lean, place);
}

/** Which way to lean, degrees, and what then stays, litres. */
export interface LeanAdvice {
	readonly rollDeg: number;
	readonly pitchDeg: number;
	/** what stays when leaning so, litres */
	readonly leftL: number;
}

/** Which way to lean, by no more than `byDeg` each way, so that least stays; level when nothing is gained. */
export function bestLean(shape: Shape, corner: DrainCorner, byDeg = 2): LeanAdvice {
	const ways = [0, -byDeg, byDeg];
	return ways
		.flatMap((rollDeg) =>
			ways.map((pitchDeg) => ({ rollDeg, pitchDeg, leftL: undrainedL(shape, corner, { rollDeg, pitchDeg }) }))
		)
		.reduce((best, one) =>
			one.leftL < best.leftL - 1e-3 * Math.max(1, heightMm(shape) / 1000) ? one : best
		);
}
