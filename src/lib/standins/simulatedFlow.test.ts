import { describe, expect, it } from 'vitest';
import { readingAfter, specOf } from './simulatedFlow';

const query = (text: string) => specOf(new URLSearchParams(text));

describe('the simulated flow meter', () => {
	it('by hand: 12 L a minute for 30 seconds are 6 L, in gallons 1.58', () => {
		const spec = { from: 431.6, counts: 'up', litresPerUnit: 1, lpm: 12 } as const;
		expect(readingAfter(spec, 30_000)).toEqual({ shows: 437.6, lpm: 12 });
		expect(readingAfter({ ...spec, litresPerUnit: 3.785411784 }, 30_000).shows).toBeCloseTo(433.1, 9);
		expect(readingAfter({ ...spec, counts: 'down', from: 5 }, 30_000).shows).toBe(0);
		expect(readingAfter(spec, -5).shows).toBe(431.6);
	});
	it('counts on from where it began after it was not heard for a while', () => {
		const spec = { from: 0, counts: 'up', litresPerUnit: 1, lpm: 60 } as const;
		expect(readingAfter(spec, 20_000).shows).toBe(20);
	});
	it('says which part of its address is none', () => {
		expect(query('from=3&lpm=12')).toEqual({
			spec: { from: 3, lpm: 12, litresPerUnit: 1, counts: 'up' },
			elapsedMs: 0
		});
		expect(query('lpm=12')).toMatchObject({ wrong: expect.stringContaining('from') });
		expect(query('from=3&lpm=0')).toMatchObject({ wrong: expect.stringContaining('lpm') });
		expect(query('from=3&lpm=12&counts=sideways')).toMatchObject({
			wrong: expect.stringContaining('counts')
		});
		expect(query('from=x&lpm=12&elapsedMs=-1')).toMatchObject({ wrong: expect.stringContaining('from') });
	});
});
