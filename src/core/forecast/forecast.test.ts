import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import { estimate, type Estimate } from '../estimate/index.js';
import type { Entry, Rig } from '../logbook/index.js';
import { choleskyOf } from './draw.js';
import { forecast, seeded } from './index.js';
import { spreadOf } from './quantile.js';

const at = '2027-05-01T06:00:00Z';
const from = (rig: Rig = exactRig, entries: readonly Entry[] = freshStart()): Estimate =>
	estimate(logbookOf(entries, rig), 'rig', Date.parse(at));
const vague: Rig = {
	...exactRig,
	habits: exactRig.habits.map((habit) => ({
		...habit,
		litresEach: { mean: habit.litresEach.mean, sd: 0.3 * habit.litresEach.mean },
		often: { times: habit.often.times, per: habit.often.per }
	}))
};

describe('an exact rig, by hand: 24 L a day from Main, 20 to Grey, 6 to the cassette', () => {
	const answer = forecast(from(), { days: 20, paths: 50 });
	const daysOf = (id: string) => answer.tanks.find((tank) => tank.id === id)?.days;
	it('the cassette binds after 18 L, three days; Grey after 75 L', () => {
		expect(answer.autonomyDays).toEqual({ p10: 3, p50: 3, p90: 3 });
		expect(daysOf('grey')).toEqual({ p10: 3.75, p50: 3.75, p90: 3.75 });
		expect(answer.binding).toEqual([{ tank: 'black', probability: 1 }]);
	});
	it('says the level after each day', () => {
		const grey = answer.tanks.find(({ id }) => id === 'grey')?.byDay;
		expect(grey?.[0]).toEqual({ day: 1, p10: 20, p50: 20, p90: 20 });
		expect(grey?.[2]?.p50).toBe(60);
		expect(grey).toHaveLength(20);
	});
	it('a measure, fewer persons and more persons change it', () => {
		const grey = (options: object) =>
			forecast(from(), { days: 20, paths: 20, ...options }).tanks.find(({ id }) => id === 'grey')?.days.p50;
		expect(grey({ measures: ['short'] })).toBeCloseTo(75 / 16, 9);
		// one person: half the showers and flushes, the dishes stay
		expect(grey({ persons: 1 })).toBeGreaterThan(4.4);
		expect(grey({ persons: 4 })).toBeCloseTo(75 / 28, 9);
	});
	it('a habit that the rig no longer has is not lived on, though entries name it', () => {
		const without: Rig = {
			...exactRig,
			habits: exactRig.habits.map((habit) => (habit.id === 'dishes' ? { ...habit, retired: true } : habit))
		};
		const washed = entry({ kind: 'use', at: '2027-05-01T05:00:00Z', habit: 'dishes', times: 1 });
		const lived = forecast(from(without, [washed, ...freshStart()]), { days: 20, paths: 20 });
		// 8 L of showers a day are left of the 20 that Grey took
		expect(lived.tanks.find(({ id }) => id === 'grey')?.days.p50).toBeCloseTo(75 / 8, 6);
	});
	it('a tank never reached answers the days asked for', () =>
		expect(forecast(from(), { days: 2, paths: 20 }).autonomyDays.p50).toBe(2));
	it('a carried jug never binds', () => {
		const jug = {
			id: 'jug',
			name: 'Jug',
			holds: 'fresh',
			nominalL: 10,
			usableL: 10,
			reserveL: 0,
			feeds: 'main',
			portable: true
		} as const;
		const rig = { ...exactRig, tanks: [...exactRig.tanks, jug] };
		expect(forecast(from(rig), { days: 9, paths: 20 }).tanks.at(-1)?.days.p50).toBe(9);
	});
});

