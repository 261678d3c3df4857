import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exactRig } from '../../../../tests/helpers/logbooks.js';
import type { Habit, Measure, Rig } from '../../logbook/index.js';
import { flowOf, litresByRecipe } from './index.js';

const shower: Habit = {
	...exactRig.habits[0]!,
	recipe: { warmUpL: 1, runMin: 1, flowLpm: 6, pauseMin: 2, trickleLpm: 0.5 }
};
const measure = (effect: Measure['effect']): Measure => ({ id: 'm', name: 'M', habit: 'shower', effect });
/** Litres that one shower of so many litres moves in each tank. */
function moved(litres: number, rig: Rig, measures: readonly string[] = [], mains = false, sewer = false) {
	const habit = rig.habits.find(({ id }) => id === 'shower')!;
	const { tanks } = flowOf(rig, habit, { mains, sewer, measures });
	return Object.fromEntries(
		[...tanks].map(([id, { perLitre, fixed }]) => [id, Number((perLitre * litres + fixed).toFixed(9))])
	);
}
const withEffect = (effect: Measure['effect'], more: Partial<Rig> = {}): Rig => ({
	...exactRig,
	habits: [shower, ...exactRig.habits.slice(1)],
	measures: [measure(effect)],
	...more
});

describe('one shower of 8 L through the plumbing, by hand', () => {
	it('as it is: from Main to Grey', () => expect(moved(8, exactRig)).toEqual({ main: -8, grey: 8 }));
	it('a recipe: 1 + 1 × 6 + 2 × ½', () => {
		expect(litresByRecipe(shower.recipe!)).toBe(8);
		expect(litresByRecipe({})).toBe(0);
	});
	it('a part of the recipe replaced: a valve that truly shuts saves the trickle, an eighth', () =>
		expect(moved(8, withEffect({ kind: 'recipe', parts: { trickleLpm: 0 } }), ['m'])).toEqual({
			main: -7,
			grey: 7
		}));
	it('a habit without a recipe is left as it is by one', () => {
		const plain = withEffect({ kind: 'recipe', parts: { trickleLpm: 0 } }, { habits: exactRig.habits });
		expect(moved(8, plain, ['m'])).toEqual({ main: -8, grey: 8 });
	});
	it('shorter, set, led back, taken elsewhere', () => {
		expect(moved(8, withEffect({ kind: 'scale', factor: 0.5 }), ['m'])).toEqual({ main: -4, grey: 4 });
		expect(moved(8, withEffect({ kind: 'set', litres: 5 }), ['m'])).toEqual({ main: -5, grey: 5 });
		expect(moved(8, withEffect({ kind: 'return', litres: 1 }), ['m'])).toEqual({ main: -7, grey: 7 });
		expect(moved(8, withEffect({ kind: 'outside' }), ['m'])).toEqual({ grey: 8 });
	});
	it('the cold start caught for the toilet: a litre less in Grey, a litre in the cassette, a litre of flushing spared', () =>
		expect(
			moved(8, withEffect({ kind: 'reroute', litres: 1, to: 'black', replaces: 'flush' }), ['m'])
		).toEqual({ main: -7, grey: 7, black: 0 }));
	it('hooked up: mains draws past the tank, an open sewer keeps nothing', () => {
		expect(moved(8, exactRig, [], true)).toEqual({ grey: 8 });
		expect(moved(8, exactRig, [], false, true)).toEqual({ main: -8 });
	});
});

it('whatever the measure, no water is made: what waste gains is at most what fresh loses', () => {
	const effect: fc.Arbitrary<Measure['effect']> = fc.oneof(
		fc.record({ kind: fc.constant('scale' as const), factor: fc.double({ min: 0, max: 1, noNaN: true }) }),
		fc.record({ kind: fc.constant('set' as const), litres: fc.double({ min: 0, max: 9, noNaN: true }) }),
		fc.record({ kind: fc.constant('return' as const), litres: fc.double({ min: 0, max: 2, noNaN: true }) }),
		fc.record({
			kind: fc.constant('recipe' as const),
			parts: fc.record({ runMin: fc.double({ min: 0, max: 3, noNaN: true }) })
		})
	);
	fc.assert(
		fc.property(effect, fc.double({ min: 2, max: 20, noNaN: true }), (what, litres) => {
			const { main = 0, grey = 0 } = moved(litres, withEffect(what), ['m']);
			expect(grey).toBeCloseTo(-main, 6);
		})
	);
});
