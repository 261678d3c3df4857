import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import type { Entry, Rig } from '../logbook/index.js';
import { findings } from './index.js';

const at = (day: number, hour: number): string =>
	new Date(Date.UTC(2027, 4, day, hour)).toISOString().replace('.000Z', 'Z');
const free: Rig = { ...exactRig, unlogged: undefined };
/** A fortnight of evenings and mornings: a meter that counts so much by night, and 24 L by day. */
function lived(
	nights: readonly number[],
	more: (day: number) => readonly Entry[] = () => []
): readonly Entry[] {
	let shows = 100;
	return nights.flatMap((litres, i) => {
		const evening = (shows += 24);
		const morning = (shows += litres);
		return [
			entry({ kind: 'reading', at: at(2 + i, 22), instrument: 'pump', value: evening }),
			...more(2 + i),
			entry({ kind: 'reading', at: at(3 + i, 7), instrument: 'pump', value: Number(morning.toFixed(1)) }),
			entry({ kind: 'fill', at: at(3 + i, 12), tank: 'main', to: 'full' })
		];
	});
}
const found = (entries: readonly Entry[], day: number, rig = free) =>
	findings(estimate(logbookOf([...freshStart(), ...entries], rig), 'rig', Date.parse(at(day, 13)))).flatMap(
		(one) => (one.kind === 'night-drip' ? [one] : [])
	);

describe('water that goes while all sleep', () => {
	it('by hand: 5 L in nine hours, three nights, less the twentieth of a day that nights take: some 10 L a day', () => {
		const drips = found(lived([5, 5, 5]), 5);
		expect(drips).toMatchObject([{ instrument: 'pump', nights: 3 }]);
		expect(drips[0]?.perDayL).toBeGreaterThan(8);
		expect(drips[0]?.perDayL).toBeLessThan(12);
	});
	it('is none while the nights take what nights take, differ as hands and flushes do, or are told of', () => {
		expect(found(lived([0, 0.3, 0.2, 0.4]), 6)).toEqual([]);
		expect(found(lived([0, 4, 0.5, 6, 0, 0.4]), 8)).toEqual([]);
		const flush = (day: number): readonly Entry[] => [
			entry({ kind: 'use', at: at(day + 1, 2), habit: 'dishes', times: 1 })
		];
		expect(found(lived([6, 6, 6, 6], flush), 6)).toEqual([]);
		expect(found(lived([5, 5]), 4)).toEqual([]);
	});
	it('a tank that is read by its gauge, too, where it goes down by far more than the gauge errs', () => {
		const gauge: Rig = {
			...free,
			instruments: [
				{
					id: 'percent',
					kind: 'gauge',
					name: 'Percent',
					tank: 'main',
					curve: [
						{ reads: 0, litres: 0 },
						{ reads: 100, litres: 100 }
					]
				}
			]
		};
		const nights = (drop: number): readonly Entry[] =>
			[2, 3, 4, 5].flatMap((day) => [
				entry({ kind: 'fill', at: at(day, 12), tank: 'main', to: 'full' }),
				entry({ kind: 'reading', at: at(day, 22), instrument: 'percent', value: 80 }),
				entry({ kind: 'reading', at: at(day + 1, 7), instrument: 'percent', value: 80 - drop })
			]);
		expect(found(nights(8), 6, gauge)).toHaveLength(1);
		expect(found(nights(2), 6, gauge)).toEqual([]);
	});
});
