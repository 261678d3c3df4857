import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitsL, hoseLitres, loadsOf, type Vessel } from '../index.js';

const tote: Vessel = { capacityL: 100, headroomL: 5, tareKg: 6, count: 1, minutesPerLoad: 20 };
/** 12 L: π/4 · 0.75² · 27.16 dm. */
const hose = { diameterMm: 75, lengthM: 2.716 };

describe('how many times must the tote go?', () => {
	it('a hose of 75 mm holds 4.4 L a metre', () =>
		expect(hoseLitres({ diameterMm: 75, lengthM: 1 })).toBeCloseTo(4.417_86, 4));
	it('by hand: a tote of 65 with 5 free and 13.25 in the hose: shut at 46.75, and it stands at 60', () => {
		const found = loadsOf('grey', 60, { ...tote, capacityL: 65 }, { diameterMm: 75, lengthM: 3 });
		expect(found).toMatchObject({ loads: 1, loadL: [60], heaviestKg: 66 });
		expect(found.keepFreeL).toBeCloseTo(18.2536, 3);
	});
	it('headroom and hose stay free, one on top of the other; a load is all that left the tank', () => {
		// 100 L less 5 of headroom: 95 a load, of which the last 12 come out of the hose.
		const found = loadsOf('grey', 120, tote, hose);
		expect(found).toMatchObject({ loads: 2, trips: 2, minutes: 40, loadL: [95, 25], heaviestKg: 101 });
		expect(found.keepFreeL).toBeCloseTo(17, 2);
	});
	it('a hose for drinking water runs empty: only the headroom stays free', () =>
		expect(fitsL('fresh', tote, hose)).toBe(95));
	it('a tote that is part full takes less at first, and weighs with what it holds', () => {
		const found = loadsOf('grey', 120, tote, undefined, 60);
		expect(found.loadL).toEqual([35, 85]);
		expect(found.heaviestKg).toBe(101);
	});
	it('one that is full already is emptied first', () =>
		expect(loadsOf('grey', 100, tote, undefined, 97).loadL).toEqual([95, 5]));
	it('three jugs walk together', () =>
		expect(
			loadsOf('fresh', 95, { capacityL: 20, headroomL: 0, tareKg: 1, count: 3, minutesPerLoad: 9 })
		).toEqual({
			keepFreeL: 0,
			loads: 5,
			trips: 2,
			loadL: [20, 20, 20, 20, 15],
			minutes: 18,
			heaviestKg: 21
		}));
	it('nothing to carry is no load', () =>
		expect(loadsOf('grey', 0, tote)).toMatchObject({ loads: 0, trips: 0, loadL: [], heaviestKg: 6 }));
	it('refuses a tote smaller than its hose, none at all, and figures that are none', () => {
		expect(() => loadsOf('grey', 10, { ...tote, capacityL: 10 }, hose)).toThrow(/nothing fits/);
		expect(() => loadsOf('grey', 10, { ...tote, count: 0 })).toThrow(/1 or more/);
		expect(() => loadsOf('grey', -1, tote)).toThrow(/0 or more/);
		expect(() => loadsOf('grey', Number.NaN, tote)).toThrow(/0 or more/);
		expect(() => loadsOf('grey', 1e5, { ...tote, capacityL: 5.001 })).toThrow(/loads/);
	});
	it('no load exceeds what fits, all of them are all there is, and one less would not do', () => {
		fc.assert(
			fc.property(
				fc.record({
					capacityL: fc.double({ min: 5, max: 200, noNaN: true }),
					headroomL: fc.double({ min: 0, max: 4, noNaN: true }),
					count: fc.integer({ min: 1, max: 6 }),
					litres: fc.double({ min: 0, max: 2000, noNaN: true }),
					part: fc.double({ min: 0, max: 1, noNaN: true })
				}),
				({ litres, part, ...vessel }) => {
					const most = vessel.capacityL - vessel.headroomL;
					const partL = part * vessel.capacityL;
					const { loadL, loads, trips } = loadsOf('grey', litres, { ...vessel, tareKg: 1 }, undefined, partL);
					// What is full to a hair is emptied first.
					const firstHolds = most - partL > 1e-9 ? partL : 0;
					expect(loadL).toHaveLength(loads);
					expect(loadL.reduce((a, b) => a + b, 0)).toBeCloseTo(litres, 6);
					loadL.forEach((load, i) => {
						expect(load).toBeGreaterThan(0);
						expect(load + (i === 0 ? firstHolds : 0)).toBeLessThanOrEqual(most + 1e-6);
					});
					expect((loads - 1) * most - firstHolds).toBeLessThanOrEqual(litres);
					expect(trips).toBe(Math.ceil(loads / vessel.count));
				}
			)
		);
	});
});
