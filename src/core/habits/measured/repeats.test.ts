import { describe, expect, it } from 'vitest';
import { entry } from '../../../../tests/helpers/logbooks.js';
import type { EntryOf } from '../../logbook/index.js';
import { averageOf, daysByLot, endingTrial, flowOfPours, measuredOf, trialEntries } from '../index.js';

const at = '2027-05-01T06:00:00Z';

describe('what is measured', () => {
	it('a jug of 5 L in 50 s, 48 and 52 is 6 L a minute, give or take a quarter', () => {
		const flow = flowOfPours([50, 48, 52].map((seconds) => ({ litres: 5, seconds })));
		expect(flow?.count).toBe(3);
		expect(flow?.mean).toBeCloseTo((6 + 6.25 + 300 / 52) / 3, 9);
		expect(flow?.sd).toBeCloseTo(0.24, 2);
		expect(flowOfPours([{ litres: 5, seconds: 0 }])).toBeUndefined();
	});
	it('one alone has no spread', () => expect(averageOf([4])).toEqual({ count: 1, mean: 4 }));
	it('litres of one time are averaged over what the log has measured', () => {
		const uses = [
			entry({ kind: 'use', at, habit: 'shower', times: 2, litres: 14 }),
			entry({ kind: 'use', at, habit: 'shower', times: 1, litres: 9 }),
			entry({ kind: 'use', at, habit: 'shower', times: 1 }),
			entry({ kind: 'use', at, habit: 'shower', times: 1, litres: 30, void: true })
		];
		expect(measuredOf(uses, 'shower')).toMatchObject({ count: 2, mean: 8 });
		expect(measuredOf(uses, 'dishes')).toBeUndefined();
	});
});

describe('a trial by lot', () => {
	it('has one day of each pair with it and one without, the same for the same seed, and not always the same first', () => {
		const firsts = Array.from({ length: 40 }, (_, seed) => {
			const lot = daysByLot(seed, 8);
			expect(lot).toEqual(daysByLot(seed, 8));
			for (let pair = 0; pair < 8; pair += 2) expect(lot[pair]).toBe(!lot[pair + 1]);
			return lot[0];
		});
		expect(new Set(firsts).size).toBe(2);
	});
	it('switches from tomorrow morning on, only where a day differs from the one before, and ends as it began', () => {
		const drafts = trialEntries(
			{ measure: 'short', trial: 't', before: false },
			[true, false, false, true],
			Date.parse('2027-05-01T18:00:00Z'),
			'Etc/UTC'
		);
		expect(drafts.map((draft) => [draft.at.slice(0, 16), draft.kind === 'measure' && draft.on])).toEqual([
			['2027-05-02T05:00', true],
			['2027-05-03T05:00', false],
			['2027-05-05T05:00', true],
			['2027-05-06T05:00', false]
		]);
	});
	it('ended before its time, the rest is taken back and the measure is put as it was before', () => {
		const own = ([true, false, true, false] as const).map(
			(on, day) =>
				entry({
					kind: 'measure',
					at: `2027-05-0${day + 2}T05:00:00Z`,
					measure: 'short',
					on,
					trial: 't'
				}) as EntryOf<'measure'>
		);
		const ids = own.map(({ id }) => id);
		const noonOf = (day: number): number => Date.parse(`2027-05-0${day}T12:00:00Z`);
		expect(endingTrial(own, noonOf(1), false)).toEqual({ ahead: ids });
		expect(endingTrial(own, noonOf(2), true)).toEqual({ ahead: ids.slice(1), switchTo: false });
		expect(endingTrial(own, noonOf(3), false)).toEqual({ ahead: ids.slice(2) });
		expect(endingTrial(own, noonOf(5), false)).toEqual({ ahead: [] });
	});
});
