import { DAY_MS } from '../time/index.js';
import { describe, expect, it } from 'vitest';
import { entry } from '../../../tests/helpers/logbooks.js';
import type { EntryDraft } from '../logbook/index.js';
import { slipsIn } from './slips.js';

const nowMs = Date.parse('2027-05-10T12:00:00Z');
const at = (day: number, time = '08:00', year = 2027): string =>
	`${year}-05-${String(day).padStart(2, '0')}T${time}:00Z`;
const fill = (when: string, litres: number | undefined = 40) =>
	entry({ kind: 'fill', at: when, tank: 'main', ...(litres ? { litres } : { to: 'full' }) } as EntryDraft);

describe('written down twice', () => {
	it('the same fill within twelve minutes, the later one naming the earlier', () => {
		const [first, again] = [fill(at(9)), fill(at(9, '08:11'))];
		expect(slipsIn([again, first], nowMs)).toEqual([{ kind: 'twice', entry: again.id, other: first.id }]);
	});
	it('not a quarter of an hour apart, not another amount, not long ago', () => {
		expect(slipsIn([fill(at(9)), fill(at(9, '08:15'))], nowMs)).toEqual([]);
		expect(slipsIn([fill(at(9)), fill(at(9, '08:05'), 41)], nowMs)).toEqual([]);
		const later = nowMs + 30 * DAY_MS;
		expect(slipsIn([fill(at(9)), fill(at(9, '08:05'))], later)).toEqual([]);
	});
	it('not a voided one, nor what is often done twice in a row', () => {
		expect(slipsIn([fill(at(9)), { ...fill(at(9, '08:05')), void: true }], nowMs)).toEqual([]);
		const flush = (time: string) => entry({ kind: 'use', at: at(9, time), habit: 'flush', times: 1 });
		expect(slipsIn([flush('08:00'), flush('08:02')], nowMs)).toEqual([]);
	});
});

describe('a clock set wrong', () => {
	it('tomorrow was more likely today, next year this year', () => {
		const tomorrow = fill(at(11, '10:00'));
		expect(slipsIn([fill(at(8)), tomorrow], nowMs)).toMatchObject([
			{ entry: tomorrow.id, off: 'future', suggestedAt: '2027-05-10T10:00:00+00:00' }
		]);
		const nextYear = fill(at(9, '10:00', 2028));
		expect(slipsIn([fill(at(8)), nextYear], nowMs)).toMatchObject([
			{ entry: nextYear.id, off: 'future', suggestedAt: '2027-05-09T10:00:00+00:00' }
		]);
	});
	it('a year before all else was more likely this year', () => {
		const lastYear = fill(at(9, '10:00', 2026));
		expect(slipsIn([lastYear, fill(at(8)), fill(at(9, '20:00'), 10)], nowMs)).toMatchObject([
			{ entry: lastYear.id, off: 'past', suggestedAt: '2027-05-09T10:00:00+00:00' }
		]);
	});
	it('a whole log ahead of the clock is said once', () => {
		const ahead = [20, 21, 22, 23].map((day) => fill(at(day)));
		expect(slipsIn(ahead, nowMs)).toMatchObject([{ entry: ahead[0]?.id, off: 'future', more: 3 }]);
	});
	it('the days of a trial may lie ahead: they are a plan', () =>
		expect(
			slipsIn(
				[entry({ kind: 'measure', at: at(25), measure: 'short', on: true, trial: 't' }), fill(at(9))],
				nowMs
			)
		).toEqual([]));
	it('a note may lie ahead: it is a plan', () => {
		expect(slipsIn([entry({ kind: 'note', at: at(20), text: 'buy hose' })], nowMs)).toEqual([]);
	});
});
