/**
 * A joint normal belief over a state of n numbers. Values are never changed in place: each verb gives a new one.
 */
export interface Belief {
	readonly mean: Float64Array;
	/** n × n, row by row, symmetric */
	readonly cov: Float64Array;
}

/** A sparse vector: index → coefficient. */
export type Sparse = readonly (readonly [index: number, coefficient: number])[];

/** x[row] becomes Σ coefficient · x[index] + constant. */
export interface NewRow {
	readonly row: number;
	readonly from: Sparse;
	readonly constant: number;
}

export const dot = (vector: Float64Array, h: Sparse): number =>
	h.reduce((sum, [i, c]) => sum + c * (vector[i] ?? 0), 0);

/** The covariance of every component with the combination h·x. */
function covarianceWith({ mean, cov }: Belief, h: Sparse): Float64Array {
	const n = mean.length;
	const out = new Float64Array(n);
	for (const [i, c] of h) for (let k = 0; k < n; k++) out[k] = (out[k] ?? 0) + c * (cov[i * n + k] ?? 0);
	return out;
}

/** The variance of the combination h·x. */
export const varianceOf = (belief: Belief, h: Sparse): number =>
	Math.max(0, dot(covarianceWith(belief, h), h));

const addOuter = (cov: Float64Array, n: number, v: Float64Array, factor: number): void => {
	for (let i = 0; i < n; i++) {
		const left = factor * (v[i] ?? 0);
		if (left === 0) continue;
		for (let k = 0; k < n; k++) cov[i * n + k] = (cov[i * n + k] ?? 0) + left * (v[k] ?? 0);
	}
};

/** Moves the state linearly: the named rows are replaced at once, the others stay. */
export function move({ mean, cov }: Belief, rows: readonly NewRow[]): Belief {
	const n = mean.length;
	const nextMean = Float64Array.from(mean);
	const half = Float64Array.from(cov);
	for (const { row, from, constant } of rows) {
		nextMean[row] = dot(mean, from) + constant;
		for (let k = 0; k < n; k++)
			half[row * n + k] = from.reduce((sum, [i, c]) => sum + c * (cov[i * n + k] ?? 0), 0);
	}
	const next = Float64Array.from(half);
	for (const { row, from } of rows)
		for (let k = 0; k < n; k++)
			next[k * n + row] = from.reduce((sum, [i, c]) => sum + c * (half[k * n + i] ?? 0), 0);
	return { mean: nextMean, cov: next };
}

/** Adds independent doubt of a variance along one direction. */
export function doubt({ mean, cov }: Belief, direction: Sparse, variance: number): Belief {
	if (!(variance > 0)) return { mean, cov };
	const n = mean.length;
	const dense = new Float64Array(n);
	for (const [i, c] of direction) dense[i] = (dense[i] ?? 0) + c;
	const next = Float64Array.from(cov);
	addOuter(next, n, dense, variance);
	return { mean, cov: next };
}

/**
 * Conditions the belief on what was learned of h·x plus its measurement noise: that this sum now has mean
 * `learnt.mean` and variance `learnt.variance`. For a plain measurement y of noise R these are y and 0 (the
 * Kalman update); for a soft interval, the moments of the cut sum.
 */
export function learn(
	belief: Belief,
	h: Sparse,
	noise: number,
	learnt: { mean: number; variance: number }
): Belief {
	const along = covarianceWith(belief, h);
	const spread = Math.max(0, dot(along, h)) + noise;
	if (!(spread > 0)) return belief;
	const n = belief.mean.length;
	const innovation = learnt.mean - dot(belief.mean, h);
	const mean = belief.mean.map((value, i) => value + ((along[i] ?? 0) / spread) * innovation);
	const cov = Float64Array.from(belief.cov);
	addOuter(cov, n, along, -(spread - learnt.variance) / spread ** 2);
	for (let i = 0; i < n; i++) cov[i * n + i] = Math.max(0, cov[i * n + i] ?? 0);
	return { mean, cov };
}
