import { expect, it } from 'vitest';
import { exactTrip } from '../../../../tests/helpers/logbooks.js';
import type { Stop, Trip } from '../../logbook/index.js';
import { nameOfWay, readWay, sayWay, tripFromWay } from './index.js';

const stop = (id: string, day: number, more: Partial<Stop>): Stop => ({
	id,
	name: id,
	arrive: `2027-05-0${day}T12:00:00+00:00`,
	depart: `2027-05-0${day + 1}T10:00:00+00:00`,
	legKm: 10,
	services: [],
	...more
});
const trip: Trip = {
	...exactTrip,
	from: '2027-05-01',
	to: '2027-05-04',
	stops: [
		stop('Ford', 1, {
			weather: { maxC: 28, minC: 13 },
			weatherFrom: 'simulated',
			exertion: 1.5,
			position: [1, 50]
		}),
		stop('Fell', 2, {
			weather: [{ day: '2027-05-02', maxC: 20, minC: 9 }],
			weatherFrom: 'simulated',
			legFrom: 'track'
		}),
		stop('Edge', 3, { retired: true })
	]
};
const having = { timeZone: 'Etc/UTC' };
const edited = (change: (text: string) => string): Trip => {
	const text = change(sayWay(trip.stops, having));
	const { stops } = readWay({ text, from: trip.stops[0]!.arrive, ...having });
	return tripFromWay(trip, stops, (place) => `new-${place}`);
};

it('lines that nobody has changed change nothing: not what no line says, nor where a figure came from', () => {
	expect(edited((text) => text)).toEqual({ ...trip, to: '2027-05-03' });
});
it('what a line says anew is as it is said; a stop that is told no more is gone, one that entries name stays', () => {
	const next = edited((text) => `${text.replace('28/13', '31/15').split('\n')[0] ?? ''}\nQuay 2 nights`);
	expect(next.stops.map(({ id, retired }) => [id, retired])).toEqual([
		['Ford', undefined],
		['new-1', undefined],
		['Edge', true]
	]);
	expect(next.stops[0]).toMatchObject({
		weather: { maxC: 31, minC: 15 },
		weatherFrom: 'typed',
		exertion: 1.5,
		position: [1, 50]
	});
	expect([next.from, next.to]).toEqual(['2027-05-01', '2027-05-04']);
});
it('a trip is called by its ends', () => {
	expect(nameOfWay([{ name: 'Ford' }, { name: 'Fell' }])).toBe('Ford to Fell');
	expect(nameOfWay([{ name: 'Ford' }])).toBe('Ford');
});
