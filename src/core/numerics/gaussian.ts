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
		const out = new Float64Array(this.size);
		for (const [i, c] of h) {
			const row = this.cov.row(i);
			for (let k = 0; k < this.size; k++) out[k] = (out[k] as number) + c * (row[k] as number);
		}
		return out;
	}

	/** The variance of h·x. */
	varianceOf(h: Sparse): number {
		let sum = 0;
		for (const [i, c] of h) for (const [j, d] of h) sum += c * d * this.cov.at(i, j);
		return Math.max(0, sum);
	}

	/**
	 * Every named row gains its coefficient times `times` · x[source] + `constant`; the source is none of the rows.
	 *
	 * @param times how many times what one unit of the source brings
	 * @param constant comes on top of `times` · x[source], in the units of the source
	 */
	propagateFlow(source: number, gains: Sparse, times: number, constant = 0): void {
		this.tape?.push({ kind: 'flow', source, gains, times });
		const { mean, cov } = this;
		for (const [row, gain] of gains) {
			mean[row] = (mean[row] as number) + gain * times * (mean[source] as number) + gain * constant;
			cov.addRow(row, gain * times, source);
		}
		for (const [row, gain] of gains) cov.addColumn(row, gain * times, source);
		// The same sums taken in another order differ in their last digit: keep one of them.
		for (const [row] of gains) cov.mirrorRow(row);
	}

	/**
	 * Every target gains from every source at once.
	 *
	 * @param exposure by source: how many units of it flow
	 */
	propagateNetwork(network: FlowNetwork, exposure: Float64Array): void {
		this.tape?.push({ kind: 'network', network, exposure: exposure.slice() });
		const { sources, targets, gains } = network;
		const { mean, cov } = this;
		for (let t = 0; t < targets.length; t++) {
			const target = targets[t] as number;
			for (let s = 0; s < sources.length; s++) {
				const k = gains.at(t, s) * (exposure[s] as number);
				if (k === 0) continue;
				const source = sources[s] as number;
				mean[target] = (mean[target] as number) + k * (mean[source] as number);
				cov.addRow(target, k, source);
			}
		}
		for (let t = 0; t < targets.length; t++) {
			const target = targets[t] as number;
			for (let row = 0; row < this.size; row++) {
				let sum = cov.at(row, target);
				for (let s = 0; s < sources.length; s++)
					sum += gains.at(t, s) * (exposure[s] as number) * cov.at(row, sources[s] as number);
				cov.set(row, target, sum);
			}
		}
		for (let t = 0; t < targets.length; t++) cov.mirrorRow(targets[t] as number);
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
			cov.mirrorRow(row);
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
		for (let a = 0; a < targets.length; a++)
			for (let b = 0; b <= a; b++) {
				let sum = 0;
				let [one, other] = [0, 0];
				for (let s = 0; s < sources.length; s++) {
					const [ga, gb] = [gains.at(a, s), gains.at(b, s)];
					sum += (variances[s] as number) * ga * gb;
					one += ga * (together[s] as number);
					other += gb * (together[s] as number);
				}
				sum += one * other;
				const [i, k] = [targets[a] as number, targets[b] as number];
				this.cov.add(i, k, sum);
				if (i !== k) this.cov.set(k, i, this.cov.at(i, k));
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
		const gain = along.map((value) => value / whole);
		this.tape?.push({ kind: 'condition', h, gain, variance: whole });
		for (let i = 0; i < this.size; i++)
			this.mean[i] = (this.mean[i] as number) + (gain[i] as number) * innovation;
		// (I − K h) P (I − K h)ᵀ + K R Kᵀ written out: P − K aᵀ − a Kᵀ + K S Kᵀ with a = P hᵀ.
		const n = this.size;
		const { values } = this.cov;
		for (let i = 0; i < n; i++) {
			const [g, a] = [gain[i] as number, along[i] as number];
			if (g === 0) continue;
			for (let k = 0; k <= i; k++) {
				const other = gain[k] as number;
				const value =
					(values[i * n + k] as number) - g * (along[k] as number) - a * other + whole * g * other;
				values[i * n + k] = values[k * n + i] = i === k ? Math.max(0, value) : value;
			}
		}
	}
}
