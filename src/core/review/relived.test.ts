import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyEntries, entry, exactRig, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import type { Entry, Rig } from '../logbook/index.js';
import { withIdea } from '../plan/index.js';
import { relive, reviewOf, type Otherwise } from './index.js';

const at = (day: number, hour: number): string =>
	`2027-05-${String(day).padStart(2, '0')}T${String(hour).padStart(2, '0')}:00:00Z`;

const again = (entries: readonly Entry[], otherwise?: Otherwise, rig: Rig = exactRig, until = at(9, 0)) => {
	const known = estimate(logbookOf(entries, rig), 'rig', Date.parse(until));
	return relive(known, reviewOf(known, { fromMs: Date.parse(at(1, 7)), timeZone: 'Etc/UTC' }), otherwise);
};

describe('what would it have been', () => {
	// Eight days of two showers and the dishes: 22 L a day into grey, which takes 75 L: full on the fourth day.
	const log = [
		...freshStart(),
		...Array.from({ length: 8 }, (_, i) => [
			entry({ kind: 'use', at: at(i + 1, 8), habit: 'shower', times: 2 }),
			entry({ kind: 'use', at: at(i + 1, 19), habit: 'dishes', times: 1 }),
			// As it was: emptied every other day.
			...(i % 2 ? [entry({ kind: 'dump', at: at(i + 1, 20), tank: 'grey', to: 'empty' })] : []),
			...(i % 3 ? [] : [entry({ kind: 'fill', at: at(i + 1, 21), tank: 'main', to: 'full' })])
		]).flat()
	];

	it('as it was: grey ends it on the fourth and on the eighth day', () => {
		const was = again(log);
		expect(was.drawnL).toBeCloseTo(8 * 22, 6);
		// 3 × 22 = 66, then 16 more is 82 > 75 on the fourth morning; 6 + 3 × 22 = 72, and 82 > 75 on the eighth.
		expect(was.served.map(({ tank, ms }) => [tank, new Date(ms).toISOString().slice(8, 13)])).toEqual([
			['grey', '04T08'],
			['grey', '08T08']
		]);
		expect(was.firstDays).toBeCloseTo(3 + 1 / 24, 6);
	});

	it('a bigger fresh tank changes nothing: grey would have bound just the same', () => {
		const main = exactRig.tanks[0]!;
		const bigger = withIdea(exactRig, main, { kind: 'capacity', usableL: 200 })!;
		expect(again(log, { rig: bigger }).served).toEqual(again(log).served);
	});

	it('a bigger grey tank does, and then fresh is next', () => {
		const bigger = withIdea(exactRig, exactRig.tanks[1]!, { kind: 'capacity', usableL: 200 })!;
		const would = again(log, { rig: bigger });
		// 90 L above the reserve: 4 × 22 = 88, so on the fifth morning.
		expect(would.served.map(({ tank }) => tank)).toEqual(['main']);
		expect(would.firstDays).toBeCloseTo(4 + 1 / 24, 6);
	});

	it('a measure: showers of half the litres draw 14 L a day', () => {
		const would = again(log, { measures: ['short'] });
		expect(would.drawnL).toBeCloseTo(8 * 14, 6);
		expect(would.served.map(({ ms }) => new Date(ms).getUTCDate())).toEqual([6]);
	});

	it('one person less: half the showers, the same dishes; nobody: nothing', () => {
		expect(again(log, { personsBy: -1 }).drawnL).toBeCloseTo(8 * 14, 6);
		expect(again(log, { personsBy: -2 })).toMatchObject({ drawnL: 0, served: [], perPersonDayL: undefined });
		expect(again(log, { personsBy: -9 })).toMatchObject({ drawnL: 0, personDays: 0 });
	});

	it('what was measured counts as measured', () => {
		const measured = [
			...freshStart(),
			entry({ kind: 'use', at: at(2, 8), habit: 'shower', times: 1, litres: 11 })
		];
		expect(again(measured).drawnL).toBeCloseTo(11, 6);
		expect(again(measured, { measures: ['short'] }).drawnL).toBeCloseTo(5.5, 6);
	});

	it('what nobody wrote down is lived again too: by the meter alone', () => {
		const { unlogged: _unlogged, ...open } = exactRig;
		const byMeter = [
			...freshStart(),
			...Array.from({ length: 8 }, (_, i) =>
				entry({ kind: 'reading', at: at(i + 1, 7), instrument: 'pump', value: 30 * i })
			)
		];
		const was = again(byMeter, undefined, open, at(8, 7));
		expect(was.drawnL).toBeGreaterThan(190);
		expect(was.drawnL).toBeLessThan(230);
		expect(was.served.length).toBeGreaterThanOrEqual(2);
		expect(again(byMeter, { personsBy: -1 }, open, at(8, 7)).drawnL).toBeLessThan(0.8 * was.drawnL);
	});

	it('for any log nothing otherwise is as it was, and larger tanks are never served more often', () => {
		fc.assert(
			fc.property(anyEntries, (entries) => {
				const log = [...freshStart(), ...entries];
				const was = again(log);
				expect(again(log, { measures: [], personsBy: 0, rig: exactRig })).toEqual(was);
				const larger: Rig = {
					...exactRig,
					tanks: exactRig.tanks.map((tank) => ({
						...tank,
						nominalL: 3 * tank.nominalL,
						usableL: 3 * tank.nominalL
					}))
				};
				expect(again(log, { rig: larger }).served.length).toBeLessThanOrEqual(was.served.length);
			}),
			{ numRuns: 30 }
		);
	});
});
