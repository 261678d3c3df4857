import { Matrix } from './matrix.js';

/** A sparse vector: index → coefficient. */
export type Sparse = readonly Pair[];
type Pair = readonly [index: number, coefficient: number];

/** x[row] becomes Σ coefficient · x[index] + constant. */
export interface NewRow {
	readonly row: number;
	readonly from: Sparse;
	readonly constant: number;
}

/** What was done to a belief, as far as it carries knowledge from one moment to the next: what a sensitivity goes back over. */
export type Operation =
	| {
			readonly kind: 'flow';
			readonly source: number;
			readonly gains: Sparse;
			readonly times: number;
	  }
	| { readonly kind: 'network'; readonly network: FlowNetwork; readonly exposure: Float64Array }
	/** rows replaced, with the variance of each before less the variance after */
	| { readonly kind: 'rows'; readonly rows: readonly NewRow[]; readonly taken: readonly number[] }
	| { readonly kind: 'replace'; readonly index: number }
	/** a measurement of h·x: its gain, n numbers, and the variance of its innovation */
	| {
			readonly kind: 'condition';
			readonly h: Sparse;
			readonly gain: Float64Array;
			readonly variance: number;
	  };

/** Sources that flow into targets: what one unit of each source brings to each target. No target is a source. */
export interface FlowNetwork {
	readonly sources: Int32Array;
	readonly targets: Int32Array;
	/** targets × sources */
	readonly gains: Matrix;
}

/** The product h·v of a sparse vector with a dense one. */
export const dot = (vector: Float64Array, h: Sparse): number => {
	let sum = 0;
	for (const [i, c] of h) sum += c * (vector[i] ?? 0);
	return sum;
};

/** Of a square matrix, row by row: row `to` gains `factor` times row `from`. */
function addRow(values: Float64Array, n: number, to: number, factor: number, from: number): void {
	const target = to * n;
	const source = from * n;
	for (let k = 0; k < n; k++)
		values[target + k] = (values[target + k] as number) + factor * (values[source + k] as number);
}

/** Puts a row into the column of the same number, so that the two agree. */
function mirrorRow(values: Float64Array, n: number, row: number): void {
	const from = row * n;
	for (let k = 0; k < n; k++) values[k * n + row] = values[from + k] as number;
}

/**
 * A joint normal belief over n numbers, kept in place: a replay of years moves it many thousand times, so its verbs
 * change it and say nothing. Whoever needs it as it was takes a copy first. The covariance stays symmetric by
 * construction, and positive semi-definite since every update is a product (Joseph's form, Bucy and Joseph 1968).
 */
export class Gaussian {
	readonly size: number;
	readonly mean: Float64Array;
	/** n × n, symmetric */
	readonly cov: Matrix;
	#rows: Int32Array | undefined;
	#factors: Float64Array | undefined;
	/** where its operations are written down while somebody asks what each of them taught */
	tape: Operation[] | undefined;

	constructor(size: number, mean: Float64Array = new Float64Array(size), cov: Matrix = new Matrix(size)) {
		this.size = size;
		this.mean = mean;
		this.cov = cov;
	}

	copy(): Gaussian {
		return new Gaussian(this.size, this.mean.slice(), this.cov.copy());
	}

	/** Puts an independent component with its own mean and standard deviation in the place of one. */
	replace(index: number, mean: number, sd: number): void {
		this.tape?.push({ kind: 'replace', index });
		for (let k = 0; k < this.size; k++) {
			this.cov.set(index, k, 0);
			this.cov.set(k, index, 0);
		}
		this.mean[index] = mean;
		this.cov.set(index, index, sd * sd);
	}

	/** The standard deviation of one component. */
	sdOf(index: number): number {
		return Math.sqrt(Math.max(0, this.cov.at(index, index)));
	}

	/** The covariance of every component with h·x, n numbers. */
	covarianceWith(h: Sparse): Float64Array {
		const n = this.size;
		const { values } = this.cov;
		const out = new Float64Array(n);
		for (const [i, c] of h)
			for (let k = 0; k < n; k++) out[k] = (out[k] as number) + c * (values[i * n + k] as number);
		return out;
	}