describe('a doubtful rig', () => {
	it('gives the same answer for the same seed, and another for another', () => {
		const run = (seed: number) => forecast(from(vague), { days: 20, paths: 300, seed });
		expect(run(1)).toEqual(run(1));
		expect(run(1)).not.toEqual(run(2));
	});
	it('orders its percentiles, and gives the binding chances a sum of at most one', () =>
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 99 }), (persons, seed) => {
				const answer = forecast(from(vague), { days: 15, paths: 60, persons, seed });
				for (const { days } of answer.tanks) {
					expect(days.p10).toBeLessThanOrEqual(days.p50);
					expect(days.p50).toBeLessThanOrEqual(days.p90);
					expect(answer.autonomyDays.p50).toBeLessThanOrEqual(days.p50 + 1e-9);
				}
				expect(answer.binding.reduce((sum, { probability }) => sum + probability, 0)).toBeLessThanOrEqual(
					1 + 1e-9
				);
			}),
			{ numRuns: 25 }
		));
	it('spreads as a random walk does: 75 L of room at twelve times 1 L a day, against its diffusion', () => {
		// the litres of one time and of a day's mean are sure: only how days fall scatters
		const [litres, times, room] = [1, 12, 75];
		const walks: Rig = {
			...exactRig,
			habits: exactRig.habits
				.filter(({ id }) => id === 'dishes')
				.map((habit) => ({
					...habit,
					litresEach: { mean: litres, sd: 0 },
					often: { times, per: 'day', sd: 1e-6 }
				}))
		};
		const { days } = forecast(from(walks), { days: 30, paths: 4000 }).tanks[1] ?? { days: undefined };
		// the usual dispersion of single times, and days that differ by a fifth or so
		const ofOneDay = litres ** 2 * (0.7 * times + (0.22 * times) ** 2);
		const mean = room / (litres * times);
		const sd = Math.sqrt(ofOneDay * mean) / (litres * times);
		expect(Math.abs((days?.p50 ?? 0) - mean)).toBeLessThan(0.15);
		expect(((days?.p90 ?? 0) - (days?.p10 ?? 0)) / (2 * 1.2816 * sd)).toBeGreaterThan(0.85);
		expect(((days?.p90 ?? 0) - (days?.p10 ?? 0)) / (2 * 1.2816 * sd)).toBeLessThan(1.15);
	});
	it('a log that shows another cadence is believed more and more', () => {
		const uses = Array.from({ length: 10 }, (_, i) =>
			entry({
				kind: 'use',
				at: `2027-05-${String(i + 1).padStart(2, '0')}T12:00:00Z`,
				habit: 'dishes',
				times: 1
			})
		);
		const busy = estimate(
			logbookOf([...freshStart(), ...uses, ...freshStart('2027-05-11T06:00:00Z')], {
				...vague,
				unlogged: { mean: 0, sd: 0 }
			}),
			'rig',
			Date.parse('2027-05-11T06:00:00Z')
		);
		const believed = forecast(busy, { days: 30, paths: 400 }).tanks[1]?.days.p50 ?? 0;
		// one wash-up a day and hardly a shower: not the 20 L a day that the rig states
		expect(believed).toBeGreaterThan(7);
	});
});

it('refuses to look nowhere', () => {
	expect(() => forecast(from(), { days: 0 })).toThrow(/at least 1/);
	expect(() => forecast(from(), { days: Number.NaN })).toThrow(RangeError);
});

describe('drawing', () => {
	it('the root times its transpose is the covariance, also when one component is sure', () => {
		const cov = Float64Array.of(4, 2, 0, 2, 5, 0, 0, 0, 0);
		const root = choleskyOf(cov, 3, [0, 1, 2]);
		for (let i = 0; i < 3; i++)
			for (let j = 0; j < 3; j++) {
				let sum = 0;
				for (let k = 0; k < 3; k++) sum += (root[i * 3 + k] ?? 0) * (root[j * 3 + k] ?? 0);
				expect(sum).toBeCloseTo(cov[i * 3 + j] ?? Number.NaN, 12);
			}
	});
	it('normal numbers have mean 0 and variance 1', () => {
		const random = seeded(7);
		const drawn = Array.from({ length: 20_000 }, () => random.normal());
		const mean = drawn.reduce((a, b) => a + b, 0) / drawn.length;
		expect(Math.abs(mean)).toBeLessThan(0.03);
		expect(drawn.reduce((a, b) => a + (b - mean) ** 2, 0) / drawn.length).toBeCloseTo(1, 1);
	});
	it('quantiles are linear between order statistics', () =>
		expect(spreadOf(Float64Array.of(4, 1, 2)).p90).toBeCloseTo(3.6, 12));
});
