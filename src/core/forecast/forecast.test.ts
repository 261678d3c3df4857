import { normalAt, seeded, spreadOf } from '../numerics/index.js';

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import {
	dayFactorSd,
	dispersionPrior,
	estimate,
	type Estimate,
	habitDayFactorSd,
	withEntry
} from '../estimate/index.js';
import type { Entry, Rig } from '../logbook/index.js';
import { dayAhead } from '../habits/index.js';
import { autonomyOf, COMPARED_PATHS, forecast, forecastByDay, prices, type More } from './index.js';
import { chanceStream } from './sampler/index.js';

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
		// the usual dispersion of single times, and busy and quiet days
		const ofOneDay =
			litres ** 2 * (dispersionPrior * times + (dayFactorSd ** 2 + habitDayFactorSd ** 2) * times ** 2);
		const mean = room / (litres * times);
		const sd = Math.sqrt(ofOneDay * mean) / (litres * times);
		expect(Math.abs((days?.p50 ?? 0) - mean)).toBeLessThan(0.15);
		expect(((days?.p90 ?? 0) - (days?.p10 ?? 0)) / (2 * 1.2816 * sd)).toBeGreaterThan(0.85);
		expect(((days?.p90 ?? 0) - (days?.p10 ?? 0)) / (2 * 1.2816 * sd)).toBeLessThan(1.15);
	});
	it.each([
		// 4 % of a day's use fall into the eight hours of a night: of half a day's, 46 % are left for the morning
		{ asked: '23:00', hours: 8 + (0.46 / 0.96) * 16 },
		{ asked: '07:00', hours: (0.5 / 0.96) * 16 },
		// three waking hours are left, then the night, then the morning
		{ asked: '20:00', hours: 3 + 8 + ((0.5 - 0.04 - (3 / 16) * 0.96) / 0.96) * 16 }
	])('half a day of water, asked at $asked, lasts through the night if there is one', ({ asked, hours }) => {
		const nowIso = `2027-05-01T${asked}:00Z`;
		const washes: Rig = {
			...exactRig,
			habits: exactRig.habits
				.filter(({ id }) => id === 'dishes')
				.map((habit) => ({
					...habit,
					litresEach: { mean: 150 / 24, sd: 0 },
					often: { times: 24, per: 'day', sd: 1e-6 }
				}))
		};
		const now = estimate(logbookOf(freshStart(nowIso), washes), 'rig', Date.parse(nowIso));
		const { days } = forecast(now, { days: 9, paths: 4000 }).tanks[1] ?? { days: undefined };
		expect(Math.abs(24 * (days?.p50 ?? 0) - hours)).toBeLessThan(1);
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
		// one wash-up a day and hardly a shower: not the 20 L a day that the rig states, which would be 3.75 days
		expect(believed).toBeGreaterThan(5);
	});
});

it('tells a long forecast day by day, and comes to the same', () => {
	const parts = [...forecastByDay(from(vague), { days: 40, paths: 50 })].map((part) => part());
	expect(parts).toHaveLength(40);
	const whole = forecast(from(vague), { days: 40, paths: 50 });
	expect(parts.at(-1)).toEqual(whole);
	const [first] = forecastByDay(from(vague), { days: 40, paths: 50 });
	expect(first?.().tanks[0]?.byDay).toEqual(whole.tanks[0]?.byDay.slice(0, 1));
});

it('refuses to look nowhere', () => {
	expect(() => forecast(from(), { days: 0 })).toThrow(/at least 1/);
	expect(() => forecast(from(), { days: Number.NaN })).toThrow(RangeError);
});

