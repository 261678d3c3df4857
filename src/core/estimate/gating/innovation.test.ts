import { describe, expect, it } from 'vitest';
import type { Measurement } from '../model/index.js';
import { innovationOf } from './innovation.js';
import { sameGap } from './gate.js';

/** A tank of 100 L believed at 40 ± 3, and a gauge whose lasting error is 0 ± 4. */
const expected = { mean: 40, variance: 3 ** 2 + 4 ** 2 };
const measurement = (from: number, to: number, sd = 0): Measurement => ({
	h: [
		[0, 1],
		[1, 1]
	],
	from,
	to,
	sd,
	giveWay: [[0, 1]],
	pool: 0,
	poolL: 100
});

describe('what is new in a reading, by hand', () => {
	it('50 where 40 was expected, to √(3² + 4² + 12²) = 13 L', () => {
		expect(innovationOf(expected, measurement(50, 50, 12))).toMatchObject({
			expectedL: 40,
			sdL: 13,
			gapL: 10,
			saidL: 50,
			saidSdL: 12
		});
	});
	it('two deviations off have a chance of 4.55 in a hundred', () =>
		expect(innovationOf(expected, measurement(50, 50)).chance).toBeCloseTo(0.0455, 4));
	it('a light whose band holds what was expected has no gap; its chance is that of the band', () => {
		const { gapL, chance, saidL } = innovationOf(expected, measurement(35, 45));
		expect([gapL, saidL]).toEqual([0, 40]);
		expect(chance).toBeCloseTo(0.6827, 4);
	});
	it('a light that lies below says so from its upper end; an open one ends with the tank', () => {
		expect(innovationOf(expected, measurement(0, 30)).gapL).toBe(-10);
		expect(innovationOf(expected, measurement(70, Infinity)).saidL).toBe(85);
	});
	it('gaps are the same within 2.5 deviations and about a seventh', () => {
		expect(sameGap(30, 40, 2)).toBe(true);
		expect(sameGap(28, 40, 2)).toBe(false);
	});
});
