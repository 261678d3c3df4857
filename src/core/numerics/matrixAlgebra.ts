import { Matrix } from './matrix.js';

/** A copy of the square part that begins at a row and a column. */
export function blockOf(a: Matrix, row: number, column: number, size: number): Matrix {
	const out = new Matrix(size);
	for (let i = 0; i < size; i++) for (let k = 0; k < size; k++) out.set(i, k, a.at(row + i, column + k));
	return out;
}

/** The rows and columns of some indices, in their order. */
export function submatrix(a: Matrix, indices: readonly number[]): Matrix {
	const out = new Matrix(indices.length);
	indices.forEach((row, i) => indices.forEach((column, k) => out.set(i, k, a.at(row, column))));
	return out;
}

/** The sum A + B of two matrices of one shape. */
export const sumOfMatrices = (a: Matrix, b: Matrix): Matrix =>
	new Matrix(
		a.rows,
		a.columns,
		a.values.map((value, i) => value + (b.values[i] as number))
	);

/** The difference A − B of two matrices of one shape. */
export const difference = (a: Matrix, b: Matrix): Matrix =>
	new Matrix(
		a.rows,
		a.columns,
		a.values.map((value, i) => value - (b.values[i] as number))
	);

/** The product A·B. */
export function product(a: Matrix, b: Matrix): Matrix {
	const out = new Matrix(a.rows, b.columns);
	for (let i = 0; i < a.rows; i++)
		for (let k = 0; k < b.columns; k++) {
			let sum = 0;
			for (let j = 0; j < a.columns; j++) sum += a.at(i, j) * b.at(j, k);
			out.set(i, k, sum);
		}
	return out;
}

/** The product A·Bᵀ. */
export function productWithTransposed(a: Matrix, b: Matrix): Matrix {
	const out = new Matrix(a.rows, b.rows);
	for (let i = 0; i < a.rows; i++)
		for (let k = 0; k < b.rows; k++) {
			let sum = 0;
			for (let j = 0; j < a.columns; j++) sum += a.at(i, j) * b.at(k, j);
			out.set(i, k, sum);
		}
	return out;
}

/** The product A·v with a vector of as many numbers as A has columns. */
export const timesVector = (a: Matrix, vector: ArrayLike<number>): Float64Array =>
	Float64Array.from({ length: a.rows }, (_, i) => {
		let sum = 0;
		for (let k = 0; k < a.columns; k++) sum += a.at(i, k) * (vector[k] as number);
		return sum;
	});
