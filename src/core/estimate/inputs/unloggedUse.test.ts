import { type Random, seeded } from '../../numerics/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import type { Entry, Rig } from '../../logbook/index.js';
import { estimate, readLevels } from '../index.js';
import { OWN_SHARE, SHARES } from './paceGrid.js';
import { useInLog } from './unloggedUse.js';

/** Nothing is stated of unlogged use; habits are doubtful. */
const rig: Rig = {
	...exactRig,
	unlogged: undefined,
	habits: exactRig.habits.map((habit) => ({
		...habit,
		litresEach: { mean: habit.litresEach.mean, sd: 0.25 * habit.litresEach.mean },
		often: { times: habit.often.times, per: habit.often.per }
	}))
};
const at = (day: number, hour: number): string => new Date(Date.UTC(2027, 4, day, hour)).toISOString();
const use = (day: number, hour: number, habit: string, times: number): Entry =>
	entry({ kind: 'use', at: at(day, hour), habit, times });
/** Five days in which a share of the usual day is written down: 1 shower, 2 wash-ups, 8 flushes for two. */
const days = (share: number): readonly Entry[] =>
	[1, 2, 3, 4, 5].flatMap((day) => [
		use(day, 8, 'flush', 8 * share),
		use(day, 12, 'dishes', 2 * share),
		use(day, 19, 'shower', share)
	]);
const answer = (entries: readonly Entry[], when = at(6, 6), of = rig) =>
	readLevels(estimate(logbookOf([...freshStart(), ...entries], of), 'rig', Date.parse(when)));

describe('what nobody writes down', () => {
	it('is next to nothing for those who write everything, and half of it for those who write half', () => {
		// A usual day is 8 + 12 + 4 = 24 L for two.
		// What is left are rinses and splashes that are in no habit, and a doubt whether all is written: no reading tells yet
		// that they do not live faster and write less.
		expect(answer(days(1)).unlogged.litresPerPersonDay).toBeLessThan(3);
		const half = answer(days(0.5)).unlogged;
		expect(half.litresPerPersonDay).toBeGreaterThan(3.5);
		expect(half.litresPerPersonDay).toBeLessThan(8);
		expect(answer(days(0)).unlogged.litresPerPersonDay).toBeGreaterThan(9);
	});
	it('goes where its habit goes: flushes that are not in the log fill the cassette', () => {
		// two days of 8 flushes that bring 0.75 L each
		const twoDays = days(1).slice(0, 6);
		const cassette = (entries: readonly Entry[]) => answer(entries, at(3, 6)).tanks[2]!;
		const all = cassette(twoDays);
		const without = cassette(twoDays.filter((one) => one.kind !== 'use' || one.habit !== 'flush'));
		expect(Math.abs(all.litres - 12)).toBeLessThan(1.5);
		// Those who write their showers may yet never write a flush: most are taken as forgotten, and the band knows of all.
		expect(without.litres).toBeGreaterThan(5);
		expect(without.high).toBeGreaterThan(12);
		expect(without.high - without.low).toBeGreaterThan(1.5 * (all.high - all.low));
	});
	it('follows the waking day of the trip’s zone: little between midnight and six', () => {
		const night = [at(2, 23), at(3, 5)].map((when) => answer([], when).tanks[0]?.litres ?? 0);
		const noon = [at(3, 8), at(3, 14)].map((when) => answer([], when).tanks[0]?.litres ?? 0);
		const used = ([before = 0, after = 0]: readonly number[]): number => before - after;
		expect(used(night)).toBeLessThan(0.25 * used(noon));
		const east = { ...exactTrip, timeZone: 'Asia/Tokyo', persons: 2 };
		const there = (when: string): number =>
			readLevels(estimate(logbookOf(freshStart(), rig, [east]), 'rig', Date.parse(when))).tanks[0]?.litres ??
			0;
		// Eight to fourteen o'clock in the one is late afternoon to night in the other.
		expect(there(at(2, 16)) - there(at(2, 21))).toBeLessThan(0.35 * (there(at(2, 1)) - there(at(2, 6))));
	});
	it('a rig without habits is drawn down through its outlets, and a meter tells how fast', () => {
		const bare: Rig = { ...rig, habits: [], measures: [] };
		const meter = [0, 18, 36, 54].map((value, i) =>
			entry({ kind: 'reading', at: at(1 + i, 6), instrument: 'pump', value })
		);
		const { tanks, unlogged } = answer(meter, at(4, 6), bare);
		// 100 L less 54 L; 18 L a day by two people, and a little of what is usual elsewhere.
		expect(Math.abs((tanks[0]?.litres ?? 0) - 46)).toBeLessThan(1.5);
		expect(Math.abs(unlogged.litresPerPersonDay - 9)).toBeLessThan(1);
	});
});

describe('laws of doubt', () => {
	/** of the belief itself: held between empty and full, a level is surer the nearer it comes to either */
	const sdOf = (entries: readonly Entry[], when: string, pool: number): number =>
		estimate(logbookOf([...freshStart(), ...entries], rig), 'rig', Date.parse(when)).belief.sdOf(pool);
	it('without a reading, time only widens', () => {
		fc.assert(
			fc.property(fc.integer({ min: 6, max: 11 }), fc.integer({ min: 1, max: 60 }), (hour, quarters) => {
				// within one part of the day: at its end, what was or was not written down teaches
				const [before, after] = [at(1, hour), new Date(Date.UTC(2027, 4, 1, hour, quarters)).toISOString()];
				for (const pool of [0, 1, 2]) expect(sdOf([], after, pool)).toBeGreaterThan(sdOf([], before, pool));
			})
		);
	});
	it('a reading that is taken in never widens what it is of', () => {
		let taken = 0;
		fc.assert(
			fc.property(fc.integer({ min: 9, max: 60 }), fc.constantFrom('empty', '1/3', '2/3'), (hours, value) => {
				const when = at(1, hours);
				const look = entry({ kind: 'reading', at: when, instrument: 'lights', value });
				const read = estimate(logbookOf([...freshStart(), look], rig), 'rig', Date.parse(when));
				fc.pre(read.state.doubts.length === 0);
				taken++;
				expect(read.belief.sdOf(1)).toBeLessThanOrEqual(sdOf([], when, 1) + 1e-9);
			})
		);
		expect(taken).toBeGreaterThan(50);
	});
});

