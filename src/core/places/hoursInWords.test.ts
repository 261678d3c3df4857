import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hoursReader } from '../hours/index.js';
import { hoursFromWords, sayHours } from './index.js';

const SAID: readonly (readonly [string, string | undefined])[] = [
	['Apr–Oct, 8–18, not on Sundays', 'Apr-Oct 08:00-18:00; Su off'],
	['April to October', 'Apr-Oct'],
	['8–18', '08:00-18:00'],
	['8:30 to 17', '08:30-17:00'],
	['8 am – 6 pm', '08:00-18:00'],
	['weekdays 9-17', 'Mo-Fr 09:00-17:00'],
	['weekends only', 'Sa-Su'],
	['Mon–Fri 8–12, 14–18', 'Mo-Fr 08:00-12:00,14:00-18:00'],
	['Tue and Thu 10-12', 'Tu,Th 10:00-12:00'],
	['from 8', '08:00-24:00'],
	['until 20:00', '00:00-20:00'],
	['daily 7 to 21', '07:00-21:00'],
	['15 March to 1 November', 'Mar 15-Nov 01'],
	['May-Sep, Mon-Sat, 9-19, closed on public holidays', 'May-Sep Mo-Sa 09:00-19:00; PH off'],
	['except Sundays', '00:00-24:00; Su off'],
	['closed weekends', '00:00-24:00; Sa-Su off'],
	['daylight', 'sunrise-sunset'],
	['always', '24/7'],
	['24 hours', '24/7'],
	['frozen', 'off'],
	['ask at the farm', undefined],
	['8–27', undefined],
	['Apr–Oct, ring the bell', undefined],
	['', undefined]
];

describe('opening hours in words', () => {
	it.each(SAID)('%s', (said, open) => expect(hoursFromWords(said)).toBe(open));
	it('all that is understood the reader reads', () => {
		const reader = hoursReader();
		for (const [, open] of SAID) if (open !== undefined) expect(reader.reads(open), open).toBe(true);
	});
	it('are said as people say them, and what is more than that as it stands', () => {
		expect(sayHours('Apr-Oct Mo-Sa 08:00-18:00; PH off')).toBe(
			'Apr–Oct, Mon–Sat, 8:00–18:00, not on public holidays'
		);
		expect(sayHours('Apr-Oct 08:00-18:00; Su off')).toBe('Apr–Oct, 8:00–18:00, not on Sundays');
		expect(sayHours('week 1-53/2 Fr 09:00-12:00')).toBe('week 1-53/2 Fr 09:00-12:00');
		expect(sayHours('24/7')).toBe('always');
	});
	it('syntax → words → the same syntax', () => {
		const part = <T extends string>(...of: readonly T[]): fc.Arbitrary<string> => fc.constantFrom('', ...of);
		const rule = fc.tuple(
			part('Apr-Oct', 'Mar 15-Nov 01', 'Jul'),
			part('Mo-Sa', 'Tu,Th', 'Su', 'Sa-Su'),
			part('08:00-18:00', '08:30-12:00,14:00-24:00', 'sunrise-sunset')
		);
		fc.assert(
			fc.property(rule, part('Su off', 'Mo,We off'), part('PH off'), (parts, off, holidays) => {
				const plain = parts.filter((one) => one !== '').join(' ');
				fc.pre(plain !== '' && !(plain.includes('Su') && off !== ''));
				const open = [plain, off, holidays].filter((one) => one !== '').join('; ');
				expect(hoursFromWords(sayHours(open))).toBe(open);
			})
		);
	});
});
