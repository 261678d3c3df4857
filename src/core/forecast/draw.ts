import { rootOf } from '../estimate/index.js';

/** Variances below this are settled, litres squared. */
const SETTLED = 1e-12;

/**
 * The lower triangular root of a covariance for some of its components: what draws are made with.
 *
 * @param cov n × n, row by row
 * @param pick indices of the components, m of them
 * @returns m × m, row by row
 */
export function choleskyOf(cov: Float64Array, n: number, pick: readonly number[]): Float64Array {
	const picked = pick.flatMap((i) => pick.map((k) => cov[i * n + k] ?? 0));
	return rootOf(picked, pick.length, () => SETTLED);
}