	/** The variance of h·x. */
	varianceOf(h: Sparse): number {
		return Math.max(0, this.covarianceOf(h, h));
	}

	/** The covariance of two sums. */
	covarianceOf(h: Sparse, g: Sparse): number {
		let sum = 0;
		for (const [i, c] of h) for (const [j, d] of g) sum += c * d * this.cov.at(i, j);
		return sum;
	}

	/** The joint belief of some sums of the components. */
	ofSums(sums: readonly Sparse[]): Gaussian {
		const small = new Gaussian(sums.length);
		sums.forEach((h, i) => {
			small.mean[i] = dot(this.mean, h);
			for (let k = 0; k <= i; k++) {
				const both = this.covarianceOf(h, sums[k] as Sparse);
				small.cov.set(i, k, both);
				small.cov.set(k, i, both);
			}
		});
		return small;
	}

	/**
	 * Every named row gains its coefficient times `times` · x[source] + `constant`; the source is none of the rows, and none is
	 * named twice.
	 *
	 * @param times how many times what one unit of the source brings
	 * @param constant comes on top of `times` · x[source], in the units of the source
	 */
	propagateFlow(source: number, gains: Sparse, times: number, constant = 0): void {
		this.tape?.push({ kind: 'flow', source, gains, times });
		const { mean, size: n } = this;
		const { values } = this.cov;
		const count = gains.length;
		// Typed copies: each pair is looked at as often as there are pairs.
		const rows = (this.#rows ??= new Int32Array(n));
		const factors = (this.#factors ??= new Float64Array(n));
		for (let a = 0; a < count; a++) {
			const [row, gain] = gains[a] as Pair;
			rows[a] = row;
			factors[a] = gain * times;
			mean[row] = (mean[row] as number) + gain * times * (mean[source] as number) + gain * constant;
			addRow(values, n, row, gain * times, source);
		}
		// F P Fᵀ is symmetric: the columns are the rows, but for what the rows that gain have of each other.
		for (let a = 0; a < count; a++)
			for (let b = 0; b < count; b++) {
				const row = (rows[b] as number) * n;
				const at = row + (rows[a] as number);
				values[at] = (values[at] as number) + (factors[a] as number) * (values[row + source] as number);
			}
		for (let a = 0; a < count; a++) mirrorRow(values, n, rows[a] as number);
	}

	/**
	 * Every target gains from every source at once.
	 *
	 * @param exposure by source: how many units of it flow
	 */
	propagateNetwork(network: FlowNetwork, exposure: Float64Array): void {
		this.tape?.push({ kind: 'network', network, exposure: exposure.slice() });
		const { sources, targets, gains } = network;
		const { mean, size: n } = this;
		const { values } = this.cov;
		const factors = (this.#factors ??= new Float64Array(n));
		for (let t = 0; t < targets.length; t++) {
			const target = targets[t] as number;
			for (let s = 0; s < sources.length; s++) {
				const k = gains.at(t, s) * (exposure[s] as number);
				if (k === 0) continue;
				const source = sources[s] as number;
				mean[target] = (mean[target] as number) + k * (mean[source] as number);
				addRow(values, n, target, k, source);
			}
		}
		// As above: only what the targets have of each other is not in their rows yet.
		for (let t = 0; t < targets.length; t++) {
			for (let s = 0; s < sources.length; s++) factors[s] = gains.at(t, s) * (exposure[s] as number);
			for (let u = 0; u < targets.length; u++) {
				const row = (targets[u] as number) * n;
				let sum = values[row + (targets[t] as number)] as number;
				for (let s = 0; s < sources.length; s++)
					sum += (factors[s] as number) * (values[row + (sources[s] as number)] as number);
				values[row + (targets[t] as number)] = sum;
			}
		}
		for (let t = 0; t < targets.length; t++) mirrorRow(values, n, targets[t] as number);
	}

	/** The named rows are replaced at once by sums of rows; the others stay. */
	propagate(rows: readonly NewRow[]): void {
		const { mean, cov } = this;
		const means = rows.map(({ from, constant }) => dot(mean, from) + constant);
		const news = rows.map(({ from }) => this.covarianceWith(from));
		const taken = rows.map(({ row, from }) => cov.at(row, row) - this.varianceOf(from));
		this.tape?.push({ kind: 'rows', rows, taken });
		// Between two replaced rows: from·P·from'.
		const cross = news.map((now) => rows.map(({ from }) => dot(now, from)));
		rows.forEach(({ row }, i) => {
			mean[row] = means[i] as number;
			cov.row(row).set(news[i] as Float64Array);
			mirrorRow(cov.values, this.size, row);
		});
		rows.forEach(({ row }, i) =>
			rows.forEach(({ row: other }, j) => cov.set(row, other, (cross[i] as readonly number[])[j] as number))
		);
	}

	/** Independent noise of a variance along one direction; none where the variance is not above 0. */
	addNoise(direction: Sparse, variance: number): void {
		if (!(variance > 0)) return;
		for (const [row, one] of direction) {
			const scaled = one * variance;
			for (const [column, other] of direction) this.cov.add(row, column, scaled * other);
		}
	}

	/** Independent noise of one component. */
	addNoiseAt(index: number, variance: number): void {
		this.cov.add(index, index, variance);
	}

	/**
	 * Independent noise of each source's flow, and of all together along one sum of them.
	 *
	 * @param variances by source
	 * @param together by source: the deviation that it has in common with all others
	 */
	addNetworkNoise(
		{ sources, targets, gains }: FlowNetwork,
		variances: Float64Array,
		together: Float64Array
	): void {
		const { size: n } = this;
		const { values } = this.cov;
		for (let a = 0; a < targets.length; a++)
			for (let b = 0; b <= a; b++) {
				let sum = 0;
				let one = 0;
				let other = 0;
				for (let s = 0; s < sources.length; s++) {
					const ga = gains.at(a, s);
					const gb = gains.at(b, s);
					sum += (variances[s] as number) * ga * gb;
					one += ga * (together[s] as number);
					other += gb * (together[s] as number);
				}
				const i = targets[a] as number;
				const k = targets[b] as number;
				values[i * n + k] = values[k * n + i] = (values[i * n + k] as number) + (sum + one * other);
			}
	}

	/**
	 * Conditions on what was learned of h·x plus its measurement noise: that this sum now has mean `learnt.mean` and
	 * variance `learnt.variance`. For a plain measurement y of noise R these are y and 0 (the Kalman update); for a
	 * soft interval, the moments of the cut sum.
	 *
	 * @param noise variance of the measurement's own noise
	 */
	condition(h: Sparse, noise: number, learnt: { readonly mean: number; readonly variance: number }): void {
		const along = this.covarianceWith(h);
		const own = Math.max(0, dot(along, h));
		const spread = own + noise;
		if (!(spread > 0) || learnt.variance >= spread) return;
		// Cutting the sum to a variance V is as measuring it with the noise S·V/(S − V).
		const soft = (spread * learnt.variance) / (spread - learnt.variance);
		const whole = spread + soft;
		const innovation = ((learnt.mean - dot(this.mean, h)) * whole) / spread;
		const n = this.size;
		const gain = new Float64Array(n);
		for (let i = 0; i < n; i++) gain[i] = (along[i] as number) / whole;
		this.tape?.push({ kind: 'condition', h, gain, variance: whole });
		// (I − K h) P (I − K h)ᵀ + K R Kᵀ written out: P − K aᵀ − a Kᵀ + K S Kᵀ with a = P hᵀ.
		const { values } = this.cov;
		for (let i = 0; i < n; i++) {
			const g = gain[i] as number;
			if (g === 0) continue;
			this.mean[i] = (this.mean[i] as number) + g * innovation;
			const a = along[i] as number;
			const row = i * n;
			for (let k = 0; k < i; k++) {
				const other = gain[k] as number;
				values[row + k] = values[k * n + i] =
					(values[row + k] as number) - g * (along[k] as number) - a * other + whole * g * other;
			}
			values[row + i] = Math.max(0, (values[row + i] as number) - g * a - a * g + whole * g * g);
		}
	}
}
