/**
 * The lower triangular root of a covariance (Cholesky; Golub and Van Loan, Matrix Computations, 4.2), for some
 * of its components. A component without variance of its own, given those before it, gets a row of zeros.
 *
 * @param cov n × n, row by row
 * @param pick indices of the components, m of them
 * @returns m × m, row by row
 */
export function choleskyOf(cov: Float64Array, n: number, pick: readonly number[]): Float64Array {
	const m = pick.length;
	const root = new Float64Array(m * m);
	for (let i = 0; i < m; i++)
		for (let j = 0; j <= i; j++) {
			let sum = cov[(pick[i] ?? 0) * n + (pick[j] ?? 0)] ?? 0;
			for (let k = 0; k < j; k++) sum -= (root[i * m + k] ?? 0) * (root[j * m + k] ?? 0);
			if (i === j) root[i * m + i] = sum > 1e-12 ? Math.sqrt(sum) : 0;
			else {
				const pivot = root[j * m + j] ?? 0;
				root[i * m + j] = pivot > 0 ? sum / pivot : 0;
			}
		}
	return root;
}
