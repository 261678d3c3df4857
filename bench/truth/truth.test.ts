import { describe, expect, it } from 'vitest';
import { parseLogbook } from '../../src/core/logbook';
import { DAY, drawCase, MANNERS, START, wakingDays } from './index';

describe('made-up trips with a known truth', () => {
	it.each(MANNERS.map((manner) => [manner.name, manner] as const))(
		'%s: a valid logbook, the same for the same seed, whose truths lie within its tanks',
		(_, manner) => {
			const one = drawCase(5, manner);
			expect(parseLogbook(one.logbook)).toMatchObject({ ok: true });
			expect(drawCase(5, manner).logbook).toEqual(one.logbook);
			const sizes = new Map(one.rig.tanks.map(({ id, nominalL }) => [id, nominalL]));
			expect(one.truths.length).toBeGreaterThan(20);
			for (const { litres } of one.truths)
				for (const [tank, held] of litres) {
					expect(held).toBeGreaterThan(-0.25 * (sizes.get(tank) ?? 0));
					expect(held).toBeLessThan(1.15 * (sizes.get(tank) ?? 0));
				}
		}
	);
	it('lies are readings of the liar, and honest readings are of nobody who lies then', () => {
		for (const manner of MANNERS.filter(({ lies }) => lies !== undefined)) {
			const one = drawCase(3, manner);
			const of = new Map(one.logbook.entries.map((entry) => [entry.id, entry]));
			for (const id of one.lies) expect(of.get(id)).toMatchObject({ instrument: `gauge-${one.liar}` });
			expect(one.honest.filter((id) => one.lies.includes(id))).toEqual([]);
		}
	});
	it('a meter that lost nothing counts what was drawn', () => {
		const manner = { name: 'counted', logged: 0, meter: 'pump' as const };
		for (const seed of [1, 2, 3, 4]) {
			const { logbook, rig, drawn } = drawCase(seed, manner);
			const meter = rig.instruments[0];
			const readings = logbook.entries.flatMap((entry) => (entry.kind === 'reading' ? [entry] : []));
			const last = readings.at(-1);
			if (meter?.kind !== 'meter' || !last) throw new Error('no meter read');
			const shown = Math.abs(Number(last.value) - Number(readings[0]?.value));
			const litres = drawn
				.filter(({ atMs }) => atMs < Date.parse(last.at))
				.reduce((sum, one) => sum + one.litres, 0);
			// one constant error of 2 %, and the last digit
			expect(Math.abs((shown * meter.unitL * (meter.scale ?? 1)) / litres - 1)).toBeLessThan(0.08);
		}
	});
	it('a stay without services ends at a limit', () => {
		const manner = MANNERS[1]!;
		const fromMs = START + 5 * DAY;
		const { boundMs, logbook } = drawCase(2, manner, 40, fromMs);
		expect(boundMs).toBeGreaterThan(fromMs);
		const served = logbook.entries.filter(({ kind }) => kind === 'fill' || kind === 'dump');
		expect(served.every(({ at }) => Date.parse(at) < fromMs)).toBe(true);
	});
	it('waking days: one a day, none at night, and they add up', () => {
		// 00:00 local is 22:00 of the day before
		const midnight = Date.UTC(2027, 4, 3, 22);
		expect(wakingDays(midnight, midnight + DAY)).toBeCloseTo(1, 12);
		expect(wakingDays(midnight, midnight + DAY / 4)).toBe(0);
		expect(wakingDays(midnight, midnight + (15 / 24) * DAY)).toBeCloseTo(0.5, 12);
	});
});
