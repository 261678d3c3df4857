import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mixture, normalCdf, normalPdf, normalQuantile, positive, truncate } from './index.js';

describe('the normal distribution', () => {
	it.each([
		[0, 0.5],
		[1, 0.8413447460685429],
		[-1.959963984540054, 0.025],
		[-8, 6.220960574271786e-16]
	])('Φ(%d)', (x, p) => expect(normalCdf(x) / p).toBeCloseTo(1, 9));
	it('the quantile undoes the distribution function', () =>
		fc.assert(
			fc.property(fc.double({ min: 1e-6, max: 1 - 1e-6, noNaN: true }), (p) => {
				expect(normalCdf(normalQuantile(p))).toBeCloseTo(p, 10);
			})
		));
});

it('a truncated normal has the moments of its density, summed by brute force', () => {
	fc.assert(
		fc.property(
			fc.double({ min: -3, max: 3, noNaN: true }),
			fc.double({ min: 0.3, max: 3, noNaN: true }),
			(mean, sd) => {
				const cut = truncate({ mean, sd }, 0, 2);
				const steps = 4000;
				let [mass, first, second] = [0, 0, 0];
				for (let i = 0; i < steps; i++) {
					const x = ((i + 0.5) * 2) / steps;
					const p = normalPdf((x - mean) / sd);
					[mass, first, second] = [mass + p, first + p * x, second + p * x * x];
				}
				expect(cut.mean).toBeCloseTo(first / mass, 5);
				expect(cut.sd).toBeCloseTo(Math.sqrt(second / mass - (first / mass) ** 2), 4);
				expect(normalCdf((cut.quantile(0.3) - mean) / sd) - normalCdf(-mean / sd)).toBeCloseTo(
					0.3 * cut.mass,
					9
				);
			}
		)
	);
});

it('far outside, a truncated normal is the nearer end', () => {
	expect(truncate({ mean: 500, sd: 1 }, 0, 100)).toMatchObject({ mean: 100 });
	expect(truncate({ mean: -500, sd: 1 }, 0, 100)).toMatchObject({ mean: 0 });
	expect(truncate({ mean: 42, sd: 0 }, 0, 100)).toMatchObject({ mean: 42, sd: 0 });
});

it('what cannot be less than nothing is a number, and not below nothing, however far below it is believed', () => {
	expect(positive({ mean: -84, sd: 7.5 }).at(2)).toBeGreaterThanOrEqual(0);
	fc.assert(
		fc.property(
			fc.double({ min: -1e6, max: 1e6, noNaN: true }),
			fc.double({ min: 0, max: 1e4, noNaN: true }),
			(mean, sd) => {
				const { at, ...moments } = positive({ mean, sd });
				for (const value of [moments.mean, moments.sd, at(-3), at(0), at(3)])
					expect(value).toBeGreaterThanOrEqual(0);
				expect(at(-3)).toBeLessThanOrEqual(at(3));
			}
		)
	);
});

it('a mixture of two: moments and quantiles by a count of draws', () => {
	const both = mixture(truncate({ mean: 20, sd: 3 }, 0, 100), truncate({ mean: 80, sd: 6 }, 0, 100), 0.2);
	expect(both.mean).toBeCloseTo(0.8 * 20 + 0.2 * 80, 2);
	expect(both.sd).toBeCloseTo(Math.sqrt(0.8 * 9 + 0.2 * 36 + 0.16 * 60 ** 2), 1);
	// 5 % lie above three quarters of the second: its upper quartile
	expect(both.quantile(0.95)).toBeCloseTo(80 + 6 * 0.6745, 1);
	expect(both.below(both.quantile(0.37))).toBeCloseTo(0.37, 9);
});
