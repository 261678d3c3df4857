import { Matrix } from './matrix.js';

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

/** The sum of `count` products: of numbers that follow each other in `a`, and of numbers `step` apart in `b`. */
function dotOf(
	a: Float64Array,
	from: number,
	count: number,
	b: Float64Array,
	other: number,
	step: number
): number {
	let sum = 0;
	for (let j = 0; j < count; j++) sum += (a[from + j] as number) * (b[other + j * step] as number);
	return sum;
}

/** The product A·B. */
export function product(a: Matrix, b: Matrix): Matrix {
	const out = new Matrix(a.rows, b.columns);
	for (let i = 0; i < a.rows; i++)
		for (let k = 0; k < b.columns; k++)
			out.set(i, k, dotOf(a.values, i * a.columns, a.columns, b.values, k, b.columns));
	return out;
}

/** The product A·Bᵀ. */
export function productWithTransposed(a: Matrix, b: Matrix): Matrix {
	const out = new Matrix(a.rows, b.rows);
	for (let i = 0; i < a.rows; i++)
		for (let k = 0; k < b.rows; k++)
			out.set(i, k, dotOf(a.values, i * a.columns, a.columns, b.values, k * b.columns, 1));
	return out;
}
