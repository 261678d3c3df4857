import { Matrix } from './matrix.js';

/** Every component counts, however small its variance. */
const NONE = (): number => 0;

/**
 * The lower triangular root L of a covariance, L·Lᵀ = A (Cholesky; Golub and Van Loan, Matrix Computations, 4.2),
 * row by row. A component that the ones before it settle to within a tolerance gets a pivot of zero, so that a
 * covariance may lack rank.
 *
 * @param a symmetric and positive semi-definite, n × n; its lower triangle is read
 * @param tolerance variance below which a component counts as settled, from its own variance
 * @returns L, n × n
 */
export function cholesky(a: Matrix, tolerance: (variance: number) => number = NONE): Matrix {
	const n = a.rows;
	const root = new Matrix(n);
	const { values } = root;
	for (let i = 0; i < n; i++)
		for (let j = 0; j <= i; j++) {
			let sum = a.at(i, j);
			for (let k = 0; k < j; k++) sum -= (values[i * n + k] as number) * (values[j * n + k] as number);
			const pivot = root.at(j, j);
			if (i === j) root.set(i, i, sum > tolerance(a.at(i, i)) ? Math.sqrt(sum) : 0);
			else root.set(i, j, pivot > 0 ? sum / pivot : 0);
		}
	return root;
}

/** Solves L·y = b in place, forward; components with a zero pivot become zero. */
export function solveForward(root: Matrix, b: Float64Array): void {
	const { values, columns } = root;
	for (let i = 0; i < b.length; i++) {
		let sum = b[i] as number;
		for (let k = 0; k < i; k++) sum -= (values[i * columns + k] as number) * (b[k] as number);
		const pivot = root.at(i, i);
		b[i] = pivot > 0 ? sum / pivot : 0;
	}
}

/** Solves Lᵀ·x = y in place, backward; components with a zero pivot become zero. */
export function solveBackward(root: Matrix, b: Float64Array): void {
	const { values, columns } = root;
	for (let i = b.length - 1; i >= 0; i--) {
		let sum = b[i] as number;
		for (let k = i + 1; k < b.length; k++) sum -= (values[k * columns + i] as number) * (b[k] as number);
		const pivot = root.at(i, i);
		b[i] = pivot > 0 ? sum / pivot : 0;
	}
}

/**
 * Solves X·A = B, row by row, where A is a covariance that may lack rank.
 *
 * @param b m × n
 * @param a n × n
 * @param tolerance see `cholesky`
 */
export function solveRight(b: Matrix, a: Matrix, tolerance?: (variance: number) => number): Matrix {
	const root = cholesky(a, tolerance);
	const out = b.copy();
	for (let i = 0; i < out.rows; i++) {
		const row = out.row(i);
		solveForward(root, row);
		solveBackward(root, row);
	}
	return out;
}

/** The inverse of a positive definite matrix. */
export const inverseOf = (a: Matrix): Matrix => inverseBy(cholesky(a));

/**
 * The inverse of L·Lᵀ, symmetric.
 *
 * @param root L, lower triangular, n × n, without a zero pivot
 */
export function inverseBy(root: Matrix): Matrix {
	const n = root.rows;
	const { values: l } = root;
	// L⁻¹, row by row; then (L·Lᵀ)⁻¹ = L⁻ᵀ·L⁻¹.
	const half = new Float64Array(n * n);
	for (let i = 0; i < n; i++) {
		const pivot = l[i * n + i] as number;
		half[i * n + i] = 1 / pivot;
		for (let j = 0; j < i; j++) {
			let sum = 0;
			for (let k = j; k < i; k++) sum -= (l[i * n + k] as number) * (half[k * n + j] as number);
			half[i * n + j] = sum / pivot;
		}
	}
	const out = new Matrix(n);
	const { values } = out;
	for (let i = 0; i < n; i++)
		for (let j = 0; j <= i; j++) {
			let sum = 0;
			for (let k = i; k < n; k++) sum += (half[k * n + i] as number) * (half[k * n + j] as number);
			values[i * n + j] = values[j * n + i] = sum;
		}
	return out;
}