describe('what the counts say, against a count of lives', () => {
	/** A gamma number of a shape and mean 1 (sums of exponentials, for whole shapes). */
	const gamma = (shape: number, random: Random): number => {
		let sum = 0;
		for (let i = 0; i < shape; i++) sum -= Math.log(1 - random.uniform());
		return sum / shape;
	};
	const poisson = (mean: number, random: Random): number => {
		let [count, product] = [0, random.uniform()];
		for (const limit = Math.exp(-mean); product > limit; count++) product *= random.uniform();
		return count;
	};
	it('a shower usually once a day, six written in ten days: of lives drawn from the prior, those with this log', () => {
		const random = seeded(4);
		const [k, days, seen, litres] = [16, 10, 6, 8];
		const { unlogged, logged } = useInLog([
			{ usual: 1, cadenceSd: 1 / Math.sqrt(k), times: seen, exposure: days, perDay: 0, litres }
		]);
		let [kept, unwritten, square, written] = [0, 0, 0, 0];
		for (let i = 0; i < 200_000; i++) {
			const pick = (weights: readonly number[]): number => {
				let left = random.uniform() * weights.reduce((sum, weight) => sum + weight, 0);
				return weights.findIndex((weight) => (left -= weight) <= 0);
			};
			const all = pick(SHARES.map(([, chance]) => chance));
			const share = SHARES[pick(OWN_SHARE[all] ?? [])]?.[0] ?? 0;
			// The household's pace is lognormal, once in the mean; nine in ten within a factor of two.
			const pace = Math.exp(0.42 * random.normal() - 0.42 ** 2 / 2);
			const rate = pace * gamma(k, random);
			if (poisson(share * rate * days, random) !== seen) continue;
			kept++;
			unwritten += (1 - share) * rate * litres;
			square += ((1 - share) * rate * litres) ** 2;
			written += share * rate;
		}
		expect(kept).toBeGreaterThan(5000);
		const mean = unwritten / kept;
		expect(unlogged.mean[0]).toBeCloseTo(mean, 1);
		expect(Math.sqrt(unlogged.cov[0] ?? 0)).toBeCloseTo(Math.sqrt(square / kept - mean ** 2), 1);
		expect(logged[0]?.mean).toBeCloseTo(written / kept, 2);
	});
	it('without a log: what is usual, in all', () => {
		const none = { usual: 4, cadenceSd: 0.24, times: 0, exposure: 0, perDay: 8, litres: 0.5 };
		const { unlogged, logged } = useInLog([none, { ...none, litres: 2 }]);
		expect((unlogged.mean[0] ?? 0) / 0.5 + (logged[0]?.mean ?? 0)).toBeCloseTo(4, 6);
		expect((unlogged.mean[1] ?? 0) / 2 + (logged[1]?.mean ?? 0)).toBeCloseTo(4, 6);
		// who leaves more unwritten writes less
		expect(logged[0]?.perUnloggedL).toBeLessThan(0);
	});
	it('one habit that is never written says little of another that always is', () => {
		const often = { usual: 4, cadenceSd: 0.24, times: 40, exposure: 10, perDay: 4, litres: 1 };
		const never = { ...often, times: 0 };
		const [written = 0, unwritten = 0] = useInLog([often, never]).unlogged.mean;
		expect(unwritten).toBeGreaterThan(3);
		expect(written).toBeLessThan(1.6);
	});
});

it('breaks on nothing: two dumps in a minute, a reading before the first fill, contradictions, a year in between', () => {
	const reading = (when: string, instrument: string, value: number | string): Entry =>
		entry({ kind: 'reading', at: when, instrument, value });
	const odd = [
		reading('2026-04-30T06:00:00Z', 'lights', 'full'),
		entry({ kind: 'dump', at: at(2, 6), tank: 'grey', to: 'empty' }),
		entry({ kind: 'dump', at: at(2, 6), tank: 'grey', litres: 40 }),
		reading(at(3, 6), 'pump', 4000),
		reading(at(3, 7), 'pump', 2),
		reading(at(3, 8), 'lights', 'full'),
		reading(at(3, 8), 'lights', 'empty'),
		entry({ kind: 'mark', at: at(3, 9), tank: 'main', state: 'full' }),
		entry({ kind: 'mark', at: at(3, 9), tank: 'main', state: 'empty' }),
		entry({ kind: 'use', at: at(4, 9), habit: 'shower', times: 400 })
	];
	for (const when of [at(3, 10), at(5, 9), '2028-05-01T00:00:00Z'])
		for (const { litres, sd, low, high } of answer(odd, when).tanks) {
			expect(Number.isFinite(litres + sd)).toBe(true);
			expect(low).toBeGreaterThanOrEqual(0);
			expect(high).toBeGreaterThanOrEqual(low);
		}
});
