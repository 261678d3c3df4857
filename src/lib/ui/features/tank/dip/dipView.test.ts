import { describe, expect, it } from 'vitest';
import { METRIC } from '../../../../../core/units/index.js';
import { clearOf, depthText, dipLines, stripsOf } from './dipView.js';

/** Half a litre a millimetre, 5 L the pump can’t reach. */
const tank = {
	id: 't',
	name: 'T',
	holds: 'fresh',
	nominalL: 100,
	reserveL: 10,
	deadL: 5,
	shape: { form: 'box', lengthMm: 1000, widthMm: 500, heightMm: 200 }
} as const;
const lines = (stepping: Parameters<typeof dipLines>[1], units = METRIC) =>
	dipLines(tank, stepping, { deadL: tank.deadL }, units, [
		{ label: 'Wed', litres: 60 },
		{ label: 'Thu', litres: 35 }
	]);

describe('the lines of a dip table', () => {
	it('every 10 mm, every 10 L, one a day', () => {
		expect(lines('mm10')[4]).toMatchObject({ depthMm: 40, label: '15\u00a0L' });
		expect(lines('L10')[1]?.depthMm).toBeCloseTo(30, 6);
		expect(lines('days').map(({ label, depthMm }) => [label, Math.round(depthMm)])).toEqual([
			['Wed, 60\u00a0L', 130],
			['Thu, 35\u00a0L', 80]
		]);
	});
	it('in gallons and inches: one gallon is 7.57 mm', () => {
		const imperial = { ...METRIC, volume: 'usGal', length: 'in' } as const;
		expect(lines('L5', imperial)[1]?.depthMm).toBeCloseTo(10 + 2 * 3.785411784, 6);
		expect(lines('mm5', imperial)[1]?.depthMm).toBeCloseTo(6.35, 9);
		expect(depthText(25.4, imperial)).toBe('1.00\u00a0in');
		expect(depthText(25.4, METRIC)).toBe('25\u00a0mm');
	});
});

describe('a strip on paper', () => {
	it('is cut where a page ends: 500 mm are two whole pages and 20 mm', () => {
		expect(stripsOf(500)).toEqual([
			{ from: 0, to: 240 },
			{ from: 240, to: 480 },
			{ from: 480, to: 500 }
		]);
		expect(stripsOf(240)).toHaveLength(1);
		expect(stripsOf(0)).toEqual([{ from: 0, to: 1 }]);
	});
	it('labels no mark that would lie over the label below it', () => {
		expect([...clearOf([9, 0, 3, 4, 7.5, 8], 4)]).toEqual([0, 4, 8]);
	});
});
