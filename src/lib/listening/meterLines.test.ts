import fc from 'fast-check';
import { expect, it } from 'vitest';
import { MeterLines, readMeterLine } from './meterLines';

it('reads a total, and the flow where the line has one; anything else is no reading', () => {
	expect(readMeterLine('412.63')).toEqual({ shows: 412.63 });
	expect(readMeterLine(' 412.63 5.2\r')).toEqual({ shows: 412.63, lpm: 5.2 });
	expect(readMeterLine('412;0')).toEqual({ shows: 412, lpm: 0 });
	for (const none of ['', '# pump meter 1.0', '-3', '4l2', '412.6.3', '1e9', 'NaN', '412 5 6'])
		expect(readMeterLine(none), none).toBeUndefined();
});

it('reads the same whatever pieces the lines come in, but for the one that was under way', () => {
	const totals = fc.array(fc.integer({ min: 0, max: 999_999 }), { minLength: 1, maxLength: 30 });
	fc.assert(
		fc.property(totals, fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1 }), (all, sizes) => {
			const text = `63\n${all.map((one) => `${one / 100}\n`).join('')}`;
			const lines = new MeterLines();
			const read = [];
			for (let at = 0, i = 0; at < text.length; i++) {
				const size = sizes[i % sizes.length] ?? 1;
				read.push(...lines.take(text.slice(at, at + size)));
				at += size;
			}
			expect(read.map(({ shows }) => shows)).toEqual(all.map((one) => one / 100));
		})
	);
});
