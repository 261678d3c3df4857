import fc from 'fast-check';
import { expect, it } from 'vitest';
import { predictive, updated, type NormalInverseGamma } from './normalInverseGamma.js';

const prior: NormalInverseGamma = { mean: 2, meanCount: 1.5, degrees: 4, variance: 0.3 };

it('is a density, with the mean and the variance that Student’s t has', () => {
	const density = predictive(prior);
	const [step, reach] = [0.002, 60];
	let [all, mean, squares] = [0, 0, 0];
	for (let x = prior.mean - reach; x <= prior.mean + reach; x += step) {
		const p = Math.exp(density(x)) * step;
		all += p;
		mean += p * x;
		squares += p * (x - prior.mean) ** 2;
	}
	expect(all).toBeCloseTo(1, 4);
	expect(mean).toBeCloseTo(2, 3);
	// variance of t with 4 degrees: scale² · 4 / (4 − 2), less the tails beyond what is summed
	expect(squares).toBeCloseTo(0.3 * (1 + 1 / 1.5) * 2, 2);
});

it('is the same whether learned at once or one by one, and by Bayes’ rule', () => {
	const sums = (values: readonly number[]) => ({
		weight: values.length,
		sum: values.reduce((sum, one) => sum + one, 0),
		squares: values.reduce((sum, one) => sum + one * one, 0)
	});
	fc.assert(
		fc.property(
			fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 1, maxLength: 9 }),
			(values) => {
				const atOnce = updated(prior, sums(values));
				const inTurn = values.reduce((belief, one) => updated(belief, sums([one])), prior);
				for (const key of ['mean', 'meanCount', 'degrees', 'variance'] as const)
					expect(inTurn[key]).toBeCloseTo(atOnce[key], 9);
				// p(a) p(b | a) = p(b) p(a | b)
				const [a = 0, b = 1] = values;
				const joint = (first: number, then: number): number =>
					predictive(prior)(first) + predictive(updated(prior, sums([first])))(then);
				expect(joint(a, b)).toBeCloseTo(joint(b, a), 9);
			}
		)
	);
});
