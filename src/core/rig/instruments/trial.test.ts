import { isotonic } from '../../numerics/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Gauge, Trial } from '../../logbook/index.js';
import {
	countedBetween,
	flats,
	learnCurve,
	litresAt,
	summarise,
	summariseBuckets,
	tableFrom
} from '../index.js';

const trial = (litres: number, id = `t${litres}`, used = true): Trial => ({
	id,
	at: '2027-05-01T08:00:00Z',
	kind: 'back-up',
	litres,
	used
});

describe('what a meter’s two figures mean', () => {
	it('a countdown from 100 to 37.5 US gallons', () => {
		const meter = { counts: 'down', unitL: 3.785411784, scale: 0.98 } as const;
		expect(countedBetween(meter, 100, 37.5)).toEqual({ kind: 'litres', litres: 62.5 * 3.785411784 * 0.98 });
	});
	it('one that ran the other way is said, not made positive', () =>
		expect(countedBetween({ counts: 'up', unitL: 1 }, 88, 12)).toEqual({ kind: 'backwards', litres: 76 }));
});

describe('trials of how much fits', () => {
	it('four: mean, spread, and what to reckon with', () => {
		// 77, 79, 81, 83: mean 80, squares 9 + 1 + 1 + 9 = 20, /3 → sd 2.58; 77.4 rounded down
		expect(
			summarise(
				[77, 79, 81, 83].map((l) => trial(l)),
				'back-up'
			)
		).toEqual({
			count: 4,
			meanL: 80,
			sdL: Math.sqrt(20 / 3),
			outliers: [],
			recommendedL: 77,
			rounding: { kind: 'spread', sdL: Math.sqrt(20 / 3) }
		});
	});
	it('one is trusted a little less; of two the smaller', () => {
		expect(summarise([trial(80)], 'back-up')).toMatchObject({
			recommendedL: 77,
			rounding: { kind: 'single' }
		});
		expect(summarise([trial(80), trial(84)], 'back-up')).toMatchObject({
			recommendedL: 80,
			rounding: { kind: 'smaller' }
		});
	});
	it('one far off is pointed out, and still counts until it is switched off', () => {
		const list = [80, 81, 79, 62].map((l) => trial(l));
		expect(summarise(list, 'back-up')).toMatchObject({ outliers: ['t62'], count: 4, meanL: 75.5 });
		expect(summarise([...list.slice(0, 3), trial(62, 't62', false)], 'back-up')).toMatchObject({
			outliers: [],
			meanL: 80
		});
	});
	it('never recommends more than the mean, and never more than every trial found', () => {
		fc.assert(
			fc.property(fc.array(fc.integer({ min: 5, max: 400 }), { minLength: 1, maxLength: 9 }), (litres) => {
				const found = summarise(
					litres.map((l, i) => trial(l, `t${i}`)),
					'back-up'
				);
				expect(found?.recommendedL).toBeLessThanOrEqual(Math.max(...litres));
				expect(found?.recommendedL).toBeLessThanOrEqual((found?.meanL ?? 0) + 1e-9);
			})
		);
	});
	it('of another kind, or without a figure, there is nothing to say', () =>
		expect(summarise([{ ...trial(80), litres: undefined }], 'back-up')).toBeUndefined());
	it('buckets of 10 L that a meter counted as 10.4, 10.2 and 10.3', () => {
		const found = summariseBuckets(
			[
				{
					id: 'b',
					at: '2027-05-01T08:00:00Z',
					kind: 'bucket',
					used: true,
					instrument: 'pump',
					readings: [10.4, 10.2, 10.3].map((reads) => ({ litres: 10, reads }))
				}
			],
			{ id: 'pump', unitL: 1 }
		);
		expect(found?.scale).toBeCloseTo((10 / 10.4 + 10 / 10.2 + 10 / 10.3) / 3, 12);
		expect(found?.sdFraction).toBeCloseTo(0.0097, 3);
	});
});

