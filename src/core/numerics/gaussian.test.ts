import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dot, Gaussian, Matrix, type Sparse } from './index.js';

/** The same verbs with whole matrices and the textbook formulas, as an independent reference. */
class Plain {
	constructor(
		public m: number[],
		public P: number[][]
	) {}
	#times(A: number[][], B: number[][]): number[][] {
		return A.map((row) => B[0]!.map((_, j) => row.reduce((sum, a, k) => sum + a * B[k]![j]!, 0)));
	}
	transform(F: number[][]): void {
		const turned = F[0]!.map((_, j) => F.map((row) => row[j]!));
		this.m = F.map((row) => row.reduce((sum, f, k) => sum + f * this.m[k]!, 0));
		this.P = this.#times(this.#times(F, this.P), turned);
	}
	noise(d: number[], variance: number): void {
		this.P = this.P.map((row, i) => row.map((p, j) => p + variance * d[i]! * d[j]!));
	}
	measure(h: number[], y: number, R: number): void {
		const Ph = this.P.map((row) => row.reduce((sum, p, k) => sum + p * h[k]!, 0));
		const S = h.reduce((sum, c, k) => sum + c * Ph[k]!, 0) + R;
		const innovation = y - h.reduce((sum, c, k) => sum + c * this.m[k]!, 0);
		this.m = this.m.map((m, i) => m + (Ph[i]! / S) * innovation);
		this.P = this.P.map((row, i) => row.map((p, j) => p - (Ph[i]! * Ph[j]!) / S));
	}
}

const dense = (n: number, h: Sparse): number[] => {
	const out = new Array<number>(n).fill(0);
	for (const [i, c] of h) out[i] = out[i]! + c;
	return out;
};

