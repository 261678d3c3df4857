import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, freshStart, livedRig, logbookOf } from '../../../tests/helpers/logbooks.js';
import type { Entry, EntryOf } from '../logbook/index.js';
import { DAY_MS, HOUR_MS } from '../time/index.js';
import { estimate, modelOf, readLevels, Replay, smoothedPast, type Estimate } from './index.js';

/** Two people, 24 L a day: 8 flushes of 0.5 L, two wash-ups of 6 L, a shower of 8 L. */
const rig = livedRig(0.15);
const START = Date.UTC(2027, 4, 1, 6);
const iso = (days: number): string => new Date(START + days * DAY_MS).toISOString();
/** What is written on a day, each use as it is done, between 8 and 21 o'clock. */
const dayOf = (day: number): readonly Entry[] => {
	const at = (hour: number): string => new Date(START + day * DAY_MS + (hour - 6) * HOUR_MS).toISOString();
	return [
		...[8, 9.5, 11, 13, 15, 17, 19, 21].map((hour) =>
			entry({ kind: 'use', at: at(hour), habit: 'flush', times: 1 })
		),
		entry({ kind: 'use', at: at(10), habit: 'shower', times: 1 }),
		...[12, 20].map((hour) => entry({ kind: 'use', at: at(hour), habit: 'dishes', times: 1 }))
	];
};
/** Ten days are written, the tanks seen to each second day. */
const TEN = [
	...Array.from({ length: 10 }, (_, day) => dayOf(day)).flat(),
	...[0, 2, 4, 6, 8].flatMap((day) => [
		entry({ kind: 'fill', at: iso(day + 0.63), tank: 'main', to: 'full' }),
		entry({ kind: 'dump', at: iso(day + 0.631), tank: 'grey', to: 'empty' }),
		entry({ kind: 'dump', at: iso(day + 0.632), tank: 'black', to: 'empty' })
	])
];
const known = (days: number, more: readonly Entry[] = [], of = rig): Estimate =>
	estimate(logbookOf([...freshStart(), ...TEN, ...more], of), 'rig', START + days * DAY_MS);
const main = (now: Estimate) => readLevels(now).tanks[0]!;
/** Main as the last use is written, on the tenth evening. */
const BEFORE = main(known(9.64)).litres;
const gap = (lived: EntryOf<'gap'>['lived'], at = 12): Entry =>
	entry({ kind: 'gap', at: iso(at), since: iso(9.64), lived });

