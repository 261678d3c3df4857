import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Mask } from '../trip/index.js';
import { cheapest, type ServiceNetwork } from './cheapest.js';

/** What a set of uses costs, straight from what a network says. */
function costOf({ visits, stretches }: ServiceNetwork, used: readonly Mask[]): number {
	const size = visits.length + 2;
	let cost = used.reduce((sum, mask, v) => sum + visits[v]!.cost[mask]!, 0);
	stretches.forEach((stretch, kind) => {
		const nodes = [0, ...used.flatMap((mask, v) => ((mask >> kind) & 1 ? [v + 1] : [])), size - 1];
		for (let i = 1; i < nodes.length; i++) cost += stretch[nodes[i - 1]! * size + nodes[i]!]!;
	});
	return cost;
}

/** Every set of uses, tried. */
function bruteForce(network: ServiceNetwork): number {
	let best = Infinity;
	const walk = (used: readonly Mask[]): void => {
		const visit = network.visits[used.length];
		if (!visit) {
			best = Math.min(best, costOf(network, used));
			return;
		}
		for (let mask = 0; mask < 1 << network.stretches.length; mask++)
			if ((mask & visit.offers) === mask) walk([...used, mask]);
	};
	walk([]);
	return best;
}

const KINDS = 3;
/** A network in which a stretch holds up to a reach, costs by its length, and a visit by its longest way round. */
const network = fc
	.record({
		visits: fc.array(
			fc.record({
				offers: fc.integer({ min: 0, max: 2 ** KINDS - 1 }),
				fees: fc.array(fc.integer({ min: 0, max: 9 }), { minLength: KINDS, maxLength: KINDS }),
				detours: fc.array(fc.integer({ min: 0, max: 9 }), { minLength: KINDS, maxLength: KINDS })
			}),
			{ minLength: 1, maxLength: 6 }
		),
		reach: fc.array(fc.integer({ min: 1, max: 5 }), { minLength: KINDS, maxLength: KINDS }),
		perStretch: fc.integer({ min: 0, max: 3 })
	})
	.map(({ visits, reach, perStretch }): ServiceNetwork => {
		const size = visits.length + 2;
		return {
			visits: visits.map(({ offers, fees, detours }) => ({
				offers,
				cost: Array.from({ length: 2 ** KINDS }, (_, mask) => {
					const used = [0, 1, 2].filter((kind) => (mask >> kind) & 1);
					const fee = used.reduce((sum, kind) => sum + fees[kind]!, 0);
					return (mask & offers) === mask
						? fee + Math.max(0, ...used.map((kind) => detours[kind]!))
						: Infinity;
				})
			})),
			stretches: reach.map((far) =>
				Float64Array.from({ length: size * size }, (_, i) => {
					const length = (i % size) - Math.floor(i / size);
					return length > 0 && length <= far ? perStretch * length ** 2 : Infinity;
				})
			)
		};
	});

describe('the cheapest set of uses', () => {
	it('is what trying every set finds', () => {
		fc.assert(
			fc.property(network, (one) => {
				const used = cheapest(one);
				expect(used ? costOf(one, used) : Infinity).toBeCloseTo(bruteForce(one), 9);
			}),
			{ numRuns: 300 }
		);
	});
	it('a dearer service is never used more', () => {
		fc.assert(
			fc.property(network, fc.nat(), fc.nat(), fc.integer({ min: 1, max: 5 }), (one, at, of, more) => {
				const [v, kind] = [at % one.visits.length, of % KINDS];
				const dearer: ServiceNetwork = {
					...one,
					visits: one.visits.map((visit, i) =>
						i === v
							? { ...visit, cost: visit.cost.map((cost, mask) => ((mask >> kind) & 1 ? cost + more : cost)) }
							: visit
					)
				};
				const uses = (of: ServiceNetwork): boolean => (((cheapest(of)?.[v] ?? 0) >> kind) & 1) === 1;
				if (uses(dearer)) expect(uses(one)).toBe(true);
			})
		);
	});
	it('one fee for two days’ reach: of five visits on the way the second and the fourth, or nothing holds', () => {
		const size = 7;
		const reaching = (far: number): ServiceNetwork => ({
			visits: Array.from({ length: 5 }, () => ({ offers: 1, cost: [0, 1] })),
			stretches: [
				Float64Array.from({ length: size * size }, (_, i) => {
					const length = (i % size) - Math.floor(i / size);
					return length > 0 && length <= far ? 0 : Infinity;
				})
			]
		});
		expect(cheapest(reaching(2))).toEqual([0, 1, 0, 1, 0]);
		expect(cheapest(reaching(0))).toBeUndefined();
		// of plans that cost the same the latest
		expect(cheapest(reaching(5))).toEqual([0, 0, 0, 0, 1]);
	});
});
