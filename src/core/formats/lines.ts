/** Says in which line of a text, from 1, a character stands. */
export function lineFinder(text: string): (index: number) => number {
	const starts = [0];
	for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) starts.push(at + 1);
	return (index) => {
		let [low, high] = [0, starts.length];
		while (high - low > 1) {
			const middle = (low + high) >> 1;
			if ((starts[middle] as number) <= index) low = middle;
			else high = middle;
		}
		return low + 1;
	};
}
