import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import type { Entry, Rig } from '../../logbook/index.js';
import { estimate, readLevels, writesInBatches } from '../index.js';

const use = (at: string, habit: string, times: number): Entry => entry({ kind: 'use', at, habit, times });
const evening = (day: number): readonly Entry[] => [
	use(`2027-05-0${day}T22:00:00Z`, 'flush', 8),
	use(`2027-05-0${day}T22:01:00Z`, 'dishes', 2),
	use(`2027-05-0${day}T22:02:00Z`, 'shower', 1)
];

describe('how people write', () => {
	it('a day’s uses in the evening are a batch; one that is written as it is done is not', () => {
		expect(writesInBatches([1, 2, 3].flatMap(evening))).toBe(true);
		const singly = Array.from({ length: 30 }, (_, i) =>
			use(new Date(Date.UTC(2027, 4, 1, 7 + i)).toISOString(), 'flush', 1)
		);
		expect(writesInBatches(singly)).toBe(false);
		expect(writesInBatches([])).toBe(false);
		expect(writesInBatches(evening(1))).toBe(false);
	});
});

describe('a log that is written in the evening', () => {
	const rig: Rig = {
		...exactRig,
		unlogged: undefined,
		habits: exactRig.habits.map((habit) => ({ ...habit, often: { ...habit.often, sd: undefined } }))
	};
	const log = [...freshStart(), ...[1, 2].flatMap(evening)];
	const main = (entries: readonly Entry[], at: string): number =>
		readLevels(estimate(logbookOf(entries, rig), 'rig', Date.parse(at))).tanks[0]?.litres ?? Number.NaN;
	it('by noon the morning’s share has been used, though nothing of it is written', () => {
		const [dawn, noon] = [main(log, '2027-05-03T05:00:00Z'), main(log, '2027-05-03T15:00:00Z')];
		// half a waking day of 24 L
		expect(dawn - noon).toBeGreaterThan(10.5);
		expect(dawn - noon).toBeLessThan(14);
	});
	it('writing up what was expected changes next to nothing, and twice as much takes as much again', () => {
		const before = main(log, '2027-05-03T21:59:00Z');
		const usual = main([...log, ...evening(3)], '2027-05-03T22:30:00Z');
		expect(Math.abs(usual - before)).toBeLessThan(4);
		const twice = [
			...log,
			...evening(3).map((one) => (one.kind === 'use' ? { ...one, times: 2 * one.times } : one))
		];
		expect(usual - main(twice, '2027-05-03T22:30:00Z')).toBeGreaterThan(9);
	});
	it('a line with measured litres takes the place of what was expected, and is not counted on top of it', () => {
		const at = '2027-05-03T22:30:00Z';
		const [flushes, dishes, shower] = evening(3);
		const measured = { ...dishes, litres: 12, sdL: 0.1 } as Entry;
		const plain = main([...log, ...evening(3)], at);
		expect(Math.abs(main([...log, flushes!, measured, shower!], at) - plain)).toBeLessThan(2);
		// four litres more than two wash-ups of 6 L are four less in the tank, which is low
		const more = plain - main([...log, flushes!, { ...measured, litres: 16 } as Entry, shower!], at);
		expect(more).toBeGreaterThan(2);
		expect(more).toBeLessThan(6);
	});
	it('a reading taken before the lines are written is not undone by them', () => {
		const bar: Rig = {
			...rig,
			instruments: [
				{
					id: 'bar',
					kind: 'gauge',
					name: 'Bar',
					tank: 'main',
					sdL: 1,
					curve: [
						{ reads: 0, litres: 0 },
						{ reads: 100, litres: 100 }
					]
				}
			]
		};
		const at = (entries: readonly Entry[], when: string): number =>
			readLevels(estimate(logbookOf(entries, bar), 'rig', Date.parse(when))).tanks[0]?.litres ?? Number.NaN;
		const expected = at(log, '2027-05-03T21:00:00Z');
		const read = entry({
			kind: 'reading',
			at: '2027-05-03T21:00:00Z',
			instrument: 'bar',
			value: Math.round(expected)
		});
		const written = at([...log, read, ...evening(3)], '2027-05-03T22:30:00Z');
		expect(Math.abs(written - expected)).toBeLessThan(4);
	});
});
