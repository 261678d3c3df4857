import { monotoneCubic } from '../../numerics/index.js';
import type { Corner, Shape } from '../../logbook/index.js';
import { cylinderFlatMm3, cylinderUprightMm3, prismMm3, type Surface } from './volume.js';

/** How a rig stands: roll positive to starboard, pitch positive bow up, both in degrees, at most 45 either way. */
export interface Lean {
	readonly rollDeg?: number | undefined;
	readonly pitchDeg?: number | undefined;
}
/** Where the rod stands in the tank: x forward, y to port of the tank's origin, millimetres. */
export interface RodPlace {
	readonly xMm: number;
	readonly yMm: number;
}

/** No rig leans more than this, degrees. */
export const STEEPEST_DEG = 45;

const boxOutline = (widthMm: number, heightMm: number): readonly Corner[] => [
	[-widthMm / 2, 0],
	[widthMm / 2, 0],
	[widthMm / 2, heightMm],
	[-widthMm / 2, heightMm]
];

/** The heights at which the upright line through y crosses an outline, rising; mm. */
function crossings(outline: readonly Corner[], yMm: number): readonly number[] {
	const ys = outline.map(([y]) => y);
	const [min, max] = [Math.min(...ys), Math.max(...ys)];
	if (!(yMm >= min && yMm <= max)) return [];
	// On the very edge, look a hair inside: a line along an upright wall has no crossings of its own.
	const y = Math.min(Math.max(yMm, min + (max - min) * 1e-9), max - (max - min) * 1e-9);
	const heights = outline.flatMap(([y0, z0], i) => {
		const [y1, z1] = outline[(i + 1) % outline.length] as Corner;
		return y0 <= y !== y1 <= y ? [z0 + ((y - y0) / (y1 - y0)) * (z1 - z0)] : [];
	});
	return heights.sort((a, b) => a - b);
}

/** The middle of a prism's outline from side to side, where a rod stands when nothing else is said; mm. */
const middle = (outline: readonly Corner[]): number => {
	const ys = outline.map(([y]) => y);
	return (Math.min(...ys) + Math.max(...ys)) / 2;
};

/** Where the rod stands when the logbook does not say. */
export const defaultRodPlace = (shape: Shape): RodPlace => ({
	xMm: 0,
	yMm: shape.form === 'prism' ? middle(shape.outline) : 0
});

/** The part of the rod that is inside the tank, from its foot up. */
export interface RodSpan {
	readonly footMm: number;
	readonly topMm: number;
}

/** Where a rod at a place begins and ends inside the tank, in tank heights; `undefined` when it misses the tank. */
export function rodSpan(shape: Shape, at: RodPlace = defaultRodPlace(shape)): RodSpan | undefined {
	const { xMm, yMm } = at;
	switch (shape.form) {
		case 'table': {
			return { footMm: 0, topMm: shape.rows.at(-1)?.depthMm ?? 0 };
		}
		case 'box':
			return Math.abs(xMm) <= shape.lengthMm / 2 && Math.abs(yMm) <= shape.widthMm / 2
				? { footMm: 0, topMm: shape.heightMm }
				: undefined;
		case 'cylinder': {
			const radius = shape.diameterMm / 2;
			if (shape.lies === 'upright')
				return Math.hypot(xMm, yMm) <= radius ? { footMm: 0, topMm: shape.lengthMm } : undefined;
			if (!(Math.abs(xMm) <= shape.lengthMm / 2 && Math.abs(yMm) <= radius)) return undefined;
			const half = Math.sqrt(radius ** 2 - yMm ** 2);
			return { footMm: radius - half, topMm: radius + half };
		}
		case 'prism': {
			const [footMm, topMm] = Math.abs(xMm) <= shape.lengthMm / 2 ? crossings(shape.outline, yMm) : [];
			return footMm === undefined || topMm === undefined ? undefined : { footMm, topMm };
		}
	}
}

const tangent = (degrees: number, name: string): number => {
	if (!(Math.abs(degrees) <= STEEPEST_DEG))
		throw new RangeError(`${name} is ${degrees}°; tilt is at most ${STEEPEST_DEG}° either way`);
	return Math.tan((degrees * Math.PI) / 180);
};

