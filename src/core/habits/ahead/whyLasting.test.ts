import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyEntries, entry, exactRig, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate, levelOf, informationGain } from '../../estimate/index.js';
import { dailyChange, dayAhead } from '../index.js';
import type { Entry, Rig } from '../../logbook/index.js';
import { whyLasting } from './whyLasting.js';

const at = '2027-05-01T06:00:00Z';
const after = (entries: readonly Entry[], rig: Rig = exactRig, when = at) =>
	estimate(logbookOf([...freshStart(), ...entries], rig), 'rig', Date.parse(when));

describe('why a tank lasts as long as it does', () => {
	it('Grey by hand: room to 75 L; showers 8 and dishes 12 L a day', () => {
		const why = whyLasting(after([]), 'grey');
		expect(why?.limitL).toBe(75);
		expect(why?.perDayL).toBeCloseTo(20, 9);
		expect(why?.parts.map(({ habit, litres }) => [habit?.name, Math.round(litres * 1e6) / 1e6])).toEqual([
			['Dishes', 12],
			['Shower', 8]
		]);
		expect(why?.roomL).toBeCloseTo(75 - (why?.levelL ?? 0), 9);
	});
	it('Main counts down to its reserve of 10: 90 L of room, 24 a day', () => {
		expect(whyLasting(after([]), 'main')).toMatchObject({ limitL: 10, perDayL: 24 });
		// The brim is known to about half a litre.
		expect(Math.abs((whyLasting(after([]), 'main')?.roomL ?? 0) - 90)).toBeLessThan(1);
		expect(whyLasting(after([]), 'nothing')).toBeUndefined();
	});
	it('the parts add to the daily change, and a full tank has no room', () => {
		const later = '2027-05-01T06:01:00Z';
		const full = after([entry({ kind: 'mark', at: later, tank: 'grey', state: 'full' })], exactRig, later);
		expect(whyLasting(full, 'grey')?.roomL).toBe(0);
		const day = dayAhead(full, { persons: 2, measures: [] });
		expect(whyLasting(full, 'black')?.perDayL).toBeCloseTo(dailyChange(full, day, 'black'), 12);
	});
});

describe('from where a habit is known', () => {
	const loose: Rig = {
		...exactRig,
		habits: exactRig.habits.map((habit) =>
			habit.id === 'shower' ? { ...habit, litresEach: { mean: 8, sd: 2 } } : habit
		)
	};
	const measured = (litres: number, hour: number): Entry =>
		entry({ kind: 'use', at: `2027-05-01T0${hour}:00:00Z`, habit: 'shower', times: 1, litres, sdL: 1 });
	it('two measured showers, by hand: each adds the precision of its own error and scatter', () => {
		// prior variance 2²/2 = 2; each measurement has 1² of its own and 2 of scatter: 1/2 + 1/3 + 1/3
		const log = [measured(9, 7), measured(7, 8)];
		const taught = informationGain(after(log, loose, '2027-05-01T10:00:00Z'), 'shower');
		expect(taught?.stated).toBeCloseTo(3 / 7, 6);
		expect(taught?.basis.map(({ weight }) => weight)).toEqual([
			expect.closeTo(2 / 7, 6),
			expect.closeTo(2 / 7, 6)
		]);
		expect(new Set(taught?.basis.map(({ entry: id }) => id))).toEqual(new Set(log.map(({ id }) => id)));
	});
	it('an exact habit is known from the rig alone; one that is not there, from nothing', () => {
		expect(informationGain(after([measured(9, 7)]), 'shower')).toEqual({ stated: 1, basis: [] });
		expect(informationGain(after([]), 'sauna')).toBeUndefined();
	});
	it('shares are shares, whatever is in the log', () =>
		fc.assert(
			fc.property(anyEntries, (entries) => {
				const known = estimate(logbookOf(entries, loose), 'rig', Date.parse('2027-05-20T00:00:00Z'));
				const taught = informationGain(known, 'shower');
				const shares = [taught?.stated ?? -1, ...(taught?.basis ?? []).map(({ weight }) => weight)];
				expect(shares.every((share) => share >= 0 && share <= 1)).toBe(true);
				expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
				expect(levelOf(known, 'main').mean).toBeGreaterThanOrEqual(0);
			}),
			{ numRuns: 40 }
		));
});
