import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyEntries, entry, exactRig, logbookOf } from '../../../../tests/helpers/logbooks.js';
import type { Entry, Rig } from '../../logbook/index.js';
import { smoothedPast, estimate, levelOf, modelOf, readLevels, Replay } from '../index.js';

/** The exact rig with doubtful showers and a rod: half of the variance of 2² is doubt about the mean. */
const rig: Rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) =>
		tank.id === 'main'
			? { ...tank, shape: { form: 'box', lengthMm: 1000, widthMm: 500, heightMm: 200 } }
			: tank
	),
	instruments: [{ id: 'rod', kind: 'rod', name: 'Rod', tank: 'main', sdMm: 4 }],
	habits: exactRig.habits.map((habit) =>
		habit.id === 'shower' ? { ...habit, litresEach: { mean: 8, sd: 2 } } : habit
	)
};
const at = (hour: number): string => new Date(Date.UTC(2027, 4, 1, hour)).toISOString();
const shower = (hour: number, times: number): Entry =>
	entry({ kind: 'use', at: at(hour), habit: 'shower', times });
const known = [
	entry({ kind: 'dump', at: at(5), tank: 'main', to: 'empty' }),
	entry({ kind: 'fill', at: at(6), tank: 'main', litres: 90, sdL: 1 })
];
const dip = (hour: number, litres: number): Entry =>
	entry({ kind: 'reading', at: at(hour), instrument: 'rod', value: 2 * litres });

it('what is read later betters what was believed before: the two-variable case by hand', () => {
	// L1 = 90 − 2h − e1; L2 = L1 − 3h − e2; a dip of L2 = 42 with 2 L deviation (4 mm of half a litre).
	const log = [...known, shower(8, 2), shower(20, 3), dip(22, 42)];
	const then = estimate(logbookOf(log, rig), 'rig', Date.parse(at(23)));
	const [main] = smoothedPast(then, Date.parse(at(7)));
	const noon = main?.levels.findLast(({ ms }) => ms <= Date.parse(at(14)));
	const [hh, ee] = [2, 2];
	const [var1, var2] = [1 + 4 * hh + 2 * ee, 1 + 25 * hh + 5 * ee];
	const cov = 1 + 10 * hh + 2 * ee;
	const gain = cov / (var2 + 2 ** 2);
	expect(noon?.litres).toBeCloseTo(90 - 16 + gain * (42 - 50), 6);
	expect(((noon?.high ?? 0) - (noon?.low ?? 0)) / 2).toBeCloseTo(1.6449 * Math.sqrt(var1 - gain * cov), 2);
	// At the end, the backward account and the level now are one.
	const end = main?.levels.at(-1);
	expect(end?.litres).toBeCloseTo(levelOf(then, 'main').mean, 9);
	expect(main?.readings).toEqual([
		{ entry: log.at(-1)?.id, instrument: 'rod', ms: Date.parse(at(22)), litres: 42, doubted: false }
	]);
});

it('a fill shows as two levels at one moment, and a log of any kind gives finite bands', () => {
	const then = estimate(logbookOf([...known, shower(8, 2)], rig), 'rig', Date.parse(at(12)));
	const [main] = smoothedPast(then, 0);
	const six = main?.levels.filter(({ ms }) => ms === Date.parse(at(6)));
	expect(six?.map(({ litres }) => Math.round(litres))).toEqual([0, 90]);
	fc.assert(
		fc.property(anyEntries, (entries) => {
			const any = estimate(logbookOf(entries), 'rig', Date.UTC(2027, 4, 12));
			for (const tank of smoothedPast(any, Date.UTC(2027, 4, 3)))
				for (const { litres, low, high } of tank.levels) {
					expect(Number.isFinite(litres + low + high)).toBe(true);
					expect(low).toBeLessThanOrEqual(high + 1e-9);
				}
		}),
		{ numRuns: 25 }
	);
});

describe('a replay that remembers', () => {
	const loose: Rig = { ...rig, unlogged: undefined };
	const many: readonly Entry[] = Array.from({ length: 1300 }, (_, i) => {
		const when = new Date(Date.UTC(2027, 4, 1) + i * 1_800_000).toISOString();
		if (i % 60 === 0) return entry({ kind: 'fill', at: when, tank: 'main', to: 'full' });
		if (i % 60 === 1) return entry({ kind: 'dump', at: when, tank: 'grey', to: 'empty' });
		if (i % 25 === 7) return entry({ kind: 'reading', at: when, instrument: 'rod', value: 90 + (i % 60) });
		return entry({ kind: 'use', at: when, habit: i % 7 ? 'flush' : 'dishes', times: 1 });
	});
	const end = Date.UTC(2027, 5, 1);
	const whole = (entries: readonly Entry[]) => readLevels(estimate(logbookOf(entries, loose), 'rig', end));
	const same = (a: ReturnType<typeof whole>, b: ReturnType<typeof whole>): void => {
		a.tanks.forEach((tank, i) => {
			expect(tank.litres).toBeCloseTo(b.tanks[i]?.litres ?? Number.NaN, 9);
			expect(tank.high - tank.low).toBeCloseTo((b.tanks[i]?.high ?? 0) - (b.tanks[i]?.low ?? 0), 9);
		});
		expect(a.doubts).toEqual(b.doubts);
	};
	it('gives what a whole replay gives: after a new entry, a correction in the middle, a void', () => {
		const replay = new Replay(modelOf(loose, [], many));
		replay.to(many.slice(0, -1), end);
		same(readLevels(replay.to(many, end)), whole(many));
		const corrected = many.map((one, i) => (i === 700 && one.kind === 'use' ? { ...one, times: 9 } : one));
		same(readLevels(replay.to(corrected, end)), whole(corrected));
		const voided = corrected.filter((_, i) => i !== 300);
		same(readLevels(replay.to(voided, end)), whole(voided));
	});
	it('says how far it is, stops when told, and goes on from there', () => {
		const seen: number[] = [];
		let stop = true;
		const replay = new Replay(modelOf(loose, [], many), {
			onprogress: (done) => {
				seen.push(done);
				return !(stop && done > 0.5);
			}
		});
		expect(() => replay.to(many, end)).toThrow(/stopped after 1000 of 1300/);
		expect(seen).toEqual([500 / 1300, 1000 / 1300]);
		stop = false;
		same(readLevels(replay.to(many, end)), whole(many));
	});
});
