import { runToCompletion } from '../../numerics/index.js';
import { DAY_MS } from '../../time/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate, type Estimate } from '../../estimate/index.js';
import type { Measure, Rig } from '../../logbook/index.js';
import { autonomyOf, hoursGiven, sacrifice, type Sacrifice, type SacrificeOptions } from '../index.js';

const at = '2027-05-01T06:00:00Z';
const from = (rig: Rig, measures: readonly string[] = []): Estimate =>
	estimate(
		logbookOf(
			[...freshStart(), ...measures.map((measure) => entry({ kind: 'measure', at, measure, on: true }))],
			rig
		),
		'rig',
		Date.parse(at)
	);
const least = (of: Estimate, days: number, more: Partial<SacrificeOptions> = {}): Sacrifice =>
	runToCompletion(sacrifice(of, { untilMs: of.atMs + days * DAY_MS, certainty: 0.9, ...more }));

const measure = (id: string, habit: string, effect: Measure['effect'], effort?: number): Measure => ({
	id,
	name: id,
	habit,
	effect,
	...(effort === undefined ? {} : { effort })
});

/** 24 L a day from Main, 20 to Grey (75 L of room), 6 to the cassette (18 L). */
const paper: Rig = {
	...exactRig,
	measures: [
		measure('halfFlush', 'flush', { kind: 'scale', factor: 0.5 }, 2),
		measure('fewerFlushes', 'flush', { kind: 'rarer', factor: 0.5 }, 3),
		measure('short', 'shower', { kind: 'scale', factor: 0.5 }, 1)
	]
};

describe('by hand, in an exact rig', () => {
	it('three days come as they are; three and a half ask for half a flush', () => {
		expect(least(from(paper), 3).best).toEqual({ measures: [], effort: 0, chance: 1 });
		// half a flush: 8 · (0.25 + 0.25) = 4 L a day of 18, 4.5 days; Grey lasts 3.75, Main 90 / 22 = 4.09
		const four = least(from(paper), 3.5);
		expect(four.best).toEqual({ measures: ['halfFlush'], effort: 2, chance: 1 });
		expect(four.asItIs).toMatchObject({ measures: [], effort: 0, chance: 0 });
		expect((four.asItIs.lastsToMs - Date.parse(at)) / DAY_MS).toBeCloseTo(3, 6);
		expect(four.others.map(({ measures }) => measures)).toEqual([
			['fewerFlushes'],
			['halfFlush', 'short'],
			['fewerFlushes', 'short'],
			['halfFlush', 'fewerFlushes']
		]);
		expect(least(from(paper), 3.5, { distinct: true }).others.map(({ measures }) => measures)).toEqual([
			['fewerFlushes']
		]);
	});
	it('each way gives its hours: half a flush three quarters of a day, with short showers more', () => {
		const of = from(paper);
		const found = least(of, 3.5);
		const [, both] = hoursGiven(of, found.others, { untilMs: of.atMs + 3.5 * DAY_MS });
		// the cassette's 18 L at 4 a day come to 4.5 days in place of 3, but Grey is full after 75 / 20 = 3.75
		const [half] = hoursGiven(of, found.best ? [found.best] : [], { untilMs: of.atMs + 3.5 * DAY_MS });
		expect(half).toBeCloseTo(0.75 * 24, 3);
		expect(both).toBeGreaterThan(half ?? 0);
		expect(hoursGiven(of, [found.asItIs], { untilMs: of.atMs + 3.5 * DAY_MS })).toEqual([0]);
	});
	it('of fourteen measures of one habit it pauses on the way, and never goes back', () => {
		const many = {
			...paper,
			measures: Array.from({ length: 14 }, (_, i) =>
				measure(`m${i}`, 'shower', { kind: 'scale', factor: 0.99 })
			)
		};
		const of = from(many);
		const steps = [...sacrifice(of, { untilMs: of.atMs + 9 * DAY_MS, certainty: 0.9, paths: 50 })];
		expect(steps.length).toBeGreaterThan(3);
		expect(steps).toEqual([...steps].sort((a, b) => a - b));
		expect(steps.at(-1)).toBeCloseTo(1, 9);
	});
	it('two tanks that bind together ask for two measures; what is in force is in the set', () => {
		expect(least(from(paper), 4.4).best?.measures).toEqual(['halfFlush', 'short']);
		expect(least(from(paper, ['short']), 4.4).best).toEqual({
			measures: ['halfFlush', 'short'],
			effort: 3,
			chance: 1
		});
		expect(least(from(paper), 4.4, { among: ['halfFlush'] }).reached).toBe(false);
	});
	it('not to be reached: the nearest set, and until when it lasts', () => {
		const never = least(from(paper), 9);
		expect(never.reached).toBe(false);
		expect(never.others).toEqual([]);
		expect(never.nearest.chance).toBe(0);
		// all are as unsure: the one that lasts longest, Main with 90 L at 24 - 4 - 2 - 1 a day; fewer flushes alone would do
		expect(never.nearest.measures).toContain('short');
		expect((never.nearest.lastsToMs - Date.parse(at)) / DAY_MS).toBeGreaterThan(4.4);
	});
	it('refuses a moment that is past', () => expect(() => least(from(paper), 0)).toThrow(/not after now/));
});