describe('the joint belief', () => {
	const start = () => new Gaussian(2, Float64Array.of(50, 8), new Matrix(2, 2, Float64Array.of(4, 0, 0, 1)));
	it('drawing h from a tank, then measuring the tank, corrects h: the two-variable case by hand', () => {
		const belief = start();
		belief.propagateFlow(1, [[0, -1]], 1);
		expect([...belief.mean]).toEqual([42, 8]);
		expect([...belief.cov.values]).toEqual([5, -1, -1, 1]);
		// measured 40 with variance 1: gain 5/6 on the tank, −1/6 on the habit
		belief.condition([[0, 1]], 1, { mean: 40, variance: 0 });
		expect(belief.mean[0]).toBeCloseTo(42 - (5 / 6) * 2, 12);
		expect(belief.mean[1]).toBeCloseTo(8 + (1 / 6) * 2, 12);
		expect(belief.varianceOf([[0, 1]])).toBeCloseTo(5 / 6, 12);
	});
	it('learning nothing new changes nothing; noise adds along its direction only', () => {
		const belief = start();
		belief.condition([[0, 1]], 2, { mean: 50, variance: 6 });
		expect([...belief.cov.values]).toEqual([4, 0, 0, 1]);
		belief.addNoise(
			[
				[0, 1],
				[1, -1]
			],
			3
		);
		expect([...belief.cov.values]).toEqual([7, -3, -3, 4]);
	});

	const n = 5;
	const index = fc.integer({ min: 0, max: n - 1 });
	const value = fc.integer({ min: -20, max: 20 }).map((k) => k / 10);
	const sparse = fc.uniqueArray(fc.tuple(index, value), { selector: ([i]) => i, minLength: 1, maxLength: 3 });
	const verb = fc.oneof(
		fc.record({ verb: fc.constant('flow' as const), source: index, gains: sparse, times: value }),
		fc.record({ verb: fc.constant('noise' as const), h: sparse, variance: fc.integer({ min: 1, max: 9 }) }),
		fc.record({
			verb: fc.constant('condition' as const),
			h: sparse,
			y: value,
			noise: fc.integer({ min: 1, max: 9 })
		}),
		fc.record({ verb: fc.constant('rows' as const), row: index, from: sparse })
	);
	it('agrees with a filter of whole matrices, step by step', () => {
		fc.assert(
			fc.property(fc.array(verb, { maxLength: 25 }), (verbs) => {
				const belief = new Gaussian(n);
				for (let i = 0; i < n; i++) belief.replace(i, i + 1, 1 + i / 3);
				const plain = new Plain(
					[...belief.mean],
					Array.from({ length: n }, (_, i) => [...belief.cov.row(i)])
				);
				const unit = (): number[][] => Array.from({ length: n }, (_, i) => dense(n, [[i, 1]]));
				for (const one of verbs) {
					if (one.verb === 'flow') {
						const gains = one.gains.filter(([row]) => row !== one.source);
						belief.propagateFlow(one.source, gains, one.times);
						const F = unit();
						for (const [row, c] of gains) F[row]![one.source] = c * one.times;
						plain.transform(F);
					} else if (one.verb === 'rows') {
						belief.propagate([{ row: one.row, from: one.from, constant: 0 }]);
						const F = unit();
						F[one.row] = dense(n, one.from);
						plain.transform(F);
					} else if (one.verb === 'noise') {
						belief.addNoise(one.h, one.variance);
						plain.noise(dense(n, one.h), one.variance);
					} else {
						belief.condition(one.h, one.noise, { mean: one.y, variance: 0 });
						plain.measure(dense(n, one.h), one.y, one.noise);
					}
				}
				const scale = 1 + Math.max(...plain.P.flat().map(Math.abs), ...plain.m.map(Math.abs));
				plain.m.forEach((m, i) => expect(Math.abs(belief.mean[i]! - m) / scale).toBeLessThan(1e-9));
				plain.P.flat().forEach((p, i) =>
					expect(Math.abs(belief.cov.values[i]! - p) / scale).toBeLessThan(1e-9)
				);
			})
		);
	});
	it('a network at once is its flows one after the other, and so is its noise', () =>
		fc.assert(
			fc.property(
				fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 4, maxLength: 4 }),
				fc.array(fc.double({ min: 0, max: 3, noNaN: true }), { minLength: 2, maxLength: 2 }),
				(gains, amounts) => {
					const [one, together] = [new Gaussian(n), new Gaussian(n)];
					for (const belief of [one, together]) {
						for (let i = 0; i < n; i++) belief.replace(i, 10 * i, 1 + i);
						belief.condition(
							[
								[0, 1],
								[3, 0.7],
								[4, -0.4]
							],
							0.5,
							{ mean: 12, variance: 0 }
						);
					}
					// from 3 and 4 to 0 and 1
					const network = {
						sources: Int32Array.of(3, 4),
						targets: Int32Array.of(0, 1),
						gains: new Matrix(2, 2, Float64Array.from(gains))
					};
					const from = (s: number): Sparse => [
						[0, gains[s] ?? 0],
						[1, gains[2 + s] ?? 0]
					];
					[3, 4].forEach((source, s) => one.propagateFlow(source, from(s), amounts[s] ?? 0));
					together.propagateNetwork(network, Float64Array.from(amounts));
					[0.3, 0.6].forEach((variance, s) => one.addNoise(from(s), variance));
					const sum = (row: number): number => 0.5 * (gains[2 * row] ?? 0) + 0.2 * (gains[2 * row + 1] ?? 0);
					one.addNoise(
						[
							[0, sum(0)],
							[1, sum(1)]
						],
						1
					);
					together.addNetworkNoise(network, Float64Array.of(0.3, 0.6), Float64Array.of(0.5, 0.2));
					one.mean.forEach((mean, i) => expect(together.mean[i]).toBeCloseTo(mean, 9));
					one.cov.values.forEach((value, i) => expect(together.cov.values[i]).toBeCloseTo(value, 9));
				}
			)
		));
	it('stays symmetric and positive semi-definite over 50 000 rough steps', () => {
		const belief = new Gaussian(n);
		for (let i = 0; i < n; i++) belief.replace(i, 50, 10);
		for (let step = 0; step < 50_000; step++) {
			belief.propagateFlow(
				4,
				[
					[0, -1],
					[1, 0.9]
				],
				0.01 * (step % 7)
			);
			belief.addNoise(
				[
					[0, -1],
					[1, 0.9]
				],
				0.02
			);
			if (step % 3 === 0) belief.condition([[0, 1]], 1e-6, { mean: 40, variance: 0 });
			if (step % 5 === 0)
				belief.condition(
					[
						[1, 1],
						[2, -0.5]
					],
					1e-4,
					{ mean: 20, variance: 0 }
				);
			if (step % 11 === 0) belief.addNoise([[4, 1]], 0.001);
		}
		for (let i = 0; i < n; i++)
			for (let j = 0; j < n; j++) expect(belief.cov.at(i, j)).toBe(belief.cov.at(j, i));
		let seed = 1;
		for (let trial = 0; trial < 200; trial++) {
			const h = Array.from({ length: n }, (_, i): [number, number] => [
				i,
				(seed = (seed * 48271) % 2147483647) / 1073741823 - 1
			]);
			const own = h.reduce((sum, [i, c]) => sum + c * dot(belief.covarianceWith(h), [[i, 1]]), 0);
			expect(own).toBeGreaterThan(-1e-9);
		}
	});
});