describe('a rising fit', () => {
	it('pools what falls', () => expect(isotonic([1, 3, 2, 2, 5])).toEqual([1, 7 / 3, 7 / 3, 7 / 3, 5]));
	it('is the closest rising sequence: no other does better', () => {
		const values = fc.array(fc.integer({ min: -20, max: 20 }), { minLength: 2, maxLength: 5 });
		const squares = (a: readonly number[], b: readonly number[]): number =>
			a.reduce((sum, x, i) => sum + (x - (b[i] ?? 0)) ** 2, 0);
		fc.assert(
			fc.property(values, values, (list, other) => {
				const fit = isotonic(list);
				const rival = list.map((_, i) => other[i] ?? 0).sort((a, b) => a - b);
				expect(squares(list, fit)).toBeLessThanOrEqual(squares(list, rival) + 1e-9);
				expect(fit).toEqual([...fit].sort((a, b) => a - b));
			})
		);
	});
});

describe('a gauge’s curve from pairs', () => {
	const sender: Gauge = {
		id: 'g',
		kind: 'gauge',
		name: 'Sender',
		tank: 'main',
		curve: [{ reads: 0, litres: 0 }]
	};
	const lights: Gauge = {
		...sender,
		curve: [
			{ reads: 'E', litres: 0 },
			{ reads: '1/2', litres: 40 },
			{ reads: 'F', litres: 60 }
		]
	};
	it('numbers: the mean at each reading, evened where it falls', () => {
		const { steps, contrary } = learnCurve(
			[
				{ reads: 10, litres: 10 },
				{ reads: 10, litres: 14 },
				{ reads: 20, litres: 30 },
				{ reads: 30, litres: 26 }
			],
			sender
		);
		expect(steps.map(({ reads, litres }) => [reads, litres])).toEqual([
			[10, 12],
			[20, 28],
			[30, 28]
		]);
		expect(steps[0]?.sdL).toBe(2);
		expect(contrary).toEqual([30]);
	});
	it('a sender whose ohms fall as the tank fills is taken as it is', () => {
		const { steps, contrary } = learnCurve(
			[240, 130, 33].map((reads, i) => ({ reads, litres: 50 * i })),
			sender
		);
		expect(steps.map(({ litres }) => litres)).toEqual([100, 50, 0]);
		expect(contrary).toEqual([]);
	});
	it('lights: between the most without and the least with them', () => {
		const pairs = [
			['E', 5],
			['E', 28],
			['1/2', 36],
			['1/2', 60],
			['F', 74]
		] as const;
		const { steps } = learnCurve(
			pairs.map(([reads, litres]) => ({ reads, litres })),
			lights
		);
		expect(steps.map(({ litres, sdL }) => [litres, sdL])).toEqual([
			[0, 0],
			[32, 4],
			[67, 7]
		]);
	});
	it('flat where it cannot tell', () => {
		const curve = [
			[0, 0],
			[25, 10],
			[100, 90]
		].map(([reads, litres]) => ({ reads: reads ?? 0, litres: litres ?? 0 }));
		expect(flats({ curve }, 95)).toEqual([]);
		const late = [
			[0, 0],
			[90, 20],
			[100, 90]
		].map(([reads, litres]) => ({ reads: reads ?? 0, litres: litres ?? 0 }));
		expect(flats({ curve: late }, 95)).toEqual([{ from: 90, to: 100, fromL: 20, toL: 90 }]);
		expect(flats({ curve: lights.curve }, 80)).toEqual([{ from: 'E', to: '1/2', fromL: 0, toL: 40 }]);
	});
});

describe('a stepwise trial becomes a table', () => {
	it('of litres by depth, a slip evened out', () => {
		const table = tableFrom([
			{ litres: 0, reads: 0 },
			{ litres: 10, reads: 42 },
			{ litres: 20, reads: 80 },
			{ litres: 30, reads: 78 },
			{ litres: 40, reads: 150 }
		]);
		expect(table?.rows).toEqual([
			{ depthMm: 0, litres: 0 },
			{ depthMm: 42, litres: 10 },
			{ depthMm: 79, litres: 20 },
			{ depthMm: 150, litres: 40 }
		]);
		expect(table && litresAt(table, 42)).toBe(10);
	});
	it('needs two depths', () =>
		expect(
			tableFrom([
				{ litres: 0, reads: 5 },
				{ litres: 9, reads: 5 }
			])
		).toBeUndefined());
});
