import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import { dispersionOf } from './ahead/cadence.js';
import { dailyChange, dayAhead, litresPerDay, totalsOf } from './index.js';

const at = '2027-05-01T06:00:00Z';
const known = estimate(logbookOf(freshStart()), 'rig', Date.parse(at));
const day = dayAhead(known, { persons: 2, measures: [] });

describe('an exact day, by hand', () => {
	it('draws 8 of showers, 12 of dishes, 4 of flushes', () => {
		expect(litresPerDay(known, day)).toBeCloseTo(24, 12);
		expect(dailyChange(known, day, 'main')).toBe(-24);
		expect(dailyChange(known, day, 'grey')).toBeCloseTo(20, 12);
		expect(dailyChange(known, day, 'black')).toBeCloseTo(6, 12);
	});
	it('where nothing is said of what goes unwritten, written and unwritten together come to the usual', () => {
		for (const often of [{}, { sd: undefined }]) {
			const rig = {
				...exactRig,
				unlogged: undefined,
				habits: exactRig.habits.map((habit) => ({ ...habit, often: { ...habit.often, ...often } }))
			};
			const new_ = estimate(logbookOf(freshStart(), rig), 'rig', Date.parse(at));
			// and the small draws that are in no habit
			expect(litresPerDay(new_, dayAhead(new_, { persons: 2, measures: [] }))).toBeCloseTo(24 * 1.06, -0.3);
		}
	});
	it('a measure in force changes what a day takes', () =>
		expect(litresPerDay(known, dayAhead(known, { persons: 2, measures: ['short'] }))).toBeCloseTo(20, 12));
});

it('adds up a day: measured litres count as measured, void entries not at all', () => {
	const entries = [
		entry({ kind: 'use', at, habit: 'shower', times: 2 }),
		entry({ kind: 'use', at, habit: 'dishes', times: 1, litres: 4.5 }),
		entry({ kind: 'use', at, habit: 'dishes', times: 9, void: true }),
		entry({ kind: 'fill', at, tank: 'main', litres: 40 }),
		entry({ kind: 'fill', at, tank: 'main', to: 'full' }),
		entry({ kind: 'dump', at, tank: 'grey', to: 'empty' })
	];
	expect(totalsOf(entries, new Map([['shower', 8]]))).toEqual({
		usedL: 20.5,
		filledL: 40,
		unmeasuredFills: 1,
		dumps: 1
	});
});

describe('how unevenly habits fall on days, by hand', () => {
	/** Dishes done so many times on each of the days before an evening. */
	const over = (...counts: readonly number[]) => {
		const log = counts.flatMap((times, i) =>
			times === 0 ? [] : [entry({ kind: 'use', at: `2027-05-0${i + 2}T12:00:00Z`, habit: 'dishes', times })]
		);
		const begun = entry({ kind: 'note', at: '2027-05-01T18:00:00Z', text: 'off we go' });
		return dispersionOf(estimate(logbookOf([begun, ...log]), 'rig', Date.parse('2027-05-05T18:00:00Z')));
	};
	it('without a log, the usual: 0.7', () => expect(dispersionOf(known)).toBeCloseTo(0.7, 12));
	// the usual weighs as 6 degrees of freedom, four days of one habit are 3
	it('by the clock, it falls', () => expect(over(2, 2, 2, 2)).toBeCloseTo((0.7 * 6) / 9, 12));
	it('by fits and starts, it rises', () =>
		expect(over(0, 3, 0, 3)).toBeCloseTo((0.7 * 6 + 9 / 1.5 - 3 * 1.5 * (0.2 ** 2 + 0.25 ** 2)) / 9, 12));
	it('and never beyond reason', () => expect(over(0, 0, 0, 40)).toBe(1.5));
});
