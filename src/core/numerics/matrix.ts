/**
 * A dense matrix of doubles, row by row, changed in place: the element in row i and column k stands at i · columns + k.
 * Indices are not checked; what lies outside is NaN.
 */
export class Matrix {
	readonly rows: number;
	readonly columns: number;
	readonly values: Float64Array;

	/** @param values rows · columns numbers, row by row, taken over and not copied; zeros when absent */
	constructor(rows: number, columns: number = rows, values = new Float64Array(rows * columns)) {
		this.rows = rows;
		this.columns = columns;
		this.values = values;
	}

	at(row: number, column: number): number {
		return this.values[row * this.columns + column] as number;
	}

	set(row: number, column: number, value: number): void {
		this.values[row * this.columns + column] = value;
	}

	add(row: number, column: number, value: number): void {
		const at = row * this.columns + column;
		this.values[at] = (this.values[at] as number) + value;
	}

	copy(): Matrix {
		return new Matrix(this.rows, this.columns, this.values.slice());
	}

	/** One row as a view: what is written into it is written into the matrix. */
	row(row: number): Float64Array {
		return this.values.subarray(row * this.columns, (row + 1) * this.columns);
	}

	/** Row `to` gains `factor` times row `from`. */
	addRow(to: number, factor: number, from: number): void {
		const { values, columns } = this;
		const [target, source] = [to * columns, from * columns];
		for (let k = 0; k < columns; k++)
			values[target + k] = (values[target + k] as number) + factor * (values[source + k] as number);
	}

	/** Column `to` gains `factor` times column `from`. */
	addColumn(to: number, factor: number, from: number): void {
		const { values, columns } = this;
		for (let row = 0; row < values.length; row += columns)
			values[row + to] = (values[row + to] as number) + factor * (values[row + from] as number);
	}

	/** Of a square matrix: puts a row into the column of the same number, so that the two agree. */
	mirrorRow(row: number): void {
		const { values, columns } = this;
		for (let k = 0; k < columns; k++) values[k * columns + row] = values[row * columns + k] as number;
	}

	/** A copy of the part that begins at a row and a column. */
	block(row: number, column: number, rows: number, columns: number = rows): Matrix {
		const out = new Matrix(rows, columns);
		for (let i = 0; i < rows; i++)
			for (let k = 0; k < columns; k++) out.set(i, k, this.at(row + i, column + k));
		return out;
	}

	/** The rows and columns of some indices, in their order. */
	pick(indices: readonly number[]): Matrix {
		const out = new Matrix(indices.length);
		indices.forEach((row, i) => indices.forEach((column, k) => out.set(i, k, this.at(row, column))));
		return out;
	}

	/** This matrix plus another of the same shape. */
	plus(other: Matrix): Matrix {
		return this.#combined(other, 1);
	}

	/** This matrix less another of the same shape. */
	minus(other: Matrix): Matrix {
		return this.#combined(other, -1);
	}

	#combined({ values }: Matrix, sign: 1 | -1): Matrix {
		const sum = this.values.map((value, i) => value + sign * (values[i] as number));
		return new Matrix(this.rows, this.columns, sum);
	}

	/** The matrix product A·B. */
	times(other: Matrix): Matrix {
		const out = new Matrix(this.rows, other.columns);
		for (let i = 0; i < this.rows; i++)
			for (let k = 0; k < other.columns; k++) {
				let sum = 0;
				for (let j = 0; j < this.columns; j++) sum += this.at(i, j) * other.at(j, k);
				out.set(i, k, sum);
			}
		return out;
	}

	/** The product A·v with a vector of as many numbers as there are columns. */
	timesVector(vector: ArrayLike<number>): Float64Array {
		return Float64Array.from({ length: this.rows }, (_, i) => {
			let sum = 0;
			for (let k = 0; k < this.columns; k++) sum += this.at(i, k) * (vector[k] as number);
			return sum;
		});
	}

	/** The product A·Bᵀ. */
	timesTransposed(other: Matrix): Matrix {
		const out = new Matrix(this.rows, other.rows);
		for (let i = 0; i < this.rows; i++)
			for (let k = 0; k < other.rows; k++) {
				let sum = 0;
				for (let j = 0; j < this.columns; j++) sum += this.at(i, j) * other.at(k, j);
				out.set(i, k, sum);
			}
		return out;
	}
}
