import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { beside, crosses, overlap, type Box } from './collisions';

const box = (left: number, top: number, size = 20): Box => ({
	left,
	top,
	right: left + size,
	bottom: top + size
});

describe('what stands in each other’s way on a map', () => {
	it('a line through a box, past it, and one that ends before it', () => {
		expect(
			crosses(
				[
					[0, 10],
					[100, 10]
				],
				box(40, 0)
			)
		).toBe(true);
		expect(
			crosses(
				[
					[0, 30],
					[100, 30]
				],
				box(40, 0)
			)
		).toBe(false);
		expect(
			crosses(
				[
					[0, 10],
					[30, 10]
				],
				box(40, 0)
			)
		).toBe(false);
		expect(crosses([[50, 5]], box(40, 0))).toBe(false);
	});
	it('agrees with walking along the line in small steps', () => {
		const at = fc.integer({ min: 0, max: 60 });
		fc.assert(
			fc.property(fc.tuple(at, at), fc.tuple(at, at), (from, to) => {
				const wall = box(20, 20);
				const walked = Array.from({ length: 2001 }, (_, i) => i / 2000).some((t) => {
					const [x, y] = [from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])];
					return x >= wall.left && x <= wall.right && y >= wall.top && y <= wall.bottom;
				});
				// what only touches a corner between two steps is neither
				if (walked) expect(crosses([from, to], wall)).toBe(true);
				else expect(crosses([from, to], { left: 20.1, top: 20.1, right: 39.9, bottom: 39.9 })).toBe(false);
			})
		);
	});
	it('a sign beside a stop hides it no more, and one that is free stays', () => {
		const stops = [box(0, 0)];
		const [shift, free] = beside(stops, [box(4, 4), box(200, 0)], 13);
		expect(free).toEqual([0, 0]);
		expect(shift).not.toEqual([0, 0]);
		const [x, y] = shift ?? [0, 0];
		expect(overlap({ left: 4 + x, right: 24 + x, top: 4 + y, bottom: 24 + y }, box(0, 0))).toBe(false);
	});
});
