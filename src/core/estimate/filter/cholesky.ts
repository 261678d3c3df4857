/**
 * The lower triangular root L of a covariance, L·Lᵀ = A (Cholesky; Golub and Van Loan, Matrix Computations, 4.2),
 * row by row. A component that the ones before it settle to within a tolerance gets a pivot of zero, so that a
 * covariance may lack rank.
 *
 * @param tolerance variance below which a component counts as settled, from its own variance
 */
export function rootOf(
	a: ArrayLike<number>,
	n: number,
	tolerance: (variance: number) => number
): Float64Array {
	const root = new Float64Array(n * n);
	for (let i = 0; i < n; i++)
		for (let j = 0; j <= i; j++) {
			let sum = a[i * n + j] as number;
			for (let k = 0; k < j; k++) sum -= (root[i * n + k] as number) * (root[j * n + k] as number);
			const pivot = root[j * n + j] as number;
			if (i === j) root[i * n + i] = sum > tolerance(a[i * n + i] as number) ? Math.sqrt(sum) : 0;
			else root[i * n + j] = pivot > 0 ? sum / pivot : 0;
		}
	return root;
}

/** Solves L·y = b in place, forward; components with a zero pivot become zero. */
export function solveForward(root: Float64Array, n: number, b: Float64Array): void {
	for (let i = 0; i < n; i++) {
		let sum = b[i] as number;
		for (let k = 0; k < i; k++) sum -= (root[i * n + k] as number) * (b[k] as number);
		const pivot = root[i * n + i] as number;
		b[i] = pivot > 0 ? sum / pivot : 0;
	}
}

/** Solves Lᵀ·x = y in place, backward. */
export function solveBackward(root: Float64Array, n: number, b: Float64Array): void {
	for (let i = n - 1; i >= 0; i--) {
		let sum = b[i] as number;
		for (let k = i + 1; k < n; k++) sum -= (root[k * n + i] as number) * (b[k] as number);
		const pivot = root[i * n + i] as number;
		b[i] = pivot > 0 ? sum / pivot : 0;
	}
}
