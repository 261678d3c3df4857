import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import type { Entry, EntryDraft, Rig } from '../../logbook/index.js';
import { estimate, readLevels } from '../index.js';

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
		expect(answer(days(1)).unlogged.litresPerPersonDay).toBeLessThan(1.5);
		const half = answer(days(0.5)).unlogged;
		expect(half.litresPerPersonDay).toBeGreaterThan(3.5);
		expect(half.litresPerPersonDay).toBeLessThan(8);
		expect(answer(days(0)).unlogged.litresPerPersonDay).toBeGreaterThan(9);
	});
	it('goes where its habit goes: flushes that are not in the log fill the cassette', () => {
		const flushes = days(1).filter((one) => one.kind !== 'use' || one.habit !== 'flush');
		const [all, without] = [answer(days(1)), answer(flushes)];
		// Those who write their showers forget a flush now and then, not all forty: some are taken as forgotten.
		expect(without.tanks[2]?.high).toBeGreaterThan((without.tanks[2]?.litres ?? 0) + 1);
		expect(all.tanks[2]?.high).toBeGreaterThan(all.tanks[2]?.litres ?? 0);
	});
	it('follows the waking day of the trip’s zone: little between midnight and six', () => {
		const night = [at(2, 23), at(3, 5)].map((when) => answer([], when).tanks[0]?.litres ?? 0);
		const noon = [at(3, 8), at(3, 14)].map((when) => answer([], when).tanks[0]?.litres ?? 0);
		const used = ([before = 0, after = 0]: readonly number[]): number => before - after;
		expect(used(night)).toBeLessThan(0.15 * used(noon));
		const east = { ...exactTrip, timeZone: 'Asia/Tokyo', persons: 2 };
		const there = (when: string): number =>
			readLevels(estimate(logbookOf(freshStart(), rig, [east]), 'rig', Date.parse(when))).tanks[0]?.litres ??
			0;
		// Eight to fourteen o'clock in the one is late afternoon to night in the other.
		expect(there(at(2, 16)) - there(at(2, 21))).toBeLessThan(0.15 * (there(at(2, 1)) - there(at(2, 6))));
	});
	it('a rig without habits is drawn down through its outlets, and a meter tells how fast', () => {
		const bare: Rig = { ...rig, habits: [], measures: [] };
		const meter = [0, 18, 36, 54].map((value, i) =>
			entry({ kind: 'reading', at: at(1 + i, 6), instrument: 'pump', value })
		);
		const { tanks, unlogged } = answer(meter, at(4, 6), bare);
		expect(tanks[0]?.litres).toBeGreaterThan(40);
		expect(tanks[0]?.litres).toBeLessThan(52);
		expect(unlogged.litresPerPersonDay).toBeGreaterThan(6);
		expect(unlogged.litresPerPersonDay).toBeLessThan(12);
	});
});

describe('laws of doubt', () => {
	const band = (entries: readonly Entry[], when: string, tank: number): number => {
		const level = answer(entries, when).tanks[tank];
		return level?.sd ?? 0;
	};
	it('without a reading, time only widens', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 1, max: 30 }), (day, hours) => {
				const [before, after] = [at(day, 9), at(day, 9 + hours)];
				expect(band([], after, 1)).toBeGreaterThanOrEqual(band([], before, 1) - 1e-9);
			})
		);
	});
	it('a reading that fits never widens its own tank', () => {
		fc.assert(
			fc.property(fc.integer({ min: 9, max: 60 }), fc.constantFrom('empty', '1/3'), (hours, value) => {
				const when = at(1, hours);
				const look: EntryDraft = { kind: 'reading', at: when, instrument: 'lights', value };
				const read = answer([entry(look)], when);
				if (read.doubts.length === 0) expect(read.tanks[1]?.sd).toBeLessThanOrEqual(band([], when, 1) + 1e-9);
			})
		);
	});
});

it('a counter that has rolled over goes on counting', () => {
	const log = [
		entry({ kind: 'reading', at: at(1, 6), instrument: 'pump', value: 9985 }),
		entry({ kind: 'reading', at: at(2, 6), instrument: 'pump', value: 9 })
	];
	const { tanks, doubts } = answer(log, at(2, 6));
	expect(doubts).toEqual([]);
	expect(tanks[0]?.litres).toBeCloseTo(76, -0.5);
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
