import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import type { Entry, Rig } from '../../logbook/index.js';
import { estimate, modelOf, readLevels } from '../index.js';
import { missedEntryChance, followsWater, wasDue } from './missedEntryHypothesis.js';
import type { DoubtedReading } from '../filter/index.js';

const doubted = (saidL: number, believedL: number, more: Partial<DoubtedReading> = {}): DoubtedReading => ({
	entry: `${saidL}`,
	atMs: 0,
	instrument: 'gauge',
	gapL: saidL - believedL,
	sdL: 5,
	saidL,
	believedL,
	pool: 0,
	couldBeMissed: true,
	wasDue: false,
	shadow: false,
	...more
});

describe('which hypothesis doubted readings speak for', () => {
	it('follows the water, by hand: 90 then 80 while 10 L were used, each to 5 L', () => {
		// (10² − 0²) / (2 · (5² + 5²)) = 1
		expect(followsWater([doubted(90, 30), doubted(80, 20)])).toBeCloseTo(1, 12);
		// stands still: 90 and 90 while 10 L were used
		expect(followsWater([doubted(90, 30), doubted(90, 20)])).toBeCloseTo(-1, 12);
		expect(followsWater([doubted(90, 30)])).toBe(0);
	});
	it('one in four before anything speaks for it; e times the odds after one such step', () => {
		expect(missedEntryChance([doubted(90, 30)])).toBeCloseTo(1 / 4, 12);
		expect(missedEntryChance([doubted(90, 30), doubted(80, 20)])).toBeCloseTo(
			Math.E / 3 / (1 + Math.E / 3),
			12
		);
		expect(missedEntryChance([doubted(90, 30), doubted(90, 20)])).toBeLessThan(0.12);
		expect(missedEntryChance([doubted(20, 60, { couldBeMissed: false })])).toBe(0);
		expect(missedEntryChance([doubted(9e4, 0), doubted(0, -9e4)])).toBe(1);
	});
	it('a gauge that rises when the tank is nearly empty moved as after a fill; one that stands does not', () => {
		const model = modelOf(exactRig, [], []);
		const pool = (id: string): number => model.places.get(id)?.pool.index ?? -1;
		// main holds 100 L, grey 80 L
		expect(wasDue(model, pool('main'), 20, 90, 15)).toBe(true);
		expect(wasDue(model, pool('main'), 90, 90, 15)).toBe(false);
		expect(wasDue(model, pool('main'), 60, 95, 55)).toBe(false);
		expect(wasDue(model, pool('main'), undefined, 90, 15)).toBe(false);
		expect(wasDue(model, pool('grey'), 60, 5, 65)).toBe(true);
		expect(wasDue(model, pool('grey'), 60, 62, 65)).toBe(false);
	});
});

const at = (day: number, hour: number): string => new Date(Date.UTC(2027, 4, day, hour)).toISOString();
const fresh = (log: readonly Entry[], rig: Rig, when: string) => {
	const { tanks, doubts } = readLevels(
		estimate(logbookOf([...freshStart(), ...log], rig), 'rig', Date.parse(when))
	);
	return { main: tanks.find(({ id }) => id === 'main')!, doubts };
};
const rig: Rig = {
	...exactRig,
	instruments: [
		...exactRig.instruments,
		{
			id: 'bar',
			kind: 'gauge',
			name: 'Bar',
			tank: 'main',
			curve: [
				{ reads: 0, litres: 0 },
				{ reads: 100, litres: 100 }
			],
			sdL: 4
		}
	]
};
const bar = (value: number, when: string): Entry =>
	entry({ kind: 'reading', at: when, instrument: 'bar', value });
const washes = (times: number, when: string): Entry =>
	entry({ kind: 'use', at: when, habit: 'dishes', times });

describe('what the band says of it', () => {
	// 100 L; 13 wash-ups of 6 L leave 22; somebody fills up and does not write it down
	const log = [bar(98, at(1, 10)), washes(13, at(1, 12)), bar(23, at(1, 13)), bar(99, at(1, 20))];
	it('a rise when a fill was due: the level stays, the band reaches what the gauge says', () => {
		const { main, doubts } = fresh(log, rig, at(1, 21));
		expect(doubts).toHaveLength(1);
		expect(main.litres).toBeCloseTo(22, 0);
		expect(main.high).toBeGreaterThan(95);
	});
	it('once it has followed the water it was right: no reading is left out, the fill is missing', () => {
		const later = [...log, washes(3, at(2, 8)), bar(80, at(2, 9))];
		const { main, doubts } = fresh(later, rig, at(2, 10));
		expect(doubts).toEqual([]);
		expect(main.litres).toBeGreaterThan(70);
		const { state } = estimate(logbookOf([...freshStart(), ...later], rig), 'rig', Date.parse(at(2, 10)));
		expect(state.imbalances.map(({ kind }) => kind)).toEqual(['fill']);
	});
	it('water drawn from a tank that the account has empty: the band no longer says that it is empty', () => {
		const loose: Rig = {
			...exactRig,
			habits: exactRig.habits.map((habit) => ({
				...habit,
				litresEach: { mean: habit.litresEach.mean, sd: 0.5 }
			}))
		};
		const near = fresh([washes(14, at(1, 12))], loose, at(1, 12)).main;
		const beyond = fresh([washes(18, at(1, 12))], loose, at(1, 12)).main;
		expect(near.high).toBeLessThan(40);
		expect(beyond.low).toBeLessThan(5);
		expect(beyond.high).toBeGreaterThan(near.high);
	});
});

describe('a dip against a gauge', () => {
	// 400 mm of 0.25 L each; habits and unlogged use are known only roughly
	const dipped: Rig = {
		...rig,
		unlogged: { mean: 6, sd: 3 },
		tanks: rig.tanks.map((tank) =>
			tank.id === 'main'
				? { ...tank, shape: { form: 'box', lengthMm: 500, widthMm: 500, heightMm: 400 } }
				: tank
		),
		instruments: [...rig.instruments, { id: 'stick', kind: 'rod', name: 'Stick', tank: 'main', sdMm: 4 }]
	};
	const stick = (mm: number, when: string): Entry =>
		entry({ kind: 'reading', at: when, instrument: 'stick', value: mm });

	it('a gauge that led the account astray is found by the dip that does not fit with it and fits without', () => {
		// two days at 12 L a day leave about 76; the gauge says 96, just possible, and the dip says 52
		const log = [bar(96, at(3, 6)), stick(208, at(3, 7))];
		const { main, doubts } = fresh(log, dipped, at(3, 8));
		expect(doubts.filter(({ instrument }) => instrument === 'stick')).toEqual([]);
		expect(Math.abs(main.litres - 52)).toBeLessThan(3);
	});
	it('once a dip has agreed with the account, the same gap of a gauge is no missed fill', () => {
		const log = [
			washes(9, at(1, 12)),
			bar(78, at(1, 13)),
			stick(170, at(1, 14)),
			washes(2, at(1, 18)),
			bar(66, at(1, 19)),
			washes(2, at(2, 8)),
			bar(53, at(2, 9))
		];
		const { main, doubts } = fresh(log, dipped, at(2, 10));
		expect(doubts.map(({ instrument }) => instrument)).toEqual(['bar', 'bar', 'bar']);
		expect(main.high).toBeLessThan(40);
	});
});
