export { cholesky, inverseBy, inverseOf, solveBackward, solveForward, solveRight } from './cholesky.js';
export { fnv1a } from './fnv1a.js';
export { lnGamma } from './gamma.js';
export { dot, Gaussian, type FlowNetwork, type NewRow, type Operation, type Sparse } from './gaussian.js';
export { isotonic } from './isotonic.js';
export { Matrix } from './matrix.js';
export { difference, product, productWithTransposed, sumOfMatrices } from './matrixAlgebra.js';
export { blockOf, submatrix } from './matrixParts.js';
export { augment, marginal } from './gaussianParts.js';
export { meanOf, sumOf } from './mean.js';
export { monotoneCubic } from './monotone.js';
export {
	predictive,
	updated,
	type NormalInverseGamma,
	type WeightedSums
} from './normalInverseGamma.js';
export { normalCdf, normalPdf, normalQuantile, Z90 } from './normal.js';
export { quantileOf, spreadOf, type Spread } from './quantile.js';
export { normalAt, seeded, uniformAt, type Random } from './random.js';
export { runToCompletion } from './runToCompletion.js';
export { studentTQuantile } from './studentT.js';
export { mixture, positive, truncate, type Moments, type Truncated } from './truncatedNormal.js';
