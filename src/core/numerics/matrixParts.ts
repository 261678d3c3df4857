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
