import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalQuantile, studentTQuantile } from './index.js';

const probability = fc.double({ min: 0.001, max: 0.999, noNaN: true });

describe('the quantile of Student’s t', () => {
	it.each([
		[0.975, 10, 2.228138851964939],
		[0.975, 3, 3.182446305284263],
		[0.95, 7.5, 1.8757475],
		[0.995, 30, 2.749995653567231]
	])('as tables have it: %d of %d degrees', (p, degrees, t) =>
		expect(studentTQuantile(p, degrees)).toBeCloseTo(t, degrees % 1 === 0 ? 10 : 6)
	);
	it('one degree is Cauchy’s, two have a closed form', () =>
		fc.assert(
			fc.property(probability, (p) => {
				expect(studentTQuantile(p, 1) / Math.tan(Math.PI * (p - 0.5)) || 1).toBeCloseTo(1, 9);
				const a = 4 * p * (1 - p);
				expect(studentTQuantile(p, 2)).toBeCloseTo(2 * (p - 0.5) * Math.sqrt(2 / a), 9);
			})
		));
	it('the share below it, by a sum over its density', () =>
		fc.assert(
			fc.property(probability, fc.double({ min: 1.5, max: 40, noNaN: true }), (p, degrees) => {
				// t = tan u makes the density finite on a finite interval; its own area is the norm
				const density = (u: number): number =>
					(1 + Math.tan(u) ** 2 / degrees) ** (-(degrees + 1) / 2) / Math.cos(u) ** 2;
				const area = (to: number): number => {
					const steps = 20_000;
					const [from, width] = [-Math.PI / 2, (to + Math.PI / 2) / steps];
					let sum = 0;
					for (let i = 0; i < steps; i++) sum += density(from + (i + 0.5) * width) * width;
					return sum;
				};
				expect(area(Math.atan(studentTQuantile(p, degrees))) / area(Math.PI / 2)).toBeCloseTo(p, 4);
			}),
			{ numRuns: 25 }
		));
	it('many degrees are a normal', () =>
		expect(studentTQuantile(0.9, 1e7)).toBeCloseTo(normalQuantile(0.9), 6));
	it('refuses what is no probability, and no degrees', () => {
		expect(() => studentTQuantile(1, 3)).toThrow(RangeError);
		expect(() => studentTQuantile(0.4, 0)).toThrow(/above 0/);
	});
});
