import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exactRig } from '../../../../tests/helpers/logbooks.js';
import type { Tank } from '../../logbook/index.js';
import { heeledOf, heelLossL } from './index.js';

/** A flat tank of 200 L, a metre square and 200 mm high, 10 L of it below a pick-up at its port side. */
const flat: Tank = {
	...(exactRig.tanks[0] as Tank),
	shape: { form: 'box', lengthMm: 1000, widthMm: 1000, heightMm: 200 },
	deadL: 10,
	pickUp: { xMm: 0, yMm: 400 }
};
/** Counted cell by cell: all that lies below the plane through the pick-up. */
function counted({ pickUp, deadL = 0 }: Tank, rollDeg: number, pitchDeg: number): number {
	const [roll, pitch] = [rollDeg, pitchDeg].map((deg) => Math.tan((deg * Math.PI) / 180)) as [number, number];
	const [cells, h] = [200, deadL];
	let litres = 0;
	for (let i = 0; i < cells; i++)
		for (let j = 0; j < cells; j++) {
			const [x, y] = [-500 + ((i + 0.5) * 1000) / cells, -500 + ((j + 0.5) * 1000) / cells];
			const z = h - (x - (pickUp?.xMm ?? 0)) * pitch - (y - (pickUp?.yMm ?? 0)) * roll;
			litres += (Math.min(200, Math.max(0, z)) * 1000 * 1000) / cells ** 2 / 1e6;
		}
	return litres;
}

describe('what a heel takes away', () => {
	it('on the tack that puts the pick-up on the high side most of a flat tank stays; on the other nothing is lost', () => {
		const starboardDown = heeledOf(flat, { rollDeg: 15, pitchDeg: 0 });
		expect(starboardDown?.levelServesL).toBe(190);
		expect(starboardDown?.deadL).toBeCloseTo(counted(flat, 15, 0), 0);
		expect(starboardDown?.servesL).toBeLessThan(100);
		expect(heelLossL(flat, { rollDeg: -15, pitchDeg: 0 })).toBe(0);
		expect(heelLossL(flat, { rollDeg: 0, pitchDeg: 0 })).toBeCloseTo(0, 6);
	});
	it('agrees with counting cells, whichever way it leans', () =>
		fc.assert(
			fc.property(
				fc.integer({ min: -25, max: 25 }),
				fc.integer({ min: -10, max: 10 }),
				(rollDeg, pitchDeg) => {
					const stays = heeledOf(flat, { rollDeg, pitchDeg })?.deadL ?? 0;
					expect(Math.abs(stays - counted(flat, rollDeg, pitchDeg))).toBeLessThan(1);
				}
			),
			{ numRuns: 40 }
		));
	it('nothing is said of a tank whose pick-up or shape nobody entered', () => {
		expect(heeledOf({ ...flat, pickUp: undefined }, { rollDeg: 15, pitchDeg: 0 })).toBeUndefined();
		expect(heeledOf({ ...flat, shape: undefined }, { rollDeg: 15, pitchDeg: 0 })).toBeUndefined();
		expect(heeledOf({ ...flat, pickUp: { xMm: 0, yMm: 900 } }, { rollDeg: 15, pitchDeg: 0 })).toBeUndefined();
	});
});