describe('drawing', () => {
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

describe('what one more time costs', () => {
	const day = (of: Estimate) => dayAhead(of, { persons: 2, measures: [] });
	const hours = (of: Estimate): readonly number[] =>
		prices(of, day(of), { days: 30 }).map((price) => price.hours);
	/** all else lasts: Grey is first */
	const roomy: Rig = {
		...exactRig,
		tanks: exactRig.tanks.map((tank) =>
			tank.id === 'grey' ? tank : { ...tank, nominalL: 200, usableL: 200 }
		)
	};
	it('by hand: 0.75 L of 18 that come at 6 L a day are three hours; a shower does not touch the cassette', () => {
		const [shower, dishes, flush] = hours(from());
		expect(shower).toBeCloseTo(0, 9);
		expect(dishes).toBeCloseTo(0, 9);
		expect(flush).toBeCloseTo(3, 9);
	});
	it('a shower is 8 of the 20 L a day that fill Grey, 9.6 hours; a flush does not touch it', () => {
		const [shower, dishes, flush] = hours(from(roomy));
		expect(shower).toBeCloseTo(9.6, 9);
		expect(dishes).toBeCloseTo(7.2, 9);
		expect(flush).toBeCloseTo(0, 9);
	});
	/** A rig that says nothing of what goes unwritten, after so many days of log; 0 is ten minutes. */
	const after = (days: number): Estimate => {
		const rig: Rig = { ...vague, unlogged: undefined, instruments: [] };
		const lived = Array.from({ length: Math.floor(days) }, (_, i): readonly Entry[] => [
			entry({ kind: 'use', at: `2027-05-0${i + 1}T12:00:00Z`, habit: 'dishes', times: 2 }),
			entry({ kind: 'use', at: `2027-05-0${i + 1}T15:00:00Z`, habit: 'shower', times: 1 })
		]).flat();
		const begun = [...freshStart('2027-05-01T06:00:00Z'), ...lived];
		const now = Date.UTC(2027, 4, 1 + days, 6, 10);
		const served = [
			...begun,
			...freshStart(new Date(now - 600_000).toISOString()).map((one) => ({ ...one, id: `${one.id}-${days}` }))
		];
		return estimate(logbookOf(served, rig), 'rig', now);
	};
	const options = { days: 30, paths: COMPARED_PATHS };
	it('so many times cost so many prices, at any age of the log, within a tenth', () =>
		fc.assert(
			fc.property(
				fc.constantFrom(0, 1, 4, 8),
				fc.constantFrom('shower', 'dishes', 'flush'),
				fc.integer({ min: 1, max: 3 }),
				(age, habit, times) => {
					const now = after(age);
					const use = entry({ kind: 'use', at: new Date(now.atMs).toISOString(), habit, times });
					const { tank: about, binding } = autonomyOf(now, options);
					const days = (of: Estimate, more: readonly More[] = []): number =>
						autonomyOf(of, { ...options, about, more }).days;
					const moved = 24 * (days(now) - days(withEntry(now, use)));
					const asked = 24 * (days(now) - days(now, [{ habit, times }]));
					expect(Math.abs(moved - asked)).toBeLessThan(0.1 * asked + 1 / 60);
					// where tanks end the stay nearly together, the first litres cost less than the last
					if ((binding.get(about ?? '') ?? 0) < 0.95) return;
					const price = prices(now, day(now), { days: 30, about }).find((one) => one.habit === habit)?.hours;
					expect(Math.abs(moved - times * (price ?? 0))).toBeLessThan(0.1 * times * (price ?? 0) + 1 / 60);
				}
			),
			{ numRuns: 36 }
		));
	it('two showers in a newcomer’s first ten minutes cost two showers, not a way of life', () => {
		const now = after(0);
		const at = new Date(now.atMs).toISOString();
		const showered = withEntry(now, entry({ kind: 'use', at, habit: 'shower', times: 2 }));
		const main = (estimate: Estimate): number =>
			forecast(estimate, options).tanks.find(({ id }) => id === 'main')?.days.p50 ?? 0;
		// 16 L of some 24 a day
		expect(24 * (main(now) - main(showered))).toBeGreaterThan(0.7 * 16);
		expect(24 * (main(now) - main(showered))).toBeLessThan(1.3 * 16);
		expect(dayAhead(showered, { persons: 2, measures: [] }).habits[0]?.cadence).toEqual(
			dayAhead(now, { persons: 2, measures: [] }).habits[0]?.cadence
		);
	});
});

describe('steady answers', () => {
	const now = from({ ...vague, unlogged: undefined });
	const stay = (estimate: Estimate): number => autonomyOf(estimate, { days: 30, paths: 500 }).days;
	const MINUTE = 1 / 1440;
	it('an entry that touches nothing changes nothing, to the minute', () => {
		for (const idle of [
			entry({ kind: 'dump', at, tank: 'grey', to: 'empty' }),
			entry({ kind: 'dump', at, tank: 'black', to: 'empty' }),
			entry({ kind: 'fill', at, tank: 'main', to: 'full' }),
			entry({ kind: 'note', at, text: 'calm' }),
			entry({ kind: 'measure', at, measure: 'short', on: false }),
			entry({ kind: 'crew', at, persons: 2 })
		])
			expect(Math.abs(stay(withEntry(now, idle)) - stay(now)), idle.kind).toBeLessThan(MINUTE);
	});
	it('guests, a measure and a hook-up say what they will do', () => {
		const four = stay(withEntry(now, entry({ kind: 'crew', at, persons: 4 })));
		const one = stay(withEntry(now, entry({ kind: 'crew', at, persons: 1 })));
		expect(four).toBeLessThan(0.8 * stay(now));
		expect(one).toBeGreaterThan(1.2 * stay(now));
		const sewer = withEntry(now, entry({ kind: 'hookup', at, mains: true, sewer: true }));
		expect(stay(sewer)).toBeGreaterThan(stay(now));
		const main = forecast(withEntry(now, entry({ kind: 'measure', at, measure: 'short', on: true })), {
			days: 30
		}).tanks[0]?.days.p50;
		expect(main).toBeGreaterThan(forecast(now, { days: 30 }).tanks[0]?.days.p50 ?? Infinity);
	});
	it('people who come aboard tomorrow count from tomorrow on', () => {
		const later = withEntry(now, entry({ kind: 'crew', at: '2027-05-02T06:00:00Z', persons: 4 }));
		const [first, second] = [later, now].map((one) => forecast(one, { days: 10 }).tanks[0]?.byDay);
		expect(first?.[0]).toEqual(second?.[0]);
		expect(first?.[1]?.p50).toBeLessThan(second?.[1]?.p50 ?? 0);
	});
	it('each variable has a stream of its own: what one is asked for changes nothing of another', () => {
		const [one, other] = [chanceStream(20, 'times', 1), chanceStream(20, 'times', 2)];
		const drawn = Array.from({ length: 4000 }, () => [normalAt(one.slot()), normalAt(other.slot())] as const);
		const together = drawn.reduce((sum, [a, b]) => sum + a * b, 0) / drawn.length;
		expect(Math.abs(together)).toBeLessThan(0.06);
		expect(chanceStream(20, 'times', 1).slot()).toBe(chanceStream(20, 'times', 1).slot());
	});
});
