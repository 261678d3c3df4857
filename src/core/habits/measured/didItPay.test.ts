import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate } from '../../estimate/index.js';
import type { Entry } from '../../logbook/index.js';
import { compareMeans, didItPay } from '../index.js';

const weighted = (values: readonly number[]) => values.map((value) => ({ value, weight: 1 }));

/** The mass of Student's t between ± x, by summing its density. */
function massWithin(x: number, dof: number): number {
	const density = (t: number): number => (1 + (t * t) / dof) ** (-(dof + 1) / 2);
	// t = tan(u) brings the whole line into a quarter turn.
	const sum = (to: number): number => {
		const steps = 40_000;
		let total = 0;
		for (let i = 0; i < steps; i++) {
			const u = ((i + 0.5) / steps) * to;
			total += density(Math.tan(u)) / Math.cos(u) ** 2;
		}
		return (total * to) / steps;
	};
	return sum(Math.atan(x)) / sum(Math.PI / 2);
}

describe('two means compared', () => {
	it('by hand: 12 ± 2 and 6 ± 1, three of each', () => {
		const found = compareMeans(weighted([10, 12, 14]), weighted([5, 6, 7]));
		expect(found).toMatchObject({ spares: 6, without: { mean: 12, sd: 2 }, with: { mean: 6, sd: 1 } });
		// variances of the means 4/3 and 1/3; degrees of freedom 2.94
		const dof = (5 / 3) ** 2 / ((4 / 3) ** 2 / 2 + (1 / 3) ** 2 / 2);
		const half = (found?.high ?? 0) - 6;
		expect(massWithin(half / Math.sqrt(5 / 3), dof)).toBeCloseTo(0.95, 4);
		expect(found?.moreThanChance).toBe(true);
	});
	it('says nothing of one alone, and is sure of what never differs', () => {
		expect(compareMeans(weighted([10]), weighted([5, 6]))).toBeUndefined();
		expect(compareMeans(weighted([8, 8]), weighted([4, 4]))).toMatchObject({
			spares: 4,
			low: 4,
			high: 4,
			moreThanChance: true
		});
	});
	it('a day that was longer counts for more', () => {
		const found = compareMeans(
			[
				{ value: 10, weight: 3 },
				{ value: 20, weight: 1 }
			],
			weighted([5, 6])
		);
		expect(found?.without.mean).toBe(12.5);
	});
	it('the other way round it is the other way round', () =>
		fc.assert(
			fc.property(
				fc.array(fc.double({ min: 0, max: 20, noNaN: true }), { minLength: 2, maxLength: 8 }),
				fc.array(fc.double({ min: 0, max: 20, noNaN: true }), { minLength: 2, maxLength: 8 }),
				(a, b) => {
					const [one, other] = [
						compareMeans(weighted(a), weighted(b)),
						compareMeans(weighted(b), weighted(a))
					];
					expect(one?.spares).toBeCloseTo(-(other?.spares ?? 0), 9);
					expect(one?.low).toBeCloseTo(-(other?.high ?? 0), 6);
					expect(one?.moreThanChance).toBe(other?.moreThanChance);
				}
			)
		));
	it('chance alone is taken for more once in twenty', () => {
		let taken = 0;
		const runs = 400;
		fc.assert(
			fc.property(fc.array(fc.integer({ min: 0, max: 1000 }), { minLength: 16, maxLength: 16 }), (values) => {
				if (compareMeans(weighted(values.slice(0, 8)), weighted(values.slice(8)))?.moreThanChance) taken++;
			}),
			{ numRuns: runs }
		);
		expect(taken / runs).toBeLessThan(0.12);
	});
});

describe('a measure that was on and off', () => {
	const at = (day: number, hour: number): string =>
		`2027-05-${String(day).padStart(2, '0')}T${String(hour).padStart(2, '0')}:00:00Z`;
	/** days 1 to 4 without, 5 to 8 with it; a shower measured each day, the meter read each morning */
	const lived = Array.from({ length: 8 }, (_, i): readonly Entry[] => [
		entry({
			kind: 'use',
			at: at(i + 1, 20),
			habit: 'shower',
			times: 2,
			litres: i < 4 ? 16 + (i % 2) : 8 + (i % 2)
		}),
		entry({
			kind: 'reading',
			at: at(i + 1, 7),
			instrument: 'pump',
			value: i < 5 ? 24 * i : 96 + 16 * (i - 4)
		})
	]).flat();
	const switched = [
		entry({ kind: 'measure', at: at(5, 7), measure: 'short', on: true }),
		entry({ kind: 'measure', at: at(8, 22), measure: 'short', on: false })
	];
	const known = estimate(
		logbookOf([...freshStart('2027-05-01T06:00:00Z'), ...lived, ...switched]),
		'rig',
		Date.parse(at(9, 8))
	);
	it('compares one time as measured, and a person’s day as the meter has it', () => {
		const found = didItPay(known, 'short');
		expect(found?.oneTime).toMatchObject({
			without: { mean: 8.25, count: 4 },
			with: { mean: 4.25, count: 4 },
			spares: 4,
			moreThanChance: true
		});
		// 24 L a day of two people become 16
		expect(found?.personDay?.without).toMatchObject({ mean: 12, count: 4 });
		expect(found?.personDay?.with).toMatchObject({ mean: 8, count: 3 });
	});
	it('leaves out a stretch in which it was switched, and a measure that the rig does not have', () => {
		const moved = estimate(
			logbookOf([
				...freshStart('2027-05-01T06:00:00Z'),
				...lived,
				entry({ kind: 'measure', at: at(5, 13), measure: 'short', on: true })
			]),
			'rig',
			Date.parse(at(9, 8))
		);
		expect(didItPay(moved, 'short')?.stretches).toEqual({ without: 4, with: 2 });
		expect(didItPay(known, 'nothing')).toBeUndefined();
	});
	it('a reset of the meter begins anew', () => {
		const reset = entry({ kind: 'reading', at: at(3, 12), instrument: 'pump', value: 0, reset: true });
		const found = didItPay(
			estimate(
				logbookOf([...freshStart('2027-05-01T06:00:00Z'), ...lived.slice(0, 6), reset]),
				'rig',
				Date.parse(at(4, 8))
			),
			'short'
		);
		expect(found?.stretches).toEqual({ without: 2, with: 0 });
	});
});
