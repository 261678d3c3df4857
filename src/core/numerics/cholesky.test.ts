import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	blockOf,
	cholesky,
	difference,
	inverseOf,
	Matrix,
	product,
	productWithTransposed,
	solveRight,
	submatrix,
	sumOfMatrices
} from './index.js';

const number = fc.double({ min: -3, max: 3, noNaN: true });
/** A covariance of full rank: B·Bᵀ and a little more of each component. */
const covariance = fc.array(number, { minLength: 16, maxLength: 16 }).map((values) => {
	const b = new Matrix(4, 4, Float64Array.from(values));
	const a = productWithTransposed(b, b);
	for (let i = 0; i < 4; i++) a.add(i, i, 0.5);
	return a;
});
const near = (a: Matrix, b: Matrix, digits = 9): void =>
	a.values.forEach((value, i) => expect(value).toBeCloseTo(b.values[i] ?? Number.NaN, digits));

describe('Cholesky', () => {
	it('by hand: [4 2 2 5] has the root [2 0 1 2]', () =>
		expect([...cholesky(new Matrix(2, 2, Float64Array.of(4, 2, 2, 5))).values]).toEqual([2, 0, 1, 2]));
	it('the root times its transpose is the covariance, also when one component is sure', () => {
		const a = new Matrix(3, 3, Float64Array.of(4, 2, 0, 2, 5, 0, 0, 0, 0));
		const root = cholesky(a, () => 1e-12);
		near(productWithTransposed(root, root), a, 12);
	});
	it('of any covariance, too; and its inverse times it is one', () =>
		fc.assert(
			fc.property(covariance, (a) => {
				const root = cholesky(a);
				near(productWithTransposed(root, root), a);
				const one = product(inverseOf(a), a);
				for (let i = 0; i < 4; i++)
					for (let k = 0; k < 4; k++) expect(one.at(i, k)).toBeCloseTo(i === k ? 1 : 0, 6);
			})
		));
	it('solves X·A = B, row by row', () =>
		fc.assert(
			fc.property(covariance, fc.array(number, { minLength: 8, maxLength: 8 }), (a, values) => {
				const b = new Matrix(2, 4, Float64Array.from(values));
				near(product(solveRight(b, a), a), b, 6);
			})
		));
});

describe('a matrix', () => {
	const a = (): Matrix => new Matrix(2, 3, Float64Array.of(1, 2, 3, 4, 5, 6));
	it('blocks, by hand', () => {
		expect([...blockOf(a(), 0, 1, 2).values]).toEqual([2, 3, 5, 6]);
		expect([...submatrix(blockOf(a(), 0, 1, 2), [1, 0]).values]).toEqual([6, 5, 3, 2]);
	});
	it('products, by hand', () => {
		expect([...productWithTransposed(a(), a()).values]).toEqual([14, 32, 32, 77]);
		expect([...a().times([1, 0, -1])]).toEqual([-2, -2]);
		expect([...difference(sumOfMatrices(a(), a()), a()).values]).toEqual([...a().values]);
	});
});
