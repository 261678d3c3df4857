import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arch, box } from '../../../../tests/helpers/shapes.js';
import type { Shape } from '../../logbook/index.js';
import { defaultRodPlace, depthFor, fullLitres, litresAt, rodSpan } from '../index.js';

const flat: Shape = { form: 'cylinder', lies: 'flat', lengthMm: 800, diameterMm: 400 };
const upright: Shape = { form: 'cylinder', lies: 'upright', lengthMm: 500, diameterMm: 400 };
const bilge: Shape = {
	form: 'prism',
	lengthMm: 900,
	outline: [
		[0, 0],
		[400, 350],
		[-400, 350]
	]
};
const table: Shape = {
	form: 'table',
	rows: [
		{ depthMm: 0, litres: 0 },
		{ depthMm: 100, litres: 20 },
		{ depthMm: 250, litres: 80 }
	]
};

/**
 * The share of well-spread points (the R3 sequence of Roberts 2018) that lie in the tank under the surface, times the
 * box around it; shares nothing with the code under test but the stated convention. Litres.
 */
function counted(
	shape: Exclude<Shape, { form: 'table' }>,
	points: number,
	{ depth, foot, roll, pitch, x0, y0 }: Record<'depth' | 'foot' | 'roll' | 'pitch' | 'x0' | 'y0', number>
): number {
	const inside = (x: number, y: number, z: number): boolean => {
		if (shape.form === 'box') return true;
		if (shape.form === 'cylinder')
			return shape.lies === 'flat'
				? y * y + (z - shape.diameterMm / 2) ** 2 <= (shape.diameterMm / 2) ** 2
				: x * x + y * y <= (shape.diameterMm / 2) ** 2;
		let odd = false;
		const corners = shape.outline;
		for (let i = 0, j = corners.length - 1; i < corners.length; j = i++) {
			const [[ya, za], [yb, zb]] = [corners[i]!, corners[j]!];
			if (za > z !== zb > z && y < ya + ((z - za) / (zb - za)) * (yb - ya)) odd = !odd;
		}
		return odd;
	};
	const size =
		shape.form === 'box'
			? [shape.lengthMm, -shape.widthMm / 2, shape.widthMm / 2, shape.heightMm]
			: shape.form === 'prism'
				? [
						shape.lengthMm,
						Math.min(...shape.outline.map(([y]) => y)),
						Math.max(...shape.outline.map(([y]) => y)),
						Math.max(...shape.outline.map(([, z]) => z))
					]
				: shape.lies === 'flat'
					? [shape.lengthMm, -shape.diameterMm / 2, shape.diameterMm / 2, shape.diameterMm]
					: [shape.diameterMm, -shape.diameterMm / 2, shape.diameterMm / 2, shape.lengthMm];
	const [length, yMin, yMax, height] = size as [number, number, number, number];
	const [slopeX, slopeY] = [Math.tan((pitch * Math.PI) / 180), Math.tan((roll * Math.PI) / 180)];
	const g = 1.22074408460575;
	let [a, b, c] = [0.5, 0.5, 0.5];
	let wet = 0;
	for (let i = 0; i < points; i++) {
		a = (a + 1 / g) % 1;
		b = (b + 1 / g ** 2) % 1;
		c = (c + 1 / g ** 3) % 1;
		const [x, y, z] = [(a - 0.5) * length, yMin + b * (yMax - yMin), c * height];
		if (z <= foot + depth - (x - x0) * slopeX - (y - y0) * slopeY && inside(x, y, z)) wet++;
	}
	return ((wet / points) * length * (yMax - yMin) * height) / 1e6;
}

describe('litres by hand', () => {
	it('a box 1000 × 500 wet to 120 mm holds 60 L, full 150 L', () => {
		expect(litresAt(box, 120)).toBeCloseTo(60, 9);
		expect(fullLitres(box)).toBeCloseTo(150, 9);
	});
	it('half a flat cylinder is half its volume', () =>
		expect(litresAt(flat, 200)).toBeCloseTo((Math.PI * 0.2 ** 2 * 0.8 * 1000) / 2, 9));
	it('a V bilge wet to half its height holds a quarter', () =>
		expect(litresAt(bilge, 175)).toBeCloseTo(fullLitres(bilge) / 4, 9));
	it('a wedge in a corner: at depth 0 amidships, 45° roll, half a leaning box minus nothing', () =>
		// surface through the middle of the floor: a prism ½ · 250 · 250 · 1000 mm
		expect(litresAt(box, 0, { rollDeg: 45 })).toBeCloseTo(31.25, 9));
	it('an upright cylinder leaning by a little holds what its middle shows', () =>
		expect(litresAt(upright, 250, { pitchDeg: 10, rollDeg: -7 })).toBeCloseTo(Math.PI * 4 * 2.5, 9));
	it('a table gives its rows and rises between them', () => {
		expect(litresAt(table, 100)).toBe(20);
		expect(litresAt(table, 999)).toBe(80);
		expect(litresAt(table, 50)).toBeGreaterThan(0);
		expect(litresAt(table, 50)).toBeLessThan(20);
	});
});

