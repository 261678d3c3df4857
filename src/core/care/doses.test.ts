import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { sanitisingDose, soakHours, treatmentDose, waterDose, type SanitisingAsk } from './index.js';

const ask = (more: Partial<SanitisingAsk> = {}): SanitisingAsk => ({
	tankL: 100,
	systemL: 0,
	staysL: 2,
	lowPoints: true,
	ageYears: 0,
	mgPerL: 50,
	percent: 5,
	product: 'plain-bleach',
	inside: 'nothing',
	...more
});

describe('how much bleach', () => {
	// Worked by hand: litres × mg/L is the mass in mg; p % is p g in 100 mL, so 10·p mg in each mL.
	it.each([
		// 100 L × 50 mg/L = 5 000 mg; 5 % holds 50 mg/mL: 100 mL
		[{ tankL: 100, percent: 5, mgPerL: 50 }, 100, 4],
		// 110 L and 8 L of heater and pipes, 4 %: 118 × 50 ÷ 40
		[{ tankL: 110, systemL: 8, percent: 4, mgPerL: 50 }, 147.5, 4],
		// 20 L jug at 100 mg/L, 8.25 %: 2 000 ÷ 82.5; twice as strong, half as long
		[{ tankL: 20, percent: 8.25, mgPerL: 100 }, 24.242424, 2],
		// a weak dose: 10 mg/L, 2.5 %: 1 000 ÷ 25; a fifth of 50, five times as long
		[{ tankL: 100, percent: 2.5, mgPerL: 10 }, 40, 20],
		// 5 % and a year old holds 40 mg/mL: 125 mL
		[{ ageYears: 1 }, 125, 4],
		// nobody knows how old: the dose of a new bottle, soaked as if it had lost a fifth
		[{ ageYears: undefined }, 100, 5]
	] as const)('%j: %d mL, to soak %d h', (more, ml, soakHours) => {
		expect(sanitisingDose(ask(more))).toMatchObject({ ok: true, ml: expect.closeTo(ml, 4), soakHours });
	});

	it('rinses until no more is left than tap water has', () => {
		// 2 of 100 L stay: 50 → 1 → 0.02 mg/L. Once would do; twice it is.
		expect(sanitisingDose(ask())).toMatchObject({
			rinses: 2,
			rinseL: 200,
			leavesMgPerL: expect.closeTo(0.02, 9)
		});
		// 20 of 100 L stay: 50 → 10 → 2 → 0.4.
		expect(sanitisingDose(ask({ staysL: 20 }))).toMatchObject({
			rinses: 3,
			leavesMgPerL: expect.closeTo(0.4, 9)
		});
		expect(sanitisingDose(ask({ staysL: 0 }))).toMatchObject({ rinses: 2, leavesMgPerL: 0 });
	});

	it('reckons with all that stays: heater and pipes too, unless their low points are opened', () => {
		// 60 L of tank, 15 of heater and pipes, 1.5 stay: 16.5 of 75, 22 %. Twice leaves 4.8 of 100 mg/L; four times 0.23.
		const rig = { tankL: 60, systemL: 15, staysL: 1.5, mgPerL: 100 };
		expect(sanitisingDose(ask({ ...rig, lowPoints: false }))).toMatchObject({
			rinses: 4,
			keptShare: expect.closeTo(0.22, 9),
			leavesMgPerL: expect.closeTo(100 * 0.22 ** 4, 9)
		});
		// With low points open 3 of 75 stay: 100 → 4 → 0.16.
		expect(sanitisingDose(ask(rig))).toMatchObject({ rinses: 2, leavesMgPerL: expect.closeTo(0.16, 9) });
	});
	it('half the strength soaks twice as long, without jumps', () =>
		fc.assert(
			fc.property(fc.double({ min: 10, max: 100, noNaN: true }), (mgPerL) => {
				expect(soakHours(mgPerL / 2)).toBeGreaterThanOrEqual(2 * soakHours(mgPerL) - 1);
				expect(soakHours(mgPerL) * mgPerL).toBeGreaterThanOrEqual(200 - 1e-6);
				expect(soakHours(mgPerL * 1.02)).toBeGreaterThanOrEqual(
					soakHours(mgPerL) - 0.5 - 0.02 * soakHours(mgPerL)
				);
			})
		));

	it.each([
		['bleach of another age', { ageYears: 9 }, 'too-old'],
		['no strength', { percent: 0 }, 'strength'],
		['more than there is', { percent: 120 }, 'strength'],
		['no number', { percent: Number.NaN }, 'strength'],
		['over the usual most', { mgPerL: 500 }, 'too-strong'],
		['no concentration', { mgPerL: 0 }, 'too-weak'],
		['scented', { product: 'scented-bleach' }, 'product'],
		['another product', { product: 'other' }, 'product'],
		['on top of vinegar or descaler', { inside: 'acid' }, 'mixed'],
		['on top of ammonia', { inside: 'ammonia' }, 'mixed'],
		['for no tank', { tankL: 0 }, 'no-volume'],
		['for a tank that is no number', { tankL: Number.POSITIVE_INFINITY }, 'no-volume'],
		['where all of it stays', { staysL: 100 }, 'cannot-rinse'],
		['where more stays than there is', { staysL: 500 }, 'cannot-rinse']
	] as const)('is refused: %s', (_, more, kind) => {
		expect(sanitisingDose(ask(more))).toMatchObject({ ok: false, refused: { kind } });
	});
});

describe('how much treatment for black', () => {
	it('as the label says: 100 mL for 20 L makes 95 mL for 19 L', () => {
		expect(treatmentDose({ labelMl: 100, labelL: 20, tankL: 19, waterL: 1, inside: 'nothing' })).toEqual({
			ok: true,
			ml: 95,
			waterL: 1
		});
	});

	it.each([
		['bleach or another product in it', { inside: 'other' as const }, 'mixed'],
		['a label that says nothing', { labelL: 0 }, 'no-volume'],
		['no tank', { tankL: Number.NaN }, 'no-volume']
	])('is refused with %s', (_, more, kind) => {
		const good = { labelMl: 100, labelL: 20, tankL: 19, waterL: 1, inside: 'nothing' as const };
		expect(treatmentDose({ ...good, ...more })).toMatchObject({ ok: false, refused: { kind } });
	});
});

describe('treating the water that is in the tank', () => {
	it('as the label says: 1 tablet for 5 L makes 12 for 60 L', () =>
		expect(
			waterDose({ labelAmount: 1, labelL: 5, waterL: 60, forDrinking: true, inside: 'nothing' })
		).toEqual({
			ok: true,
			amount: 12
		}));
	it.each([
		['what is not sold for drinking water', { forDrinking: false }, 'not-for-drinking'],
		['another product in it', { inside: 'acid' as const }, 'mixed'],
		['an empty tank', { waterL: 0 }, 'no-volume']
	])('is refused for %s', (_, more, kind) =>
		expect(
			waterDose({ labelAmount: 1, labelL: 5, waterL: 60, forDrinking: true, inside: 'nothing', ...more })
		).toMatchObject({ ok: false, refused: { kind } })
	);
});
