import { describe, expect, it } from 'vitest';
import { sanitisingDose, treatmentDose, type SanitisingAsk } from './index.js';

const ask = (more: Partial<SanitisingAsk> = {}): SanitisingAsk => ({
	tankL: 100,
	systemL: 0,
	staysL: 2,
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
		// 20 L jug at 100 mg/L, 8.25 %: 2 000 ÷ 82.5
		[{ tankL: 20, percent: 8.25, mgPerL: 100 }, 24.242424, 1],
		// a weak overnight dose: 10 mg/L, 2.5 %: 1 000 ÷ 25
		[{ tankL: 100, percent: 2.5, mgPerL: 10 }, 40, 12]
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

	it.each([
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
