import { expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import type { Entry } from '../logbook/index.js';
import { findings } from './index.js';

const day = (d: number, hour = 8): string => `2027-05-0${d}T${String(hour).padStart(2, '0')}:00:00Z`;
const reads = (d: number, hour: number, value: number): Entry =>
	entry({ kind: 'reading', at: day(d, hour), instrument: 'pump', value });
const gone = (d: number, persons: number, hour = 8): Entry =>
	entry({ kind: 'crew', at: day(d, hour), persons });
const drips = (entries: readonly Entry[]) => {
	const known = estimate(
		logbookOf([...freshStart(), ...entries], { ...exactRig, unlogged: undefined }),
		'rig',
		Date.parse(day(6, 12))
	);
	return findings(known).flatMap((one) => (one.kind === 'drip' ? [one] : []));
};

it('a meter that moves with nobody aboard is a drip; one that moves with somebody aboard, or stands, is none', () => {
	const away = [reads(2, 8, 100), gone(2, 0), gone(5, 2, 7)];
	expect(drips([...away, reads(5, 8, 106)])).toMatchObject([
		// an hour aboard takes two litres at the most
		{ instrument: 'pump', litres: expect.closeTo(4, -0.5), perDayL: expect.closeTo(1.4, -0.5) }
	]);
	expect(drips([...away, reads(5, 8, 100.5)])).toEqual([]);
	expect(drips([reads(2, 8, 100), reads(5, 8, 106)])).toEqual([]);
	expect(
		drips([...away, entry({ kind: 'use', at: day(5, 7), habit: 'dishes', times: 1 }), reads(5, 8, 112)])
	).toEqual([]);
});

it('so is one that moves in a time of which somebody said that they were away', () => {
	const told = entry({ kind: 'gap', at: day(5, 7), since: day(2, 9), lived: 'away' });
	expect(drips([reads(2, 8, 100), told, reads(5, 8, 112)])).toHaveLength(1);
});
