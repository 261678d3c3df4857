import fc from 'fast-check';
import { expect, it } from 'vitest';
import { readSamples } from './samples.js';

const AT = Date.parse('2027-04-18T05:10:00Z');

it('reads samples with a header and without, in whatever way time and total are written', () => {
	for (const text of [
		'2027-04-18T07:10:00+02:00,412.6\n2027-04-18T07:10:02+02:00,412.7\n',
		'time,total\n2027-04-18T05:10:00Z,412.6\n2027-04-18T05:10:02Z,412.7',
		'Meter;Timestamp\r\n412,6;2027-04-18 07:10:00\r\n412,7;2027-04-18 07:10:02\r\n',
		`${AT / 1000},412.6\n${AT / 1000 + 2},412.7`,
		`\uFEFFat\tshows\n${AT}\t412.6\n${AT + 2000}\t412.7`,
		'# a logger\n18.04.2027 07:10:00;412.6\n18.04.2027 07:10:02;412.7'
	])
		expect(readSamples(text, 'Europe/Berlin'), text).toEqual({
			samples: [
				[AT, 412.6],
				[AT + 2000, 412.7]
			],
			problems: []
		});
});

it('says which lines are no samples, and takes the others', () => {
	const { samples, problems } = readSamples(
		'time,total\nyesterday,412\n2027-04-18T05:10:00Z,much\n2027-04-18T05:10:00Z,412',
		'Etc/UTC'
	);
	expect(samples).toEqual([[AT, 412]]);
	expect(problems.map(({ path }) => path)).toEqual(['line 2', 'line 3']);
	expect(readSamples('2027-04-18 07:10,412', undefined).problems[0]?.expected).toContain('offset');
});

it('comes back as it was written, and takes any text', () => {
	const sample = fc.tuple(fc.integer({ min: 1e9, max: 2e9 }), fc.integer({ min: 0, max: 1e8 }));
	fc.assert(
		fc.property(fc.array(sample, { minLength: 1, maxLength: 40 }), fc.boolean(), (rows, header) => {
			const lines = rows.map(([s, shows]) => `${new Date(1000 * s).toISOString()},${shows / 100}`);
			const { samples, problems } = readSamples(
				[...(header ? ['time,total'] : []), ...lines].join('\n'),
				undefined
			);
			expect(problems).toEqual([]);
			expect(samples).toEqual(rows.map(([s, shows]) => [1000 * s, shows / 100]));
		})
	);
	fc.assert(fc.property(fc.string(), (text) => void readSamples(text, 'Etc/UTC')));
});
