import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, livedRig, logbookOf } from '../../../tests/helpers/logbooks.js';
import type { Entry } from '../logbook/index.js';
import { aheadNow, dayAhead, litresOf, paceDoubt } from '../habits/index.js';
import { DAY_MS } from '../time/index.js';
import { estimate, type Estimate } from './index.js';

/** Two people; by the rig's word 8 flushes of 0.5 L, two wash-ups of 6 L and a shower of 8 L a day: 24 L. */
const rig = livedRig(0.2);
const START = Date.UTC(2027, 4, 1, 6);
const iso = (days: number): string => new Date(START + days * DAY_MS).toISOString();
/** Filled and emptied every other day, so that no tank runs out. */
const served = (days: number): readonly Entry[] =>
	Array.from({ length: Math.ceil(days / 2) }, (_, i) => [
		entry({ kind: 'fill', at: iso(2 * i + 1.01), tank: 'main', to: 'full' }),
		entry({ kind: 'dump', at: iso(2 * i + 1.02), tank: 'grey', to: 'empty' }),
		entry({ kind: 'dump', at: iso(2 * i + 1.03), tank: 'black', to: 'empty' })
	]).flat();
const meter = (days: number, litresADay: number): readonly Entry[] =>
	Array.from({ length: days + 1 }, (_, i) =>
		entry({ kind: 'reading', at: iso(i + 0.001), instrument: 'pump', value: i * litresADay })
	);
/** The usual day at a pace, so much of it written down. */
const written = (days: number, pace: number, share = 1): readonly Entry[] =>
	Array.from({ length: days }, (_, i) =>
		exactRig.habits.map(({ id, often }) =>
			entry({
				kind: 'use',
				at: iso(i + 0.4),
				habit: id,
				times: often.times * (often.per === 'person-day' ? 2 : 1) * pace * share
			})
		)
	).flat();
const known = (entries: readonly Entry[], days: number, of = rig): Estimate =>
	estimate(logbookOf([...freshStart(), ...entries], of), 'rig', START + days * DAY_MS);
/** Litres a day as they are expected ahead, written and not. */
function dailyL(now: Estimate): number {
	const day = dayAhead(now, aheadNow(now));
	return (
		day.habits.reduce(
			(sum, { cadence, flow, litresEach }) =>
				sum + cadence.timesPerDay * litresOf(flow.drawn, litresEach.mean),
			0
		) + day.unlogged.reduce((sum, one) => sum + one.drawn * one.mean, 0)
	);
}

describe('how a household lives is learned, whatever its rig says', () => {
	it('ninety days of a meter at 12 L a day, and at 36, of 24 stated', () => {
		for (const litres of [12, 36]) {
			const now = known([...meter(90, litres), ...served(90)], 90);
			expect(Math.abs(dailyL(now) / litres - 1)).toBeLessThan(0.07);
		}
	});
	it('two weeks do; and what is written as well leaves it no further from the truth than the meter alone', () => {
		for (const pace of [0.5, 1.5]) {
			const alone = dailyL(known([...meter(14, 24 * pace), ...served(14)], 14));
			const both = dailyL(known([...meter(14, 24 * pace), ...written(14, pace), ...served(14)], 14));
			expect(Math.abs(alone / (24 * pace) - 1)).toBeLessThan(0.15);
			expect(Math.abs(both - 24 * pace)).toBeLessThan(Math.abs(alone - 24 * pace) + 0.05 * 24 * pace);
		}
	});
	it('who writes nothing but fills to the brim uses no more than the tank gave', () => {
		// 90 L from brim to reserve, filled after five days: 24 L a day would have been 120.
		const fills = [5, 10, 15, 20].map((day) =>
			entry({ kind: 'fill', at: iso(day), tank: 'main', to: 'full' })
		);
		const dumps = [5, 10, 15, 20].flatMap((day) => [
			entry({ kind: 'dump', at: iso(day + 0.01), tank: 'grey', to: 'empty' }),
			entry({ kind: 'dump', at: iso(day + 0.02), tank: 'black', to: 'empty' })
		]);
		const now = dailyL(known([...fills, ...dumps], 20));
		expect(now).toBeLessThan(20);
		expect(now).toBeGreaterThan(6);
	});
	it('it is soon known how one lives, and the sooner the more is read', () => {
		const doubts = [0.1, 1.1, 3.1, 9.1].map((days) =>
			paceDoubt(known([...meter(Math.floor(days), 24), ...served(days)], days))
		);
		expect(doubts[0]).toBeGreaterThan(0.3);
		for (let i = 1; i < doubts.length; i++) expect(doubts[i]).toBeLessThan(doubts[i - 1] as number);
	});
	it('a meter at any steady pace between a third and double is believed after three weeks', () => {
		fc.assert(
			fc.property(fc.double({ min: 0.35, max: 2, noNaN: true }), (pace) => {
				const now = dailyL(known([...meter(21, 24 * pace), ...served(21)], 21));
				expect(Math.abs(now / (24 * pace) - 1)).toBeLessThan(0.2);
			}),
			{ numRuns: 8 }
		);
	});
});

describe('other people aboard', () => {
	const log = [...meter(20, 12), ...served(20)];
	const after = (more: readonly Entry[]): Estimate => known([...log, ...more], 20.5);
	it('are known less well than those before, and the same people as well as ever', () => {
		const [same, others, four, again] = [
			after([]),
			after([entry({ kind: 'crew', at: iso(20.2), persons: 2, anew: true })]),
			after([entry({ kind: 'crew', at: iso(20.2), persons: 4 })]),
			after([entry({ kind: 'crew', at: iso(20.2), persons: 4, anew: false })])
		].map(paceDoubt) as [number, number, number, number];
		expect(others).toBeGreaterThan(1.4 * same);
		expect(four).toBeGreaterThan(1.3 * same);
		expect(again).toBeLessThan(1.1 * same);
	});
	it('also after two months, when the counts are asked but once a week', () => {
		const long = [...meter(60, 12), ...served(60)];
		const same = paceDoubt(known(long, 60.5));
		const other = entry({ kind: 'crew', at: iso(60.2), persons: 2, anew: true });
		expect(paceDoubt(known([...long, other], 60.5))).toBeGreaterThan(1.4 * same);
	});
	it('guests who leave again leave what was learned', () => {
		const [there, back] = [
			after([entry({ kind: 'crew', at: iso(20.1), persons: 4 })]),
			after([
				entry({ kind: 'crew', at: iso(3.1), persons: 4 }),
				entry({ kind: 'crew', at: iso(4.1), persons: 2 })
			])
		];
		expect(paceDoubt(back)).toBeLessThan(paceDoubt(there));
	});
});
