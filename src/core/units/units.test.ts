import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	formatDuration,
	formatHours,
	formatLitres,
	fromBase,
	METRIC,
	parseNumber,
	parseQuantity,
	toBase,
	type UnitId
} from './index.js';

describe('numbers as people type them', () => {
	it.each([
		['12,5', 12.5],
		['12.5', 12.5],
		['3/4', 0.75],
		['1 1/2', 1.5],
		['1½', 1.5],
		['⅔', 2 / 3],
		['1\u2009200', 1200],
		['12\u202f500,5', 12500.5],
		['1 200', 1200],
		['1.234,5', 1234.5],
		['1,234.5', 1234.5],
		['.5', 0.5],
		['-3', -3]
	])('%s', (text, value) => expect(parseNumber(text)).toBeCloseTo(value, 12));

	it.each(['', 'a', '1/0', '1 2', '12..5', '3/4/5', 'NaN', '1e9', '--2'])('refuses %j', (text) =>
		expect(parseNumber(text)).toBeUndefined()
	);
});

describe('quantities', () => {
	it('takes the chosen unit where none is typed, and the typed one where there is', () => {
		expect(parseQuantity('12', 'volume')).toBe(12);
		expect(parseQuantity('12', 'volume', { ...METRIC, volume: 'usGal' })).toBeCloseTo(45.424941408, 9);
		expect(parseQuantity('12.5 gal', 'volume')).toBeCloseTo(47.3176473, 7);
		expect(parseQuantity('12 gal', 'volume', { ...METRIC, volume: 'impGal' })).toBeCloseTo(54.55308, 9);
		expect(parseQuantity('2 imp gal', 'volume')).toBeCloseTo(9.09218, 9);
		expect(parseQuantity('118mm', 'length')).toBe(118);
		expect(parseQuantity('1 1/2 in', 'length')).toBeCloseTo(38.1, 10);
		expect(parseQuantity('50 °F', 'temperature')).toBeCloseTo(10, 10);
	});
	it('refuses a unit of something else', () => expect(parseQuantity('12 kg', 'volume')).toBeUndefined());
	it('is undone by its inverse, in every unit', () => {
		const units: UnitId[] = ['L', 'usGal', 'impGal', 'mm', 'in', 'kg', 'lb', 'km', 'mi', 'nmi', 'C', 'F'];
		fc.assert(
			fc.property(
				fc.constantFrom(...units),
				fc.double({ min: -1e5, max: 1e5, noNaN: true }),
				(unit, value) => {
					expect(fromBase(toBase(value, unit), unit)).toBeCloseTo(value, 6);
				}
			)
		);
	});
});

describe('figures on screen', () => {
	it.each([
		[62.4, '62\u00a0L'],
		[19.96, '20\u00a0L'],
		[4.13, '4.1\u00a0L'],
		[6, '6\u00a0L'],
		[-0.01, '0\u00a0L']
	])('%d litres', (litres, text) => expect(formatLitres(litres)).toBe(text));
	it.each([
		[4.6, '4½ days'],
		[2, '2 days'],
		[1.3, '31 h'],
		[0.19, '4½ h'],
		[0.013, '20 min'],
		[0, 'none']
	])('%d days', (days, text) => expect(formatDuration(days)).toBe(text));
	it('says minutes for small prices', () => {
		expect(formatHours(0.33)).toBe('20 min');
		expect(formatHours(0.05)).toBe('3 min');
		expect(formatHours(7.1)).toBe('7 h');
		expect(formatHours(Number.NaN)).toBe('none');
	});
});
