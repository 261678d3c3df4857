import { Gaussian, type FilterState } from '../filter/index.js';

/** Gives a state more rows, of which nothing is known and nothing in doubt: they are 0. */
export function widened(state: FilterState, size: number): void {
	const { size: n, mean, cov } = state.belief;
	const wide = new Gaussian(size);
	wide.mean.set(mean);
	for (let i = 0; i < n; i++) wide.cov.set(cov.subarray(i * n, i * n + n), i * size);
	state.belief = wide;
}
