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

	/** The product with a vector of as many numbers as there are columns. */
	times(vector: ArrayLike<number>): Float64Array {
		return Float64Array.from({ length: this.rows }, (_, i) => {
			let sum = 0;
			for (let k = 0; k < this.columns; k++) sum += this.at(i, k) * (vector[k] as number);
			return sum;
		});
	}
}