/** Doubtful, with measures of every kind that act on one another. */
const wide: Rig = {
	...exactRig,
	unlogged: { mean: 2, sd: 1 },
	habits: exactRig.habits.map((habit) => ({
		...habit,
		litresEach: { mean: habit.litresEach.mean, sd: 0.3 * habit.litresEach.mean },
		often: { times: habit.often.times, per: habit.often.per },
		recipe: { warmUpL: 0.2 * habit.litresEach.mean, basinL: 0.8 * habit.litresEach.mean }
	})),
	measures: [
		measure('wet', 'shower', { kind: 'recipe', parts: { basinL: 3 } }, 2),
		measure('pan', 'shower', { kind: 'reroute', litres: 1, to: 'black', replaces: 'flush' }, 1),
		measure('inch', 'dishes', { kind: 'set', litres: 3 }),
		measure('plates', 'dishes', { kind: 'rarer', factor: 0.5 }, 3),
		measure('half', 'flush', { kind: 'scale', factor: 0.6 }, 1.5),
		measure('ashore', 'shower', { kind: 'outside' }, 4),
		measure('back', 'dishes', { kind: 'return', litres: 1 }, 0.5)
	]
};

/** The same by living every set on its own. */
function bruteForce(
	of: Estimate,
	days: number
): readonly { measures: readonly string[]; effort: number; chance: number }[] {
	const { measures } = of.model.rig;
	return Array.from({ length: 2 ** measures.length }, (_, mask) => {
		const set = measures.filter((_, i) => (mask >> i) & 1);
		const { first, clock } = autonomyOf(of, {
			days: Math.ceil(days) + 3,
			measures: set.map(({ id }) => id),
			paths: 200
		});
		return {
			measures: set.map(({ id }) => id),
			effort: set.reduce((sum, { effort = 1 }) => sum + effort, 0),
			chance: first.filter((one) => one >= clock.useDays(days)).length / 200
		};
	});
}

describe('in a doubtful rig', () => {
	const now = from(wide);
	it.each([3, 4, 5.5])('is the best of all sets lived one by one, until day %d', (days) => {
		const all = bruteForce(now, days);
		for (const certainty of [0.6, 0.9]) {
			const found = least(now, days, { certainty, paths: 200 });
			const reaching = all
				.filter(({ chance }) => chance >= certainty)
				.sort((a, b) => a.effort - b.effort || b.chance - a.chance);
			expect(found.reached).toBe(reaching.length > 0);
			expect([found.best, ...found.others].map((set) => [set?.effort, set?.chance])).toEqual(
				(reaching.length > 0 ? reaching.slice(0, 5) : [undefined]).map((set) => [set?.effort, set?.chance])
			);
			expect(found.nearest.chance).toBe(found.best?.chance ?? Math.max(...all.map(({ chance }) => chance)));
		}
	});
	it('asks for more when it must be surer or last longer', () =>
		fc.assert(
			fc.property(
				fc.double({ min: 1, max: 7, noNaN: true }),
				fc.double({ min: 0.3, max: 0.95, noNaN: true }),
				fc.constantFrom(0, 0.04),
				fc.constantFrom(0, 0.7),
				(days, certainty, surer, longer) => {
					const asks = (d: number, c: number): number =>
						least(now, d, { certainty: c, paths: 100 }).best?.effort ?? Infinity;
					expect(asks(days + longer, certainty + surer)).toBeGreaterThanOrEqual(asks(days, certainty));
				}
			),
			{ numRuns: 25 }
		));
	it('of more than fourteen measures it looks at some sets, and says so', () => {
		const many: Rig = {
			...wide,
			measures: [
				...wide.measures,
				...wide.measures.map((one) => ({ ...one, id: `${one.id}2` })),
				measure('more', 'flush', { kind: 'scale', factor: 0.9 })
			]
		};
		const found = least(from(many), 3, { certainty: 0.6, paths: 100 });
		expect(found.bounded).toBe(true);
		const fewer = least(now, 3, { certainty: 0.6, paths: 100 }).best?.effort;
		expect(found.best?.effort).toBeLessThanOrEqual(fewer ?? 0);
	});
	it('without a measure, without a habit, without anybody aboard', () => {
		const without = least(from({ ...wide, measures: [] }), 5);
		expect(without.nearest.measures).toEqual([]);
		expect(without.reached).toBe(false);
		const idle = least(from({ ...wide, habits: [], measures: [], unlogged: { mean: 0, sd: 0 } }), 5);
		expect(idle.best).toEqual({ measures: [], effort: 0, chance: 1 });
		expect(least(now, 5, { persons: 0 }).best?.measures).toEqual([]);
	});
});
