import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import type { Entry, Rig } from '../../logbook/index.js';
import { basisOf, estimate } from '../index.js';

const at = (hour: number): string => new Date(Date.UTC(2027, 4, 1, hour)).toISOString();
/** 1 mm of Main is half a litre. */
const rods: Rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) =>
		tank.id === 'main'
			? { ...tank, shape: { form: 'box', lengthMm: 1000, widthMm: 500, heightMm: 200 } }
			: tank
	),
	instruments: [
		{ id: 'fine', kind: 'rod', name: 'Fine', tank: 'main', sdMm: 4 },
		{ id: 'coarse', kind: 'rod', name: 'Coarse', tank: 'main', sdMm: 8 }
	]
};
const dip = (instrument: string, value: number, hour: number): Entry =>
	entry({ kind: 'reading', at: at(hour), instrument, value });
const weights = (log: readonly Entry[], rig: Rig, tank = 0): readonly number[] => {
	const { id } = rig.tanks[tank]!;
	const known = estimate(logbookOf(log, rig), 'rig', Date.parse(at(20)));
	const basis = basisOf(known, [id]).get(id) ?? [];
	return log.map((entry) => basis.find((one) => one.entry === entry.id)?.weight ?? 0);
};

describe('what a level rests on', () => {
	it('two dips of one level, to 2 L and to 4 L, by hand: together 3.2 L², 16 without the one, 4 without the other', () => {
		for (const log of [
			[dip('fine', 100, 8), dip('coarse', 101, 9)],
			[dip('coarse', 101, 8), dip('fine', 100, 9)]
		]) {
			const shares = weights(log, rods);
			expect(Math.max(...shares)).toBeCloseTo((16 - 3.2) / (16 - 3.2 + 4 - 3.2), 2);
			expect(Math.min(...shares)).toBeCloseTo((4 - 3.2) / (16 - 3.2 + 4 - 3.2), 2);
		}
	});
	it('a fill to the brim, known to 0.6 L, and a dip to 2 L after it: as 3.67 to 0.03', () => {
		const full = entry({ kind: 'fill', at: at(7), tank: 'main', to: 'full' });
		const [fill = 0, fine = 0] = weights([full, dip('fine', 194, 8)], rods);
		const [both, without] = [1 / (1 / 0.36 + 1 / 4), { fill: 4, dip: 0.36 }];
		expect(fill / fine).toBeCloseTo((without.fill - both) / (without.dip - both), -1);
	});
	it('a use that was written down spares the doubt whether it was: here all that there is beside the dump', () => {
		const log = [...freshStart(at(6)), entry({ kind: 'use', at: at(9), habit: 'dishes', times: 3 })];
		const [, dump = 0, , wash = 0] = weights(log, exactRig, 1);
		expect(wash).toBeGreaterThan(0);
		expect(dump + wash).toBeCloseTo(1, 9);
	});
	it('what came before the tank was last emptied counts for nothing', () => {
		const log = [
			...freshStart(at(6)),
			entry({ kind: 'use', at: at(7), habit: 'dishes', times: 3 }),
			entry({ kind: 'dump', at: at(8), tank: 'grey', to: 'empty' })
		];
		expect(weights(log, exactRig, 1).slice(0, 4)).toEqual([0, 0, 0, 0]);
	});
});
