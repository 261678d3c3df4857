import { expect, it } from 'vitest';
import { entry } from '../../../../../tests/helpers/logbooks';
import { byDay } from './byDay';

it('days are those of the zone, and keep the order in which entries come', () => {
	const at = (time: string) => entry({ kind: 'note', at: time, text: time });
	const [late, early] = [at('2027-05-02T23:30:00Z'), at('2027-05-02T08:00:00Z')];
	expect(byDay([late, early], 'Etc/UTC')).toEqual([['2027-05-02', [late, early]]]);
	expect(byDay([late, early], 'Asia/Tokyo').map(([day]) => day)).toEqual(['2027-05-03', '2027-05-02']);
	expect(byDay([], 'Etc/UTC')).toEqual([]);
});
