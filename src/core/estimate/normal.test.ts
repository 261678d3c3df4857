import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { doubt, dot, learn, move, varianceOf } from './belief.js';
import { normalCdf, normalPdf, normalQuantile, truncate } from './index.js';

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

describe('the joint belief', () => {
	const start = { mean: Float64Array.of(50, 8), cov: Float64Array.of(4, 0, 0, 1) };
	it('drawing h from a tank, then measuring the tank, corrects h: the two-variable case by hand', () => {
		const drawn = move(start, [
			{
				row: 0,
				from: [
					[0, 1],
					[1, -1]
				],
				constant: 0
			}
		]);
		expect([...drawn.mean]).toEqual([42, 8]);
		expect([...drawn.cov]).toEqual([5, -1, -1, 1]);
		// measured 40 with variance 1: gain 5/6 on the tank, −1/6 on the habit
		const seen = learn(drawn, [[0, 1]], 1, { mean: 40, variance: 0 });
		expect(seen.mean[0]).toBeCloseTo(42 - (5 / 6) * 2, 12);
		expect(seen.mean[1]).toBeCloseTo(8 + (1 / 6) * 2, 12);
		expect(varianceOf(seen, [[0, 1]])).toBeCloseTo(5 / 6, 12);
	});
	it('learning nothing new changes nothing; doubt adds along its direction only', () => {
		const same = learn(start, [[0, 1]], 2, { mean: 50, variance: 6 });
		expect([...same.cov]).toEqual([...start.cov]);
		const vague = doubt(
			start,
			[
				[0, 1],
				[1, -1]
			],
			3
		);
		expect([...vague.cov]).toEqual([7, -3, -3, 4]);
		expect(
			dot(vague.mean, [
				[0, 1],
				[1, 1]
			])
		).toBe(58);
	});
});
