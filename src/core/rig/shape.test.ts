import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Shape } from '../logbook/index.js';
import { defaultRodPlace, depthFor, fullLitres, litresAt, rodSpan } from './index.js';

const box: Shape = { form: 'box', lengthMm: 1000, widthMm: 500, heightMm: 300 };
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
const arch: Shape = {
	form: 'prism',
	lengthMm: 700,
	outline: [
		[-300, 0],
		[-100, 0],
		[-100, 150],
		[100, 150],
		[100, 0],
		[300, 0],
		[300, 300],
		[-300, 300]
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

/** Counts small cells under the surface; shares nothing with the code under test but the stated convention. */
function counted(
	shape: Exclude<Shape, { form: 'table' }>,
	depth: number,
	roll: number,
	pitch: number,
	x0: number,
	y0: number,
	foot: number
): number {
	const inside = (x: number, y: number, z: number): boolean => {
		if (shape.form === 'box') return true;
		if (shape.form === 'cylinder')
			return shape.lies === 'flat'
				? y * y + (z - shape.diameterMm / 2) ** 2 <= (shape.diameterMm / 2) ** 2
				: x * x + y * y <= (shape.diameterMm / 2) ** 2;
		let odd = false;
		shape.outline.forEach(([ya, za], i) => {
			const [yb, zb] = shape.outline[(i + 1) % shape.outline.length]!;
			if (za > z !== zb > z && y < ya + ((z - za) / (zb - za)) * (yb - ya)) odd = !odd;
		});
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
	const n = 90;
	const [dx, dy, dz] = [length / n, (yMax - yMin) / n, height / n];
	let cells = 0;
	for (let i = 0; i < n; i++)
		for (let j = 0; j < n; j++)
			for (let k = 0; k < n; k++) {
				const [x, y, z] = [-length / 2 + (i + 0.5) * dx, yMin + (j + 0.5) * dy, (k + 0.5) * dz];
				const surface =
					foot +
					depth -
					(x - x0) * Math.tan((pitch * Math.PI) / 180) -
					(y - y0) * Math.tan((roll * Math.PI) / 180);
				if (z <= surface && inside(x, y, z)) cells++;
			}
	return (cells * dx * dy * dz) / 1e6;
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

it('agrees with a count of small cells, for every shape and lean', () => {
	const shapes = [box, flat, upright, bilge, arch] as Exclude<Shape, { form: 'table' }>[];
	const lean = fc.integer({ min: -40, max: 40 });
	fc.assert(
		fc.property(
			fc.constantFrom(...shapes),
			fc.double({ min: 0, max: 1, noNaN: true }),
			lean,
			lean,
			fc.integer({ min: -99, max: 99 }),
			(shape, part, roll, pitch, x0) => {
				const at = { ...defaultRodPlace(shape), xMm: x0 };
				const span = rodSpan(shape, at);
				if (!span) return;
				const depth = part * (span.topMm - span.footMm);
				const exact = litresAt(shape, depth, { rollDeg: roll, pitchDeg: pitch }, at);
				const count = counted(shape, depth, roll, pitch, at.xMm, at.yMm, span.footMm);
				expect(Math.abs(exact - count) / fullLitres(shape)).toBeLessThan(0.012);
			}
		),
		{ numRuns: 40 }
	);
}, 30_000);

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
