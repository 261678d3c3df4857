import { expect, test } from 'vitest';
import { COUNT, countOf } from './counts.js';

test.each([
	['for a week', 1],
	['for an hour', 1],
	['for eight nights', 8],
	['for Nine days', 9],
	['for 120 days', 120]
])('%s: how many', (text, count) => {
	const found = new RegExp(String.raw`^for ${COUNT} \w+$`, 'i').exec(text)?.[1] ?? '';
	expect(countOf(found)).toBe(count);
});
