import { daysBetween, zonedTime } from '../../time/index.js';
import { type Trip } from '../../logbook/index.js';

/** What it is that one is on: `Grethe Moor bat survey, day 6 of 16, 2 aboard`. */
export function sayOccasion(trip: Trip | undefined, persons: number | undefined, nowMs: number): string {
	const aboard = persons === undefined ? [] : [`${persons} aboard`];
	if (!trip) return aboard.join('');
	const day = daysBetween(trip.from, zonedTime(nowMs, trip.timeZone).day) + 1;
	const length = daysBetween(trip.from, trip.to) + 1;
	const when = day < 1 ? `begins in ${1 - day} ${day === 0 ? 'day' : 'days'}` : `day ${day} of ${length}`;
	return [trip.name, when, ...aboard].join(', ');
}
