import type { Entry, EntryOf, Habit, Meter, Rig } from '../logbook/index.js';
import type { Showing } from './counted.js';
import { listen, type Listened } from './listen.js';

export const START = Date.parse('2027-04-18T06:00:00Z');
export const meter: Meter = {
	id: 'm',
	kind: 'meter',
	name: 'Pump meter',
	place: 'pump',
	tank: 'main',
	unitL: 1,
	counts: 'up'
};
const habit = (id: string, outlet: string, litres: number, times: number): Habit => ({
	id,
	name: id.charAt(0).toUpperCase() + id.slice(1),
	outlet,
	litresEach: { mean: litres, sd: litres * 0.2 },
	often: { times, per: 'day' }
});
/** A van with two taps behind its meter, and a jug beside it. */
export const rig: Rig = {
	id: 'r',
	name: 'R',
	kind: 'camper',
	crew: 2,
	tanks: [{ id: 'main', name: 'Main', holds: 'fresh', nominalL: 100, reserveL: 0 }],
	outlets: [
		{ id: 'head', name: 'Shower head', from: 'main', to: 'ground', flowLpm: 6 },
		{ id: 'sink', name: 'Sink tap', from: 'main', to: 'ground', flowLpm: 4 },
		{ id: 'jug', name: 'Jug', from: 'outside', to: 'ground' }
	],
	instruments: [meter],
	habits: [
		habit('shower', 'head', 8, 1),
		habit('dishes', 'sink', 5, 2),
		habit('hands', 'sink', 0.5, 8),
		habit('tea', 'jug', 8, 9)
	],
	measures: [],
	containers: [],
	care: []
};

/** A tap that is open: from so many seconds after the start, for so many seconds, litres a minute. */
export type Open = readonly [fromS: number, forS: number, lpm: number];
/** What a meter shows each second in which that changed, to a hundredth of a litre. */
export function showingsOf(
	taps: readonly Open[],
	lastS: number,
	{ first = 100, dripLph = 0 } = {}
): readonly Showing[] {
	const showings: Showing[] = [[START, first]];
	let total = first;
	for (let s = 0; s < lastS; s++) {
		for (const [from, lasts, lpm] of taps) if (s >= from && s < from + lasts) total += lpm / 60;
		total += dripLph / 3600;
		const shows = Math.round(total * 100) / 100;
		if (shows !== showings.at(-1)?.[1]) showings.push([START + (s + 1) * 1000, shows]);
	}
	return showings;
}
export const heard = (
	showings: readonly Showing[],
	lastS: number,
	entries: readonly Entry[] = [],
	of: Meter = meter
): Listened => listen({ rig, meter: of, entries, showings, atMs: START + lastS * 1000, timeZone: 'Etc/UTC' });

/** A use that somebody wrote by hand, so many seconds after the start. */
export const written = (
	id: string,
	s: number,
	of: string,
	more: Partial<EntryOf<'use'>> = {}
): EntryOf<'use'> => ({
	id,
	rig: 'r',
	at: new Date(START + s * 1000).toISOString(),
	kind: 'use',
	habit: of,
	times: 1,
	...more
});
/** A morning: a shower with a pause, dishes in four goes, hands. */
export const MORNING: readonly Open[] = [
	[100, 50, 6],
	[200, 30, 6],
	[4000, 15, 4],
	[4030, 15, 4],
	[4055, 15, 4],
	[4090, 15, 4],
	[9000, 8, 3.6]
];
