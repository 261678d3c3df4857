import { Gaussian } from './gaussian.js';
import { blockOf } from './matrixParts.js';

/** The same belief with more components after its own, of which nothing is in doubt: they are 0. */
export function augment({ mean, cov, size }: Gaussian, to: number): Gaussian {
	const wide = new Gaussian(to);
	wide.mean.set(mean);
	for (let i = 0; i < size; i++) wide.cov.row(i).set(cov.row(i));
	return wide;
}

/** The belief about the first components alone. */
export const marginal = ({ mean, cov }: Gaussian, size: number): Gaussian =>
	new Gaussian(size, mean.slice(0, size), blockOf(cov, 0, 0, size));
