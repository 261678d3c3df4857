import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, hoseMeter } from '../../../../tests/helpers/logbooks.js';
import type { Meter } from '../../logbook/index.js';
import { lastShown, passedBetween, showsAfter } from '../index.js';

const hose: Meter = hoseMeter;
const gallons = 3.785411784;

describe('where does the meter stand when I must stop?', () => {
	it('41.4 L on from 431.6 is 473.0', () => expect(showsAfter(hose, 431.6, 41.4)).toBeCloseTo(473, 9));
	it('in gallons, by a meter that shows too little', () => {
		// 41.4 L ÷ (3.785 L · 1.02) = 10.72 gallons on the dial.
		const meter = { ...hose, unitL: gallons, scale: 1.02 };
		expect(showsAfter(meter, 100, 41.4)).toBeCloseTo(110.722, 3);
	});
	it('a counter that goes down cannot show what lies below 0', () => {
		const down = { ...hose, counts: 'down' as const };
		expect(showsAfter(down, 98, 41.4)).toBeCloseTo(56.6, 9);
		expect(showsAfter(down, 30, 41.4)).toBeUndefined();
		expect(passedBetween(down, 30, 0)).toEqual({ kind: 'stopped', litres: 30 });
	});
	it('a figure below where it began is no fill', () =>
		expect(passedBetween(hose, 431.6, 413.0)).toEqual({ kind: 'backwards' }));
	it('the figure to stop at turns back into the litres, in every unit, scale and direction', () => {
		fc.assert(
			fc.property(
				fc.constantFrom<'up' | 'down'>('up', 'down'),
				fc.constantFrom(1, gallons, 4.54609, 0.5, 10),
				fc.double({ min: 0.5, max: 2, noNaN: true }),
				fc.double({ min: 0, max: 1e5, noNaN: true }),
				fc.double({ min: 0, max: 500, noNaN: true }),
				(counts, unitL, scale, reads, litres) => {
					const meter = { counts, unitL, scale };
					const stop = showsAfter(meter, reads, litres);
					if (stop === undefined) {
						expect(litres).toBeGreaterThanOrEqual(reads * unitL * scale);
						return;
					}
					const passed = passedBetween(meter, reads, stop);
					expect(passed.kind).not.toBe('backwards');
					if (passed.kind !== 'backwards') expect(passed.litres).toBeCloseTo(litres, 6);
				}
			)
		);
	});
	it('it should show its last reading and what was filled through it since', () => {
		const at = '2027-05-01T08:00:00Z';
		const read = entry({ kind: 'reading', at, instrument: 'hose', value: 400 });
		const fill = entry({ kind: 'fill', at, tank: 'main', litres: 31.6 });
		const other = entry({ kind: 'fill', at, tank: 'jug', litres: 20 });
		const unknown = entry({ kind: 'fill', at, tank: 'main', to: 'full' });
		expect(lastShown(hose, [fill])).toBeUndefined();
		expect(lastShown(hose, [read, fill, other])).toBeCloseTo(431.6, 9);
		expect(lastShown(hose, [read, unknown])).toBeUndefined();
		expect(lastShown(hose, [read, unknown, read])).toBe(400);
	});
});