describe('when nobody writes', () => {
	it('a night tells nothing, and neither does a late breakfast', () => {
		expect(readLevels(known(10)).silent).toBeUndefined();
		expect(known(10.15).quiet).toBeUndefined();
	});
	it('two days may have been lived or not: both are in the band, and both ends are named', () => {
		const now = known(12);
		const { silent } = readLevels(now);
		expect(silent?.sinceMs).toBe(START + 9.625 * DAY_MS);
		expect(silent?.lived).toBeGreaterThan(0.5);
		const ends = silent?.tanks[0];
		// two days of 24 L, and a tank that is not below empty
		expect(ends?.awayL).toBeCloseTo(BEFORE, -1);
		expect((ends?.awayL ?? 0) - (ends?.livedL ?? 0)).toBeGreaterThan(30);
		expect((ends?.awayL ?? 0) - (ends?.livedL ?? 0)).toBeLessThan(62);
		const { low, high } = main(now);
		expect(low).toBeLessThan(ends?.livedL ?? 0);
		expect(high).toBeGreaterThan((ends?.awayL ?? 0) - 1);
	});
	it('is decided by what a person says of it', () => {
		const usual = main(known(12, [gap('as-usual')]));
		expect(usual.litres).toBeGreaterThan(BEFORE - 62);
		expect(usual.litres).toBeLessThan(BEFORE - 30);
		const away = main(known(12, [gap('away')]));
		expect(Math.abs(away.litres - BEFORE)).toBeLessThan(3);
		const less = main(known(12, [gap('less')]));
		expect(less.litres).toBeGreaterThan(usual.litres + 10);
		expect(less.litres).toBeLessThan(away.litres - 10);
		const unsaid = main(known(12));
		for (const said of [usual, away, less]) {
			expect(said.high - said.low).toBeLessThan(unsaid.high - unsaid.low);
		}
		expect(readLevels(known(12, [gap('away')])).silent).toBeUndefined();
	});
	it('is decided as well when it is said after the next use, and by a meter', () => {
		const again = dayOf(12).slice(0, 3);
		const later = main(known(12.3, [...again, gap('away', 12.25)]));
		expect(Math.abs(later.litres - (BEFORE - 1.5))).toBeLessThan(9);
		const read = (litres: number): readonly Entry[] => [
			entry({ kind: 'reading', at: iso(9.62), instrument: 'pump', value: 500 }),
			entry({ kind: 'reading', at: iso(12), instrument: 'pump', value: 500 + litres })
		];
		expect(Math.abs(main(known(12, read(54))).litres - (BEFORE - 54))).toBeLessThan(6);
		expect(Math.abs(main(known(12, read(0.5))).litres - BEFORE)).toBeLessThan(6);
	});
	it('is none where nobody is aboard, where all is written by the rig’s own word, or where late entries fill it', () => {
		const gone = known(12, [entry({ kind: 'crew', at: iso(9.65), persons: 0 })]);
		expect(readLevels(gone).silent).toBeUndefined();
		expect(Math.abs(main(gone).litres - BEFORE)).toBeLessThan(2);
		expect(readLevels(known(12, [], { ...rig, unlogged: { mean: 0, sd: 0 } })).silent).toBeUndefined();
		expect(readLevels(known(12, [...dayOf(10), ...dayOf(11)])).silent).toBeUndefined();
	});
	it('teaches nothing: neither how often things are done, nor what they take, and no leak is found', () => {
		const after = [...dayOf(13), ...dayOf(14)];
		const now = known(15, after);
		const as = known(12, [...dayOf(10), ...dayOf(11)]);
		const perDay = ({ state }: Estimate): number => (state.times.get('dishes') ?? 0) / state.days;
		expect(perDay(now) / perDay(as)).toBeGreaterThan(0.9);
		expect(perDay(now) / perDay(as)).toBeLessThan(1.1);
		const each = (one: Estimate) => readLevels(one).habits.map(({ litresEach }) => litresEach);
		each(now).forEach((litres, i) => expect(Math.abs(litres / (each(as)[i] ?? 1) - 1)).toBeLessThan(0.05));
		expect(now.state.imbalances).toEqual([]);
		expect(now.state.doubts).toEqual([]);
	});
	it('is the same from any cut', () => {
		const all = [
			...freshStart(),
			...TEN,
			entry({ kind: 'dump', at: iso(11), tank: 'grey', litres: 10 }),
			...dayOf(13),
			gap('less', 13.9)
		].sort((a, b) => (a.at < b.at ? -1 : 1));
		const model = modelOf(rig, [], all);
		const whole = new Replay(model).to(all, START + 14 * DAY_MS);
		fc.assert(
			fc.property(fc.integer({ min: 1, max: all.length }), (cut) => {
				const replay = new Replay(model);
				const upTo = all.slice(0, cut);
				replay.to(upTo, Date.parse(upTo.at(-1)?.at ?? '') + HOUR_MS);
				expect(readLevels(replay.to(all, START + 14 * DAY_MS))).toEqual(readLevels(whole));
			}),
			{ numRuns: 25 }
		);
	});
	it('the past is told as it was lived: what somebody says of it, or a meter, goes back all the way', () => {
		const pastOf = (...more: readonly Entry[]) => {
			const now = known(12.2, more);
			const levels = smoothedPast(now, START + 9.6 * DAY_MS)[0]?.levels ?? [];
			return (days: number): number =>
				levels.findLast(({ ms }) => ms <= START + days * DAY_MS)?.litres ?? Number.NaN;
		};
		const read = (days: number, value: number): Entry =>
			entry({ kind: 'reading', at: iso(days), instrument: 'pump', value });
		for (const at of [pastOf(gap('as-usual')), pastOf(read(9.61, 100), read(12, 150)), pastOf()]) {
			// a day of the two and a half: some of it has gone, and some is to go
			expect(at(9.7) - at(10.9)).toBeGreaterThan(0.25 * (at(9.7) - at(12)));
			expect(at(9.7) - at(10.9)).toBeLessThan(0.75 * (at(9.7) - at(12)));
			expect(at(9.7) - at(12)).toBeGreaterThan(20);
		}
		const away = pastOf(gap('away'));
		expect(Math.abs(away(9.7) - away(12))).toBeLessThan(3);
	});
	it('after years nothing is known of a tank, and it is answered all the same', () => {
		const { low, high, litres } = main(known(3000));
		expect(low).toBeLessThan(5);
		expect(high).toBeGreaterThan(70);
		expect(litres).toBeGreaterThan(low + 10);
		expect(litres).toBeLessThan(high - 10);
	});
	it('a batch that is not written yet is still being kept in mind, not lost', () => {
		const evenings = Array.from({ length: 8 }, (_, day) =>
			(['flush', 'shower', 'dishes'] as const).map((habit, i) =>
				entry({
					kind: 'use',
					at: new Date(START + day * DAY_MS + 16 * HOUR_MS + i * 1000).toISOString(),
					habit,
					times: [8, 1, 2][i]!
				})
			)
		).flat();
		const fills = [2, 4, 6, 8].map((day) => entry({ kind: 'fill', at: iso(day), tank: 'main', to: 'full' }));
		const batch = (days: number): Estimate =>
			estimate(logbookOf([...freshStart(), ...evenings, ...fills], rig), 'rig', START + days * DAY_MS);
		const evening = batch(8.6);
		expect(readLevels(evening).silent).toBeUndefined();
		// filled at six, it is half past eight in the evening: 13½ of 16 waking hours of 24 L are not written yet
		expect(Math.abs(main(evening).litres - (100 - (24 * 13.4) / 16))).toBeLessThan(6);
		// since the last of the eighth evening, seconds after ten: a fill is no use
		expect(readLevels(batch(10.6)).silent?.sinceMs).toBe(START + 7 * DAY_MS + 16 * HOUR_MS + 2000);
	});
});
