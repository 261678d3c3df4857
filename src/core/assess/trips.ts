import { dayPlus, zonedMs, type Trip } from '../logbook/index.js';

/** When a trip's first day begins and its last day ends, ms. */
export const tripSpan = (trip: Trip): readonly [fromMs: number, toMs: number] => [
	zonedMs(trip.from, trip.timeZone),
	zonedMs(dayPlus(trip.to, 1), trip.timeZone)
];

/** The trip of a rig that is under way at a moment, else the next one to come. */
export function currentTrip(trips: readonly Trip[], rigId: string, atMs: number): Trip | undefined {
	const own = trips
		.filter(({ rig }) => rig === rigId)
		.map((trip) => ({ trip, span: tripSpan(trip) }))
		.filter(({ span }) => span[1] > atMs)
		.sort((a, b) => a.span[0] - b.span[0]);
	return (own.findLast(({ span }) => span[0] <= atMs) ?? own[0])?.trip;
}
