import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { weekFactors, weeksOf } from './weekdays.js';

const FLAT = [1, 1, 1, 1, 1, 1, 1];
const weeks = (n: number): number[] => FLAT.map(() => n);
const sum = (list: readonly number[]): number => list.reduce((total, one) => total + one, 0);

describe('days of the week', () => {
	it('laundry on six Saturdays is laundry on Saturday, not a seventh each day', () => {
		const found = weekFactors([0, 0, 0, 0, 0, 6, 0], weeks(6), FLAT);
		expect(found[5]).toBeGreaterThan(5);
		for (const d of [0, 1, 2, 3, 4, 6]) expect(found[d]).toBeLessThan(0.4);
	});
	it('what falls as it comes stays flat: two wash-ups a day for six weeks, twelve a day of the week', () => {
		for (const one of weekFactors([13, 11, 12, 14, 10, 12, 12], weeks(6), FLAT))
			expect(Math.abs(one - 1)).toBeLessThan(0.06);
	});
	it('weekends of three times a workday are known after six weeks, by hand: 7 · 3 / 11 of a mean day', () => {
		const found = weekFactors([12, 12, 12, 12, 12, 36, 36], weeks(6), FLAT);
		// 12 · 7 / 132 = 0.64 and 36 · 7 / 132 = 1.91, a little nearer to one
		expect(found[0]).toBeGreaterThan(0.62);
		expect(found[0]).toBeLessThan(0.75);
		expect(found[6]).toBeGreaterThan(1.65);
		expect(found[6]).toBeLessThan(1.92);
	});
	it('one busy Saturday is no habit yet', () => {
		expect(weekFactors([1, 1, 1, 1, 1, 3, 1], weeks(1), FLAT)[5]).toBeLessThan(1.25);
	});
	it('a day on which nobody was there is taken to be as it usually is', () => {
		const usual = [0.5, 0.5, 0.5, 0.5, 0.5, 2.25, 2.25];
		const found = weekFactors([3, 3, 3, 3, 3, 0, 0], [6, 6, 6, 6, 6, 0, 0], usual);
		expect((found[5] ?? 0) / (found[0] ?? 1)).toBeGreaterThan(3);
	});
	it('whatever was counted, no factor is below nothing, and a week is as much as it was', () => {
		const times = fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 7, maxLength: 7 });
		const days = fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 7, maxLength: 7 });
		fc.assert(
			fc.property(times, days, (counted, lived) => {
				const found = weekFactors(counted, lived, FLAT);
				for (const one of found) expect(one).toBeGreaterThanOrEqual(0);
				expect(sum(found)).toBeCloseTo(7, 9);
			})
		);
	});
	it('what the rig calls exact is as it says, whatever was written', () => {
		const exact = {
			id: 'shower',
			name: 'Shower',
			outlet: 'shower',
			litresEach: { mean: 8, sd: 0 },
			often: { times: 1, per: 'day', sd: 0 }
		} as const;
		const times = new Map([['shower', Float64Array.from([0, 0, 0, 0, 0, 9, 9])]]);
		expect(weeksOf([exact], { days: Float64Array.from(weeks(9)), times }).size).toBe(0);
	});
});
