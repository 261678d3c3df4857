import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exactRig } from '../../../tests/helpers/logbooks.js';
import type { Habit } from '../logbook/index.js';
import { restated, withCurve, withItem, withScale, withTank, withTrials } from './index.js';

describe('a list with one item put', () => {
	const items = fc.uniqueArray(fc.record({ id: fc.string(), n: fc.nat() }), { selector: ({ id }) => id });
	it('keeps every other in its place, and putting twice is putting once', () => {
		fc.assert(
			fc.property(items, fc.record({ id: fc.string(), n: fc.nat() }), (list, item) => {
				const once = withItem(list, item);
				expect(withItem(once, item)).toEqual(once);
				expect(once.filter(({ id }) => id !== item.id)).toEqual(list.filter(({ id }) => id !== item.id));
				expect(once.filter(({ id }) => id === item.id)).toEqual([item]);
			})
		);
	});
});

describe('a rig with one thing changed', () => {
	it('leaves everything else the same object', () => {
		const next = withTank(exactRig, 'grey', { reserveL: 9 });
		expect(next.tanks[1]).toMatchObject({ id: 'grey', nominalL: 80, reserveL: 9 });
		expect(next.tanks[0]).toBe(exactRig.tanks[0]);
		expect(withTank(exactRig, 'gone', { reserveL: 9 }).tanks).toEqual(exactRig.tanks);
	});
	it('trials begin with none', () => {
		const trial = { id: 't', at: '2027-04-01T08:00:00Z', kind: 'run-dry', litres: 96, used: true } as const;
		const once = withTrials(exactRig, 'main', (list) => [...list, trial]);
		expect(once.tanks[0]?.trials).toEqual([trial]);
		expect(withTrials(once, 'main', () => []).tanks[0]?.trials).toEqual([]);
	});
	it('a curve belongs to a gauge, and is no finer than a hundredth of a litre', () => {
		const curve = [{ reads: 'empty', litres: 1 / 3 }];
		const next = withCurve(exactRig, 'lights', curve);
		expect(next.instruments[1]).toMatchObject({ id: 'lights', curve: [{ reads: 'empty', litres: 0.33 }] });
		expect(withCurve(exactRig, 'pump', curve).instruments).toEqual(exactRig.instruments);
	});
	it('how sure a guess was says nothing of the figure that takes its place', () => {
		const [shower] = exactRig.habits as [Habit];
		const often = (times: number, sd?: number): Habit => ({ ...shower, often: { times, per: 'day', sd } });
		expect(restated(often(1, 0.4), often(2, 0.4)).often).toEqual({ times: 2, per: 'day' });
		expect(restated(often(1, 0.4), often(1, 0.4)).often.sd).toBe(0.4);
		expect(restated(often(1, 0), often(2, 0)).often.sd).toBe(0);
	});
	it('a bucket test is believed no better than one can pour', () => {
		const scaled = (sdFraction: number | undefined) =>
			withScale(exactRig, 'pump', { scale: 1.05, sdFraction }).instruments[0];
		expect(scaled(0.0001)).toMatchObject({ scale: 1.05, sdFraction: 0.003 });
		expect(scaled(0.02)).toMatchObject({ sdFraction: 0.02 });
		expect(scaled(undefined)).not.toHaveProperty('sdFraction');
		expect(withScale(exactRig, 'lights', { scale: 2 }).instruments).toEqual(exactRig.instruments);
	});
});
