/** A sparse vector: index → coefficient. */
export type Sparse = readonly Pair[];
type Pair = readonly [index: number, coefficient: number];

/** x[row] becomes Σ coefficient · x[index] + constant. */
export interface NewRow {
	readonly row: number;
	readonly from: Sparse;
	readonly constant: number;
}

/** What was done to a belief, as far as it carries knowledge from one moment to the next; see `influence`. */
export type Operation =
	| { readonly kind: 'flow'; readonly source: number; readonly gains: Sparse; readonly litres: number }
	| { readonly kind: 'flow together'; readonly network: Network; readonly litres: Float64Array }
	/** rows replaced, with the variance of each before and after */
	| { readonly kind: 'move'; readonly rows: readonly NewRow[]; readonly taken: readonly number[] }
	| { readonly kind: 'set'; readonly index: number }
	/** a measurement of h·x: its gain, and the variance of its innovation */
	| { readonly kind: 'learn'; readonly h: Sparse; readonly gain: Float64Array; readonly variance: number };

/** Sources that flow into targets: what one unit of each source brings to each target. No target is a source. */
export interface Network {
	readonly sources: Int32Array;
	readonly targets: Int32Array;
	/** by target, then by source */
	readonly gains: Float64Array;
}

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
	/** n × n, row by row */
	readonly cov: Float64Array;
	/** where its operations are written down while somebody asks what each of them taught */
	tape: Operation[] | undefined;

	constructor(
		size: number,
		mean: Float64Array = new Float64Array(size),
		cov: Float64Array = new Float64Array(size * size)
	) {
		this.size = size;
		this.mean = mean;
		this.cov = cov;
	}

	copy(): Gaussian {
		return new Gaussian(this.size, this.mean.slice(), this.cov.slice());
	}

	/** An independent component with its own mean and deviation. */
	set(index: number, mean: number, sd: number): void {
		this.tape?.push({ kind: 'set', index });
		const n = this.size;
		for (let k = 0; k < n; k++) this.cov[index * n + k] = this.cov[k * n + index] = 0;
		this.mean[index] = mean;
		this.cov[index * n + index] = sd * sd;
	}

	sdOf(index: number): number {
		return Math.sqrt(Math.max(0, this.cov[index * this.size + index] ?? 0));
	}

	/** The covariance of every component with h·x. */
	along(h: Sparse): Float64Array {
		const n = this.size;
		const out = new Float64Array(n);
		for (const [i, c] of h) {
			const row = i * n;
			for (let k = 0; k < n; k++) out[k] = (out[k] as number) + c * (this.cov[row + k] as number);
		}
		return out;
	}

	varianceOf(h: Sparse): number {
		let sum = 0;
		for (const [i, c] of h) for (const [j, d] of h) sum += c * d * (this.cov[i * this.size + j] as number);
		return Math.max(0, sum);
	}

	/** Every named row gains its coefficient times x[source], and the constant; the source is none of the rows. */
	flow(source: number, gains: Sparse, litres: number, constant = 0): void {
		this.tape?.push({ kind: 'flow', source, gains, litres });
		const n = this.size;
		const { mean, cov } = this;
		const from = source * n;
		for (let g = 0; g < gains.length; g++) {
			const gain = gains[g] as Pair;
			const k = gain[1] * litres;
			const to = gain[0] * n;
			mean[gain[0]] = (mean[gain[0]] as number) + k * (mean[source] as number) + gain[1] * constant;
			for (let i = 0; i < n; i++) cov[to + i] = (cov[to + i] as number) + k * (cov[from + i] as number);
		}
		for (let g = 0; g < gains.length; g++) {
			const gain = gains[g] as Pair;
			const k = gain[1] * litres;
			for (let row = 0; row < n * n; row += n)
				cov[row + gain[0]] = (cov[row + gain[0]] as number) + k * (cov[row + source] as number);
		}
		// The same sums taken in another order differ in their last digit: keep one of them.
		for (let g = 0; g < gains.length; g++) {
			const row = (gains[g] as Pair)[0];
			for (let i = 0; i < n; i++) cov[i * n + row] = cov[row * n + i] as number;
		}
	}

	/** Every target gains from every source at once, by so many units of each. */
	flowTogether(network: Network, litres: Float64Array): void {
		this.tape?.push({ kind: 'flow together', network, litres: litres.slice() });
		const { sources, targets, gains } = network;
		const n = this.size;
		const { mean, cov } = this;
		const count = sources.length;
		for (let t = 0; t < targets.length; t++) {
			const to = targets[t] as number;
			for (let s = 0; s < count; s++) {
				const k = (gains[t * count + s] as number) * (litres[s] as number);
				if (k === 0) continue;
				const from = sources[s] as number;
				mean[to] = (mean[to] as number) + k * (mean[from] as number);
				for (let i = 0; i < n; i++)
					cov[to * n + i] = (cov[to * n + i] as number) + k * (cov[from * n + i] as number);
			}
		}
		for (let t = 0; t < targets.length; t++) {
			const to = targets[t] as number;
			for (let row = 0; row < n; row++) {
				let sum = cov[row * n + to] as number;
				for (let s = 0; s < count; s++)
					sum +=
						(gains[t * count + s] as number) *
						(litres[s] as number) *
						(cov[row * n + (sources[s] as number)] as number);
				cov[row * n + to] = sum;
			}
		}
		for (let t = 0; t < targets.length; t++) {
			const to = targets[t] as number;
			for (let i = 0; i < n; i++) cov[i * n + to] = cov[to * n + i] as number;
		}
	}

	/** Independent doubt of each source's flow, by its variance, and of all together along one sum of them. */
	doubtTogether({ sources, targets, gains }: Network, variances: Float64Array, sums: Float64Array): void {
		const n = this.size;
		const { cov } = this;
		const count = sources.length;
		for (let a = 0; a < targets.length; a++)
			for (let b = 0; b <= a; b++) {
				let sum = 0;
				let [one, other] = [0, 0];
				for (let s = 0; s < count; s++) {
					const [ga, gb] = [gains[a * count + s] as number, gains[b * count + s] as number];
					sum += (variances[s] as number) * ga * gb;
					one += ga * (sums[s] as number);
					other += gb * (sums[s] as number);
				}
				sum += one * other;
				const [i, k] = [targets[a] as number, targets[b] as number];
				cov[i * n + k] = (cov[i * n + k] as number) + sum;
				if (i !== k) cov[k * n + i] = cov[i * n + k] as number;
			}
	}

	/** The named rows are replaced at once, the others stay. */
	move(rows: readonly NewRow[]): void {
		const n = this.size;
		const { mean, cov } = this;
		const means = rows.map(({ from, constant }) => dot(mean, from) + constant);
		const news = rows.map(({ from }) => this.along(from));
		const taken = rows.map(({ row, from }) => (cov[row * n + row] as number) - this.varianceOf(from));
		this.tape?.push({ kind: 'move', rows, taken });
		// Between two replaced rows: from·P·from'.
		const cross = rows.map((_, i) => rows.map(({ from }) => dot(news[i] as Float64Array, from)));
		rows.forEach(({ row }, i) => {
			mean[row] = means[i] as number;
			const now = news[i] as Float64Array;
			for (let k = 0; k < n; k++) cov[row * n + k] = cov[k * n + row] = now[k] as number;
		});
		rows.forEach(({ row }, i) =>
			rows.forEach(({ row: other }, j) => {
				cov[row * n + other] = (cross[i] as readonly number[])[j] as number;
			})
		);
	}

	/** Independent doubt of one component. */
	widen(index: number, variance: number): void {
		const at = index * (this.size + 1);
		this.cov[at] = (this.cov[at] as number) + variance;
	}

	/** Independent doubt of a variance along one direction. */
	doubt(direction: Sparse, variance: number): void {
		if (!(variance > 0)) return;
		const { cov, size } = this;
		for (let a = 0; a < direction.length; a++) {
			const one = direction[a] as Pair;
			const scaled = one[1] * variance;
			for (let b = 0; b < direction.length; b++) {
				const other = direction[b] as Pair;
				const at = one[0] * size + other[0];
				cov[at] = (cov[at] as number) + scaled * other[1];
			}
		}
	}

	/**
	 * Conditions on what was learned of h·x plus its measurement noise: that this sum now has mean `learnt.mean` and
	 * variance `learnt.variance`. For a plain measurement y of noise R these are y and 0 (the Kalman update); for a
	 * soft interval, the moments of the cut sum.
	 */
	learn(h: Sparse, noise: number, learnt: { readonly mean: number; readonly variance: number }): void {
		const along = this.along(h);
		const own = Math.max(0, dot(along, h));
		const spread = own + noise;
		if (!(spread > 0) || learnt.variance >= spread) return;
		// Cutting the sum to a variance V is as measuring it with the noise S·V/(S − V).
		const soft = (spread * learnt.variance) / (spread - learnt.variance);
		const whole = spread + soft;
		const innovation = ((learnt.mean - dot(this.mean, h)) * whole) / spread;
		const n = this.size;
		const { mean, cov } = this;
		const gain = along.map((value) => value / whole);
		this.tape?.push({ kind: 'learn', h, gain, variance: whole });
		for (let i = 0; i < n; i++) mean[i] = (mean[i] as number) + (gain[i] as number) * innovation;
		// (I − K h) P (I − K h)ᵀ + K R Kᵀ written out: P − K aᵀ − a Kᵀ + K S Kᵀ with a = P hᵀ.
		for (let i = 0; i < n; i++) {
			const [g, a] = [gain[i] as number, along[i] as number];
			if (g === 0) continue;
			for (let k = 0; k <= i; k++) {
				const other = gain[k] as number;
				const value = (cov[i * n + k] as number) - g * (along[k] as number) - a * other + whole * g * other;
				cov[i * n + k] = cov[k * n + i] = i === k ? Math.max(0, value) : value;
			}
		}
	}
}
