import { expect, it } from 'vitest';
import { entry } from '../../../../../tests/helpers/logbooks';
import type { Gauge } from '$core/logbook';
import { lastShown, lightsOf } from './glance';

const lights: Gauge = {
	id: 'lights',
	kind: 'gauge',
	name: 'Lights',
	tank: 'grey',
	curve: [
		{ reads: '2/3', litres: 50 },
		{ reads: 'empty', litres: 0 },
		{ reads: '1/3', litres: 25 }
	]
};
const shows = (at: string, value: string | number, more = {}) =>
	entry({ kind: 'reading', at, instrument: 'lights', value, ...more });

it('a gauge’s lights stand by what they mean; one that shows numbers has none', () => {
	expect(lightsOf(lights)).toEqual(['empty', '1/3', '2/3']);
	expect(lightsOf({ ...lights, curve: [{ reads: 0, litres: 0 }] })).toEqual([]);
});

it('what it showed last is the latest that counts, in whatever order it was written', () => {
	const log = [
		shows('2027-05-02T08:00:00Z', '1/3'),
		shows('2027-05-01T08:00:00Z', 'empty'),
		shows('2027-05-03T08:00:00Z', '2/3', { void: true }),
		shows('2027-05-09T08:00:00Z', '2/3')
	];
	expect(lastShown(log, Date.parse('2027-05-04T00:00:00Z')).get('lights')?.value).toBe('1/3');
	expect(lastShown([], 0).size).toBe(0);
});
