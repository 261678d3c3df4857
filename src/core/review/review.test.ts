import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DAY, drawCase, MANNERS, START } from '../../../bench/truth/index.js';
import {
	anyEntries,
	entry,
	exactRig,
	exactTrip,
	freshStart,
	logbookOf
} from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import type { Entry, Rig } from '../logbook/index.js';
import { NothingToReview, reviewOf } from './index.js';

const at = (day: number, hour: number): string =>
	`2027-05-${String(day).padStart(2, '0')}T${String(hour).padStart(2, '0')}:00:00Z`;
const ms = (day: number, hour = 0): number => Date.parse(at(day, hour));
const review = (entries: readonly Entry[], from: number, to: number, rig: Rig = exactRig) =>
	reviewOf(estimate(logbookOf(entries, rig), 'rig', to), {
		fromMs: from,
		timeZone: 'Etc/UTC',
		trips: [exactTrip]
	});

describe('where did the water go: two days by hand', () => {
	// 1 May: two showers (16 L) and dishes (6 L). 2 May: four flushes (2 L, and 1 L beside), 20 L filled, grey dumped.
	const entries = [
		...freshStart(),
		entry({ kind: 'use', at: at(1, 8), habit: 'shower', times: 2 }),
		entry({ kind: 'use', at: at(1, 19), habit: 'dishes', times: 1 }),
		entry({ kind: 'use', at: at(2, 9), habit: 'flush', times: 4 }),
		entry({ kind: 'fill', at: at(2, 10), tank: 'main', litres: 20, sdL: 0 }),
		entry({ kind: 'dump', at: at(2, 11), tank: 'grey', to: 'empty' })
	];
	const seen = review(entries, ms(1, 7), ms(3, 0));

	it('is told by habit, by tank and by day', () => {
		expect(seen.drawnL).toBeCloseTo(24, 9);
		expect(seen.unloggedL).toBeCloseTo(0, 9);
		expect(seen.habits.map(({ id, times, litres }) => [id, times, Math.round(1e6 * litres) / 1e6])).toEqual([
			['shower', 2, 16],
			['dishes', 1, 6],
			['flush', 4, 2]
		]);
		// Two persons for 41 hours.
		expect(seen.personDays).toBeCloseTo((2 * 41) / 24, 9);
		expect(seen.perPersonDayL).toBeCloseTo(24 / ((2 * 41) / 24), 9);
		const tank = (id: string) => seen.tanks.find((one) => one.id === id);
		const main = { start: 100, in: 20, out: 24, end: 96 };
		for (const [key, litres] of Object.entries(main))
			expect(tank('main')?.[key as keyof typeof main], key).toBeCloseTo(litres, 2);
		expect(tank('grey')).toMatchObject({ in: expect.closeTo(22, 6), out: expect.closeTo(22, 6) });
		expect(tank('black')).toMatchObject({ in: expect.closeTo(3, 6), out: expect.closeTo(0, 6) });
		expect(seen.parts.map(({ day, drawnL }) => [day, Math.round(drawnL)])).toEqual([
			['2027-05-01', 22],
			['2027-05-02', 2]
		]);
	});

	it('of one day, knows only that day', () => {
		const second = review(entries, ms(2), ms(3));
		expect(second.drawnL).toBeCloseTo(2, 9);
		expect(second.tanks.find(({ id }) => id === 'grey')?.start).toBeCloseTo(22, 6);
	});

	it('what is drawn from a hook-up or bought is told apart', () => {
		const bought: Rig = {
			...exactRig,
			measures: [{ id: 'buy', name: 'Bought', habit: 'dishes', effect: { kind: 'outside' } }]
		};
		const log = [
			...freshStart(),
			entry({ kind: 'hookup', at: at(1, 7), mains: true, sewer: false }),
			entry({ kind: 'measure', at: at(1, 7), measure: 'buy', on: true }),
			entry({ kind: 'use', at: at(1, 8), habit: 'shower', times: 1 }),
			entry({ kind: 'use', at: at(1, 9), habit: 'dishes', times: 1 })
		];
		const seen = review(log, ms(1, 6), ms(2), bought);
		// The shower came out of the hose: drawn, but of no tank. The bought water was not drawn aboard, and reaches grey.
		expect(seen.drawnL).toBeCloseTo(8, 9);
		expect(seen.tanks.find(({ id }) => id === 'main')?.out).toBeCloseTo(0, 9);
		expect(seen.tanks.find(({ id }) => id === 'grey')?.in).toBeCloseTo(14, 9);
	});
});

