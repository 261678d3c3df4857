import { doubleArea, type Corner } from '../logbook/index.js';

/** A liquid's surface in tank axes: z = atOrigin − alongX·x − alongY·y, millimetres. */
export interface Surface {
	readonly alongX: number;
	readonly alongY: number;
	readonly atOrigin: number;
}

/** Below this rise over the tank's length (mm) a slope along x is nothing but rounding. */
const LEVEL_MM = 1e-6;

/** The area of an outline below the line z + slope·y = height; mm² (clipping by Sutherland and Hodgman, 1974). */
function areaBelow(outline: readonly Corner[], slope: number, height: number): number {
	const over = ([y, z]: Corner): number => z + slope * y - height;
	const kept = outline.flatMap((from, i): Corner[] => {
		const to = outline[(i + 1) % outline.length] as Corner;
		const [a, b] = [over(from), over(to)];
		const inside: Corner[] = a <= 0 ? [from] : [];
		if (a < 0 !== b < 0 && a !== b) {
			const t = a / (a - b);
			inside.push([from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])]);
		}
		return inside;
	});
	return Math.abs(doubleArea(kept)) / 2;
}

/**
 * Liquid in a prism along x, mm³. The wet area is quadratic in the surface's height between the heights at
 * which it passes a corner, so Simpson's rule over each such piece is exact.
 */
export function prismMm3(outline: readonly Corner[], lengthMm: number, surface: Surface): number {
	const wet = (height: number): number => areaBelow(outline, surface.alongY, height);
	const rise = surface.alongX * lengthMm;
	if (Math.abs(rise) < LEVEL_MM) return lengthMm * wet(surface.atOrigin);
	const [from, to] = [surface.atOrigin - Math.abs(rise) / 2, surface.atOrigin + Math.abs(rise) / 2];
	const corners = outline
		.map(([y, z]) => z + surface.alongY * y)
		.filter((height) => height > from && height < to);
	const heights = [from, ...corners.sort((a, b) => a - b), to];
	const simpson = heights.slice(1).reduce((sum, top, i) => {
		const foot = heights[i] ?? from;
		return sum + ((top - foot) / 6) * (wet(foot) + 4 * wet((foot + top) / 2) + wet(top));
	}, 0);
	return simpson / Math.abs(surface.alongX);
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