type Countable = Exclude<Shape, { form: 'table' }>;
/** How far the formula is from a count, as a share of the tank. */
function off(
	shape: Countable,
	points: number,
	part: number,
	roll: number,
	pitch: number,
	x0: number
): number {
	const at = { ...defaultRodPlace(shape), xMm: x0 };
	const { footMm, topMm } = rodSpan(shape, at)!;
	const depth = part * (topMm - footMm);
	const exact = litresAt(shape, depth, { rollDeg: roll, pitchDeg: pitch }, at);
	const count = counted(shape, points, { depth, foot: footMm, roll, pitch, x0, y0: at.yMm });
	return Math.abs(exact - count) / fullLitres(shape);
}

describe('a count of points that shares no code', () => {
	it.each<[string, Countable, number, number, number]>([
		['a flat cylinder', flat, 0.3, 12, -25],
		['a wheel-arch tank', arch, 0.7, -18, 9],
		['an upright cylinder', upright, 0.45, 30, 20]
	])(
		'10⁷ of them agree to 0.05 % of the tank: %s',
		(_, shape, part, roll, pitch) => {
			expect(off(shape, 1e7, part, roll, pitch, 40)).toBeLessThan(5e-4);
		},
		30_000
	);
	it('a quarter of a million agree for every shape, lean and rod', () => {
		const lean = fc.integer({ min: -44, max: 44 });
		fc.assert(
			fc.property(
				fc.constantFrom<Countable>(box, flat, upright, bilge, arch),
				fc.double({ min: 0, max: 1, noNaN: true }),
				lean,
				lean,
				fc.integer({ min: -99, max: 99 }),
				(shape, part, roll, pitch, x0) => {
					expect(off(shape, 250_000, part, roll, pitch, x0)).toBeLessThan(0.004);
				}
			),
			{ numRuns: 60 }
		);
	}, 30_000);
});

describe('laws', () => {
	const anyShape = fc.constantFrom(box, flat, upright, bilge, arch, table);
	const lean = fc.record({
		rollDeg: fc.integer({ min: -45, max: 45 }),
		pitchDeg: fc.integer({ min: -45, max: 45 })
	});
	it('never falls with depth, and stays within the tank', () =>
		fc.assert(
			fc.property(
				anyShape,
				lean,
				fc.double({ min: 0, max: 400, noNaN: true }),
				fc.double({ min: 0, max: 50, noNaN: true }),
				(shape, l, depth, more) => {
					const [a, b] = [litresAt(shape, depth, l), litresAt(shape, depth + more, l)];
					expect(b).toBeGreaterThanOrEqual(a - 1e-9);
					expect(a).toBeGreaterThanOrEqual(-1e-9);
					expect(b).toBeLessThanOrEqual(fullLitres(shape) * (1 + 1e-9));
				}
			)
		));
	it('the inverse closes to 0.1 mm', () =>
		fc.assert(
			fc.property(anyShape, fc.double({ min: 0.02, max: 0.98, noNaN: true }), (shape, part) => {
				const span = rodSpan(shape)!;
				const depth = part * (span.topMm - span.footMm);
				expect(Math.abs(depthFor(shape, litresAt(shape, depth)) - depth)).toBeLessThan(0.1);
			})
		));
	it('a lean of nearly nothing is nearly no lean', () =>
		fc.assert(
			fc.property(
				anyShape,
				fc.double({ min: 0, max: 300, noNaN: true }),
				fc.double({ min: -1e-7, max: 1e-7, noNaN: true }),
				(shape, depth, hair) => {
					expect(litresAt(shape, depth, { rollDeg: hair, pitchDeg: -hair })).toBeCloseTo(
						litresAt(shape, depth),
						4
					);
				}
			)
		));
});

describe('what cannot be is refused', () => {
	it('a rod outside', () =>
		expect(() => litresAt(box, 10, {}, { xMm: 0, yMm: 251 })).toThrow(/outside the tank/));
	it('a lean over 45°', () => expect(() => litresAt(box, 10, { rollDeg: 46 })).toThrow(/at most 45°/));
	it('a depth that is no number', () => expect(() => litresAt(box, Number.NaN)).toThrow(RangeError));
});