function cubicMillimetres(shape: Exclude<Shape, { form: 'table' }>, surface: Surface): number {
	switch (shape.form) {
		case 'box':
			return prismMm3(boxOutline(shape.widthMm, shape.heightMm), shape.lengthMm, surface);
		case 'prism':
			return prismMm3(shape.outline, shape.lengthMm, surface);
		case 'cylinder':
			return shape.lies === 'flat'
				? cylinderFlatMm3(shape.diameterMm / 2, shape.lengthMm, surface)
				: cylinderUprightMm3(shape.diameterMm / 2, shape.lengthMm, surface);
	}
}

/**
 * The liquid in a tank when a rod is wet to a depth. Exact but for rounding; a table is interpolated with a
 * monotone cubic and knows no lean.
 *
 * @param depthMm wet length of the rod from the inside floor at its foot; clamped to the rod's inside span
 * @param at where the rod stands; the middle when absent
 * @returns litres under the surface, inside the tank
 * @throws RangeError when a number is not finite, the lean is over 45° or the rod misses the tank
 */
export function litresAt(
	shape: Shape,
	depthMm: number,
	lean: Lean = {},
	at: RodPlace = defaultRodPlace(shape)
): number {
	if (!Number.isFinite(depthMm))
		throw new RangeError(`depthMm is ${depthMm}; a depth is a finite number of millimetres`);
	const pitch = tangent(lean.pitchDeg ?? 0, 'pitchDeg');
	const roll = tangent(lean.rollDeg ?? 0, 'rollDeg');
	if (shape.form === 'table') {
		const rows = shape.rows.map(({ depthMm: x, litres: y }) => [x, y] as const);
		return monotoneCubic(rows, depthMm);
	}
	const span = rodSpan(shape, at);
	if (!span) throw new RangeError(`the dipstick at x ${at.xMm} mm, y ${at.yMm} mm is outside the tank`);
	const wetTopMm = span.footMm + Math.min(Math.max(depthMm, 0), span.topMm - span.footMm);
	const surface = { alongX: pitch, alongY: roll, atOrigin: wetTopMm + at.xMm * pitch + at.yMm * roll };
	return cubicMillimetres(shape, surface) / 1e6;
}

/** Height of a shape above its lowest floor, mm; of a table, its deepest row. */
export function heightMm(shape: Shape): number {
	switch (shape.form) {
		case 'box':
			return shape.heightMm;
		case 'cylinder':
			return shape.lies === 'flat' ? shape.diameterMm : shape.lengthMm;
		case 'prism':
			return Math.max(...shape.outline.map(([, z]) => z));
		case 'table':
			return shape.rows.at(-1)?.depthMm ?? 0;
	}
}

/** All that a shape holds, litres. */
export function fullLitres(shape: Shape): number {
	if (shape.form === 'table') return shape.rows.at(-1)?.litres ?? 0;
	return cubicMillimetres(shape, { alongX: 0, alongY: 0, atOrigin: heightMm(shape) }) / 1e6;
}

const INVERSE_STEPS = 60;

/**
 * The wet length of the rod for a volume: the inverse of `litresAt`, by bisection (volume never falls with
 * depth). Clamped to the rod: volumes that a leaning rod cannot show give its foot or its top.
 *
 * @returns millimetres, to better than 0.001
 * @throws RangeError as `litresAt`
 */
export function depthFor(
	shape: Shape,
	litres: number,
	lean: Lean = {},
	at: RodPlace = defaultRodPlace(shape)
): number {
	if (!Number.isFinite(litres))
		throw new RangeError(`litres is ${litres}; a volume is a finite number of litres`);
	const span = rodSpan(shape, at);
	if (!span) throw new RangeError(`the dipstick at x ${at.xMm} mm, y ${at.yMm} mm is outside the tank`);
	let [low, high] = [0, span.topMm - span.footMm];
	for (let i = 0; i < INVERSE_STEPS; i++) {
		const mid = (low + high) / 2;
		if (litresAt(shape, mid, lean, at) < litres) low = mid;
		else high = mid;
	}
	return (low + high) / 2;
}