describe('a review of nothing', () => {
	const entries = freshStart();
	it.each([
		['no days', ms(2), ms(2), 'no-days'],
		['a stretch that runs backward', ms(3), ms(2), 'no-days'],
		[
			'a stretch before the log',
			Date.parse('2027-04-01T00:00:00Z'),
			Date.parse('2027-04-03T00:00:00Z'),
			'before-log'
		]
	] as const)('of %s is said', (_, from, to, why) => {
		expect(() => review(entries, from, to)).toThrow(
			expect.objectContaining({ name: 'NothingToReview', why })
		);
		expect(() => review(entries, from, to)).toThrow(NothingToReview);
	});

	it('one that begins years before the log begins with the day of its first entry', () => {
		expect(review(entries, Date.parse('2020-01-01T00:00:00Z'), ms(3))).toMatchObject({
			fromMs: ms(1),
			days: 2
		});
	});

	it('with nobody aboard divides by nothing', () => {
		const alone = [...entries, entry({ kind: 'crew', at: at(1, 6), persons: 0 })];
		expect(review(alone, ms(1, 7), ms(3)).perPersonDayL).toBeUndefined();
	});
});

describe('the books balance', () => {
	it('for any log: start + in − out = end, and the parts make up the whole', () => {
		fc.assert(
			fc.property(
				anyEntries,
				fc.integer({ min: 0, max: 9 }),
				fc.integer({ min: 1, max: 5 }),
				(entries, from, days) => {
					const toMs = ms(1 + from + days);
					const counting = entries.filter((one) => one.void !== true && Date.parse(one.at) <= toMs);
					fc.pre(counting.length > 0);
					const seen = review(entries, ms(1 + from), toMs);
					for (const { start, end, in: came, out } of seen.tanks) {
						expect(start + came - out).toBeCloseTo(end, 6);
						expect(Math.min(start, end)).toBeGreaterThanOrEqual(0);
					}
					const sum = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0);
					expect(sum(seen.parts.map(({ drawnL }) => drawnL))).toBeCloseTo(seen.drawnL, 6);
					expect(sum(seen.parts.map(({ personDays }) => personDays))).toBeCloseTo(seen.personDays, 6);
					expect(sum(seen.habits.map(({ litres }) => litres)) + seen.unloggedL).toBeCloseTo(seen.drawnL, 6);
				}
			),
			{ numRuns: 25 }
		);
	});

	// Logs made from a hidden truth, as careless people keep them: what was really drawn is known.
	it.each([
		'meter and habits',
		'meter resets',
		'meter daily, only showers logged',
		'rod and habits',
		'half logged in batches, missed fill',
		'guests, meter, 60 % logged'
	])('and finds what was truly drawn: %s', (name) => {
		const manner = MANNERS.find((one) => one.name === name)!;
		const off = [1, 2, 3, 4, 5, 6].map((seed) => {
			const { logbook, drawn } = drawCase(seed, manner, 12);
			const [fromMs, toMs] = [START + 3 * DAY, START + 11 * DAY];
			const seen = reviewOf(estimate(logbook, 'rig', toMs), { fromMs, timeZone: 'Etc/GMT-2' });
			for (const { start, end, in: came, out } of seen.tanks) expect(start + came - out).toBeCloseTo(end, 6);
			const truly = drawn.reduce(
				(sum, { atMs, litres }) => sum + (atMs > fromMs && atMs <= toMs ? litres : 0),
				0
			);
			return { share: Math.abs(seen.drawnL / truly - 1), sds: Math.abs(seen.drawnL - truly) / seen.drawnSdL };
		});
		const mean = (of: (one: (typeof off)[number]) => number): number =>
			off.reduce((sum, one) => sum + of(one), 0) / off.length;
		// Where half is unwritten and a fill is missing, a slow life and a full log with a fill missing look alike.
		const alike = name.startsWith('half');
		expect(mean(({ share }) => share)).toBeLessThan(alike ? 0.16 : 0.12);
		// It knows how sure it is.
		expect(mean(({ sds }) => sds)).toBeLessThan(alike ? 2 : 1.6);
	});
});
