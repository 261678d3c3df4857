import { describe, expect, it } from 'vitest';
import { plumbingOf, readyRig, readyRigs } from '../../../../core/rig/index.js';
import { placePlumbing } from './placePlumbing.js';

describe.each(readyRigs.map(({ id }) => id))('the schematic of %s', (id) => {
	let n = 0;
	const plumbing = plumbingOf(readyRig(id, 'Mine', () => `id${++n}`));
	it.each([true, false])('across: %s; no boxes overlap, all lie inside, and water runs one way', (across) => {
		const { nodes, pipes, width, height } = placePlumbing(plumbing, across);
		expect(nodes).toHaveLength(plumbing.nodes.length);
		for (const one of nodes) {
			expect(one.x).toBeGreaterThanOrEqual(0);
			expect(one.x + one.width).toBeLessThanOrEqual(width + 1e-6);
			expect(one.y + one.height).toBeLessThanOrEqual(height + 1e-6);
			for (const other of nodes)
				if (other !== one)
					expect(
						one.x + one.width <= other.x ||
							other.x + other.width <= one.x ||
							one.y + one.height <= other.y ||
							other.y + other.height <= one.y
					).toBe(true);
		}
		const at = new Map(nodes.map((placed) => [placed.node.id, across ? placed.x : placed.y]));
		for (const { pipe, d } of pipes) {
			expect(d).toMatch(/^M[\d.]+ [\d.]+/);
			expect(at.get(pipe.to)).toBeGreaterThan(at.get(pipe.from) ?? Infinity);
		}
	});
});
