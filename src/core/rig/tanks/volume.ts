import type { Corner } from '../../logbook/index.js';

/** A liquid's surface in tank axes: z = atOrigin − alongX·x − alongY·y, millimetres. */
export interface Surface {
	readonly alongX: number;
	readonly alongY: number;
	readonly atOrigin: number;
}

/** A rise of less than this over a side or a tank, mm, is level. */
const LEVEL_MM = 1e-3;

/**
 * Liquid in a prism along x, mm³, in one pass over the outline's corners.
 *
 * At a point of the cross-section whose height over the leaning floor line is w = z + alongY·y, the wet length
 * along x is ℓ(w): all of it below the surface's lower end, none above its upper end, a straight line between.
 * The volume is ∬ ℓ(w) dy dw over the sheared outline, by Green's theorem ∮ g(w) dy with g(w) = ∫_w^∞ ℓ, and each
 * straight side gives Δy times the mean of g along it, from its antiderivative. Exact but for rounding.
 */
export function prismMm3(outline: readonly Corner[], lengthMm: number, surface: Surface): number {
	const half = (Math.abs(surface.alongX) * lengthMm) / 2;
	const [low, high] = [surface.atOrigin - half, surface.atOrigin + half];
	/** ∫_w^∞ ℓ, per mm of length */
	const above = (w: number): number =>
		w >= high ? 0 : w <= low ? surface.atOrigin - w : (high - w) ** 2 / (4 * half);
	/** ∫_w^∞ of that */
	const twice = (w: number): number =>
		w >= high
			? 0
			: w <= low
				? ((surface.atOrigin - w) ** 2 - half ** 2) / 2 + (2 * half ** 2) / 3
				: (high - w) ** 3 / (12 * half);
	let sum = 0;
	for (let i = 0; i < outline.length; i++) {
		const [y0, z0] = outline[i] as Corner;
		const [y1, z1] = outline[(i + 1) % outline.length] as Corner;
		const [w0, w1] = [z0 + surface.alongY * y0, z1 + surface.alongY * y1];
		const rise = w1 - w0;
		// Along a side that hardly rises the quotient would cancel; Simpson's rule is then exact to rounding.
		const mean =
			Math.abs(rise) < LEVEL_MM
				? (above(w0) + 4 * above((w0 + w1) / 2) + above(w1)) / 6
				: (twice(w0) - twice(w1)) / rise;
		sum += (y1 - y0) * mean;
	}
	return lengthMm * Math.abs(sum);
}

/** Area of a disc of radius r below a chord at distance d above its centre: r² acos(−d/r) + d √(r² − d²). */
const discBelow = (r: number, d: number): number => {
	if (d <= -r) return 0;
	if (d >= r) return Math.PI * r * r;
	return r * r * Math.acos(-d / r) + d * Math.sqrt(r * r - d * d);
};

/** The antiderivative of `discBelow` in d, zero for d ≤ −r: d·A(d) + ⅔ (r² − d²)^{3/2} (by parts). */
const discBelowIntegral = (r: number, d: number): number =>
	d <= -r ? 0 : d * discBelow(r, d) + (2 / 3) * Math.max(0, r * r - d * d) ** 1.5;

/** Liquid in a cylinder that lies along x, lowest line at z = 0; mm³. */
export function cylinderFlatMm3(radiusMm: number, lengthMm: number, surface: Surface): number {
	const tilt = Math.hypot(1, surface.alongY);
	const distance = (xMm: number): number => (surface.atOrigin - surface.alongX * xMm - radiusMm) / tilt;
	const [low, high] = [distance(lengthMm / 2), distance(-lengthMm / 2)].sort((a, b) => a - b) as [
		number,
		number
	];
	// Nearly level, the difference of antiderivatives would cancel; Simpson's error is then far below rounding.
	if (high - low < radiusMm * 1e-3) {
		const mid = discBelow(radiusMm, (low + high) / 2);
		return (lengthMm / 6) * (discBelow(radiusMm, low) + 4 * mid + discBelow(radiusMm, high));
	}
	return (lengthMm * (discBelowIntegral(radiusMm, high) - discBelowIntegral(radiusMm, low))) / (high - low);
}

/** Liquid in an upright cylinder standing on z = 0; mm³. */
export function cylinderUprightMm3(radiusMm: number, heightMm: number, surface: Surface): number {
	// Turned about its axis, the surface falls along one direction u alone: depth(u) = atOrigin − slope·u.
	const slope = Math.hypot(surface.alongX, surface.alongY);
	if (slope * radiusMm < LEVEL_MM)
		return Math.PI * radiusMm ** 2 * Math.min(Math.max(surface.atOrigin, 0), heightMm);
	/** ∫ over the disc of max(0, c − slope·u) du = slope × antiderivative of the disc's area at c/slope. */
	const wedge = (c: number): number => {
		const d = c / slope;
		return slope * discBelowIntegral(radiusMm, d);
	};
	return wedge(surface.atOrigin) - wedge(surface.atOrigin - heightMm);
}
