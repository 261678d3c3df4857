/** One step of a rising fit: the value, its weight, and how many inputs it joins. */
interface Block {
	value: number;
	weight: number;
	count: number;
}

/**
 * The non-decreasing sequence closest to some values in weighted least squares (pool adjacent violators; Barlow,
 * Bartholomew, Bremner and Brunk 1972).
 *
 * @param weights one above 0 for each value; all equal when absent
 */
export function isotonic(
	values: readonly number[],
	weights: readonly number[] = values.map(() => 1)
): readonly number[] {
	const blocks: Block[] = [];
	values.forEach((value, i) => {
		let last: Block = { value, weight: weights[i] ?? 1, count: 1 };
		for (let before = blocks.at(-1); before && before.value > last.value; before = blocks.at(-1)) {
			blocks.pop();
			const weight = before.weight + last.weight;
			last = {
				value: (before.value * before.weight + last.value * last.weight) / weight,
				weight,
				count: before.count + last.count
			};
		}
		blocks.push(last);
	});
	return blocks.flatMap(({ value, count }) => Array.from({ length: count }, () => value));
}
