import { describe, expect, it } from 'vitest';
import { DAY, drawCase, MANNERS, START } from '../../../../bench/truth/index.js';
import { estimate } from '../estimate.js';
import { smoothedSums, smoothedPast } from './index.js';

describe('the account of a stretch', () => {
	// Two ways to the same belief: a state that is carried along, and a pass backward (Rauch, Tung and Striebel).
	it.each(['meter and habits', 'meter resets', 'rod and habits', 'everything'])(
		'begins where a backward pass says that the tanks stood: %s',
		(name) => {
			const manner = MANNERS.find((one) => one.name === name)!;
			let compared = 0;
			for (const seed of [1, 2, 3])
				for (const day of [4.3, 5.7]) {
					const { logbook } = drawCase(seed, manner, 9);
					const fromMs = START + day * DAY;
					const then = estimate(logbook, 'rig', START + 8 * DAY);
					const pools = then.model.pools.map(({ index }) => index);
					const account = smoothedSums(then, { fromMs, scope: { pools, meters: [], drawn: false } });
					for (const { id, levels } of smoothedPast(then, fromMs)) {
						const usableL = then.model.places.get(id)!.pool.usableL;
						const back = levels[0]!.litres;
						// The backward pass walks in steps of three hours, this one from entry to entry. At its ends a level that is shown is held back by them.
						if (back < 0.2 * usableL || back > 0.8 * usableL) continue;
						compared++;
						expect(Math.abs(account.levelsOf(id).start - back)).toBeLessThan(0.02 * usableL);
					}
				}
			expect(compared).toBeGreaterThan(5);
		}
	);

	it('knows at each cut what had flowed by then: the parts are the whole', () => {
		const { logbook } = drawCase(
			4,
			MANNERS.find(({ name }) => name === 'meter and habits')!,
			9
		);
		const then = estimate(logbook, 'rig', START + 8 * DAY);
		const days = [1, 2, 3, 4, 5];
		const { cuts, rows, of } = smoothedSums(then, {
			fromMs: START + 3 * DAY,
			scope: { pools: [], meters: [], drawn: true },
			cuts: ({ habits, streams }) =>
				days.map((day) => ({
					ms: START + (3 + day) * DAY,
					sums: [[...habits.values(), ...streams].map((row) => [row, 1] as const)]
				}))
		});
		const by = cuts.map(([row]) => of([[row as number, 1]]).mean);
		for (const [i, sum] of by.entries()) expect(sum).toBeGreaterThan(by[i - 1] ?? 0);
		// The last cut is the end.
		expect(by.at(-1)).toBeCloseTo(
			of([...rows.habits.values(), ...rows.streams].map((row) => [row, 1])).mean,
			6
		);
	});
});
