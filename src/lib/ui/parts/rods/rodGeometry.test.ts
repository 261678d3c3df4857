import { METRIC } from '$core/units';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rodGeometry, type RodFacts } from './rodGeometry';

const grey: RodFacts = { holds: 'grey', usableL: 80, litres: 40, low: 36, high: 44, reserveL: 8, flags: [] };

describe('a rod 400 px high for 80 L: 5 px a litre', () => {
	it('is wet to the low of the belief, damp to its high, and keeps room at its end', () => {
		expect(rodGeometry(grey, 400, METRIC)).toMatchObject({
			levelY: 200,
			wet: { y: expect.closeTo(220, 9), height: expect.closeTo(180, 9) },
			damp: { y: expect.closeTo(180, 9), height: expect.closeTo(40, 9) },
			kept: { y: 0, height: expect.closeTo(40, 9) }
		});
		expect(rodGeometry({ ...grey, holds: 'fresh' }, 400, METRIC).kept.y).toBe(360);
	});
	it('is notched in the chosen unit, every second notch with its figure', () => {
		expect(
			rodGeometry(grey, 400, METRIC)
				.ticks.map(({ label }) => label)
				.filter(Boolean)
		).toEqual(['0', '20', '40', '60', '80']);
		const gallons = rodGeometry(grey, 400, { ...METRIC, volume: 'usGal' }).ticks;
		expect(gallons[2]?.y).toBeCloseTo(400 - (5 * 3.785411784 * 400) / 80, 6);
	});
	it('flags days at their levels; one that would overlap gives way, the binding one never', () => {
		const flags = [
			{ label: 'Wed', ms: 0, litres: 70, binds: false },
			{ label: 'Thu', ms: 0, litres: 50, binds: false },
			{ label: 'Fri', ms: 0, litres: 72, binds: true }
		];
		expect(
			rodGeometry({ ...grey, flags }, 400, METRIC).flags.map(({ label, y }) => [label, Math.round(y)])
		).toEqual([
			['Fri', 40],
			['Thu', 150]
		]);
	});
});

it('stays within the rod, whatever is believed', () => {
	const litres = fc.double({ min: -50, max: 200, noNaN: true });
	fc.assert(
		fc.property(litres, litres, litres, fc.double({ min: 1, max: 500, noNaN: true }), (a, b, c, usableL) => {
			const [low = 0, mid = 0, high = 0] = [a, b, c].sort((x, y) => x - y);
			const rod = rodGeometry({ ...grey, low, litres: mid, high, usableL }, 300, METRIC);
			for (const part of [rod.damp, rod.wet, rod.kept]) {
				expect(part.y).toBeGreaterThanOrEqual(0);
				expect(part.height).toBeGreaterThanOrEqual(0);
				expect(part.y + part.height).toBeLessThanOrEqual(300 + 1e-9);
			}
			expect(rod.ticks.length).toBeLessThan(30);
		})
	);
});
