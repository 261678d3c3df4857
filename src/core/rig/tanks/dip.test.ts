import { describe, expect, it } from 'vitest';
import { arch, box } from '../../../../tests/helpers/shapes.js';
import type { Shape } from '../../logbook/index.js';
import {
	bestLean,
	boxInBay,
	dipTable,
	fullLitres,
	litreMarks,
	litresAt,
	marksFor,
	undrainedL
} from '../index.js';

describe('a dip table', () => {
	it('of a box: 5 L every 10 mm, the suction 5 L up', () => {
		const rows = dipTable(box, 10, { deadL: 5 });
		expect(rows.slice(0, 4).map(({ litres }) => Math.round(litres))).toEqual([0, 0, 5, 10]);
		expect(rows).toHaveLength(31);
		expect(rows.at(-1)).toEqual({ depthMm: 300, litres: 145 });
	});
	it('ends at the top though the step does not', () =>
		expect(dipTable(box, 70).map(({ depthMm }) => depthMm)).toEqual([0, 70, 140, 210, 280, 300]));
	it('by litres is the inverse of the one by depth, leaning or not', () => {
		for (const lean of [{}, { rollDeg: 4, pitchDeg: -3 }])
			for (const { depthMm, litres } of litreMarks(arch, 10, { lean, deadL: 2 }))
				expect(litresAt(arch, depthMm, lean) - 2).toBeCloseTo(litres, 6);
	});
	it('leaves out what a leaning rod cannot show', () => {
		// Bow up by 10°: at the middle, wet to nothing, a wedge aft still holds ½ · 500 · 88 · 500 mm³.
		const least = litresAt(box, 0, { pitchDeg: 10 });
		expect(least).toBeCloseTo(0.5 * 0.5 * 0.5 * 500 * Math.tan((10 * Math.PI) / 180), 6);
		expect(marksFor(box, [1, 60], { lean: { pitchDeg: 10 } }).map(({ litres }) => litres)).toEqual([60]);
	});
	it('refuses a step of nothing, or far too small', () => {
		expect(() => dipTable(box, 0)).toThrow(/above 0/);
		expect(() => dipTable(box, 0.01)).toThrow(/larger/);
	});
});

describe('what a drain leaves behind', () => {
	it('nothing when level, a wedge when it leans away', () => {
		const corner = { end: 'aft', side: 'port' } as const;
		expect(undrainedL(box, corner)).toBeCloseTo(0, 9);
		// Bow down by 5°: half of 1000 · 87.5 · 500 mm³ stays in front.
		expect(undrainedL(box, corner, { pitchDeg: -5 })).toBeCloseTo(
			0.5 * 1 * 0.5 * 1000 * Math.tan((5 * Math.PI) / 180),
			6
		);
		expect(undrainedL(box, corner, { pitchDeg: 5 })).toBeCloseTo(0, 9);
	});
	it('a leg behind a wheel arch keeps all below the bridge', () => {
		// The other leg: 200 · 150 · 700 mm³ = 21 L, which no plane through the drain shows.
		expect(Math.abs(undrainedL(arch, { end: 'aft', side: 'port' }) - 21)).toBeLessThan(
			0.01 * fullLitres(arch)
		);
	});
	it('on a grid it agrees with the plane where there are no pockets to speak of', () => {
		// A dent of a millimetre makes the outline concave and nothing else.
		const dented: Shape = {
			form: 'prism',
			lengthMm: 1000,
			outline: [
				[-250, 0],
				[250, 0],
				[250, 300],
				[0, 299],
				[-250, 300]
			]
		};
		const corner = { end: 'fore', side: 'starboard' } as const;
		const lean = { rollDeg: -6, pitchDeg: 4 };
		expect(Math.abs(undrainedL(dented, corner, lean) - undrainedL(box, corner, lean))).toBeLessThan(
			0.02 * fullLitres(box)
		);
	});
	it('says which way to lean: towards the drain, and not at all when level empties it', () => {
		const wedge: Shape = {
			form: 'prism',
			lengthMm: 800,
			outline: [
				[-300, 40],
				[300, 0],
				[300, 300],
				[-300, 300]
			]
		};
		expect(bestLean(wedge, { end: 'aft', side: 'port' })).toMatchObject({ rollDeg: 0, pitchDeg: 0 });
		const left = bestLean(arch, { end: 'aft', side: 'starboard' }, 3);
		expect(left.leftL).toBeLessThan(undrainedL(arch, { end: 'aft', side: 'starboard' }));
		expect(left.rollDeg).toBe(3);
	});
	it('a table of depths has no corners', () =>
		expect(() =>
			undrainedL(
				{
					form: 'table',
					rows: [
						{ depthMm: 0, litres: 0 },
						{ depthMm: 9, litres: 9 }
					]
				},
				{ end: 'aft', side: 'port' }
			)
		).toThrow(/no corners/));
});

it('the box that fits a bay: two walls and a gap less each way', () => {
	expect(fullLitres(boxInBay({ lengthMm: 820, widthMm: 420, heightMm: 320 }, 6, 4))).toBeCloseTo(
		0.8 * 0.4 * 0.3 * 1000,
		9
	);
	expect(() => boxInBay({ lengthMm: 100, widthMm: 20, heightMm: 100 }, 10)).toThrow(/no room/);
});
