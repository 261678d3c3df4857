import { expect, it } from 'vitest';
import { entry } from '../../../../../tests/helpers/logbooks';
import { byDay } from './byDay';

const at = (time: string) => entry({ kind: 'note', at: time, text: time });

it('days are those of the zone, and keep the order in which entries come', () => {
	const [late, early] = [at('2027-05-02T23:30:00Z'), at('2027-05-02T08:00:00Z')];
	const both = [late, early];
	expect(byDay(both, 'Etc/UTC')).toEqual([{ day: '2027-05-02', entries: both, whole: both }]);
	expect(byDay(both, 'Asia/Tokyo').map(({ day }) => day)).toEqual(['2027-05-03', '2027-05-02']);
	expect(byDay([], 'Etc/UTC')).toEqual([]);
});

it('a long day comes in pieces; its first bears the whole, for what it adds up to', () => {
	const long = Array.from({ length: 60 }, (_, i) => at(`2027-05-02T10:${String(i).padStart(2, '0')}:00Z`));
	const parts = byDay([...long, at('2027-05-01T08:00:00Z')], 'Etc/UTC');
	expect(parts.map(({ day, entries, whole }) => [day, entries.length, whole?.length])).toEqual([
		['2027-05-02', 25, 60],
		['2027-05-02', 25, undefined],
		['2027-05-02', 10, undefined],
		['2027-05-01', 1, 1]
	]);
	expect(parts.flatMap(({ entries }) => entries).slice(0, 60)).toEqual(long);
});
