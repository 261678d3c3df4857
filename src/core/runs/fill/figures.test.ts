import { DAY_MS } from '../../time/index.js';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate, type Estimate } from '../../estimate/index.js';
import { forecast } from '../../forecast/index.js';
import { instantMs, type EntryDraft, type Rig } from '../../logbook/index.js';
import { fillFigures } from '../index.js';

const at = '2027-05-02T06:00:00Z';
const now = (drafts: readonly EntryDraft[] = [], rig: Rig = exactRig): Estimate =>
	estimate(
		logbookOf([...freshStart(), ...drafts.map((draft) => entry(draft))], rig, []),
		'rig',
		instantMs(at)
	);
const drawn = { kind: 'use', at: '2027-05-01T12:00:00Z', habit: 'dishes', times: 10 } as const;
const untilIn = (days: number, certainty = 0.9) =>
	({ kind: 'until', untilMs: instantMs(at) + days * DAY_MS, certainty }) as const;

describe('how much must go in?', () => {
	it('by hand: 60 of 100 L were drawn, so 60 L fill it to the brim', () => {
		const found = fillFigures(now([drawn]), 'main', { kind: 'full' });
		expect(found.takeL.p50).toBeCloseTo(60, 0);
		expect(found.leavesL).toBeCloseTo(100, 6);
		expect(found.takeL.p10).toBeLessThan(found.takeL.p50);
	});
	it('litres are taken as said, but no more than fits', () => {
		expect(fillFigures(now([drawn]), 'main', { kind: 'litres', litres: 25 })).toMatchObject({
			takeL: { p10: 25, p50: 25, p90: 25 }
		});
		const over = fillFigures(now([drawn]), 'main', { kind: 'litres', litres: 90 });
		expect(over.takeL.p50).toBeCloseTo(60, 0);
		expect(over.leavesL).toBe(100);
	});
	it('by hand: 24 L a day for three days and 10 L of reserve are 82 L, of which 40 are there', () => {
		// 2 showers' halves (8 L), 2 dishes (12 L), 8 flushes (4 L): 24 L a day, exactly.
		const found = fillFigures(now([drawn]), 'main', untilIn(3));
		// A full was seen to ± 0.6 L: nine in ten are reached by three quarters of a litre more.
		expect(found.takeL.p50).toBeCloseTo(42 + 1.28 * 0.6, 1);
		expect(found.leavesL).toBeCloseTo(82 + 1.28 * 0.6, 1);
		expect(found.enough).toBe(true);
	});
	it('nothing where what is there lasts, all that fits where nothing lasts so long', () => {
		expect(fillFigures(now(), 'main', untilIn(2)).takeL).toEqual({ p10: 0, p50: 0, p90: 0 });
		const long = fillFigures(now([drawn]), 'main', untilIn(9));
		expect(long).toMatchObject({ enough: false, leavesL: 100 });
		expect(long.takeL.p50).toBeCloseTo(long.roomL.p50, 9);
	});
	it('with days that differ, what it says lasts as often as it promises, by the forecast itself', () => {
		const rig: Rig = {
			...exactRig,
			unlogged: { mean: 2, sd: 0.6 },
			habits: exactRig.habits.map((habit) => ({
				...habit,
				litresEach: { ...habit.litresEach, sd: 0.25 * habit.litresEach.mean },
				often: { ...habit.often, sd: 0.2 }
			}))
		};
		for (const certainty of [0.5, 0.9]) {
			const before = now([drawn], rig);
			const { takeL, enough } = fillFigures(before, 'main', untilIn(1.5, certainty));
			expect(enough).toBe(true);
			const filled = now(
				[drawn, { kind: 'fill', at, tank: 'main', litres: takeL.p50, sdL: 0.01 } as const],
				rig
			);
			const { tanks } = forecast(filled, { days: 20, paths: 4000 });
			const days = tanks.find(({ id }) => id === 'main')?.days;
			const lasts = certainty === 0.5 ? days?.p50 : days?.p10;
			// A course of days and a forecast's whole times agree to a few hours.
			expect(Math.abs((lasts ?? 0) - 1.5)).toBeLessThan(0.35);
		}
	});
	it('where only the plate is known, room is as doubtful as the tank', () => {
		const [main, ...rest] = exactRig.tanks;
		const { usableL: _known, ...byPlate } = main as Rig['tanks'][number];
		const found = fillFigures(now([drawn], { ...exactRig, tanks: [byPlate, ...rest] }), 'main', {
			kind: 'full'
		});
		// It was seen full and 60 L were drawn since: the room is known though the tank is not.
		expect(found.takeL.p50).toBeCloseTo(60, 0);
		expect(found.takeL.p90 - found.takeL.p10).toBeLessThan(4);
	});
	it('tanks that stand level fill as one', () => {
		const [main, ...rest] = exactRig.tanks;
		const twin = { ...(main as Rig['tanks'][number]), id: 'twin', name: 'Twin', joined: 'main' };
		const rig: Rig = { ...exactRig, tanks: [main as Rig['tanks'][number], ...rest, twin] };
		const found = fillFigures(now([drawn], rig), 'main', { kind: 'full' });
		expect(found.takeL.p50).toBeCloseTo(60, 0);
		expect(found.leavesL).toBeCloseTo(100, 6);
		expect(found.levelL).toBeCloseTo(70, 0);
	});
	it('refuses a waste tank, and a moment for a jug that only feeds', () => {
		expect(() => fillFigures(now(), 'grey', { kind: 'full' })).toThrow(/no fresh tank/);
		const jug = { id: 'jug', name: 'Jug', holds: 'fresh', nominalL: 20, reserveL: 0, feeds: 'main' } as const;
		const rig: Rig = { ...exactRig, tanks: [...exactRig.tanks, jug] };
		expect(() => fillFigures(now([], rig), 'jug', untilIn(2))).toThrow(/only feeds/);
	});
});
