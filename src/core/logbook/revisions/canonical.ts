/** JSON with sorted keys: equal for equal values, however they were written down. */
export const canonical = (value: unknown): string =>
	JSON.stringify(value, (_, part: unknown) =>
		typeof part === 'object' && part !== null && !Array.isArray(part)
			? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
			: part
	);
