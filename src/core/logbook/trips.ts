import { DAY_MS, dayPlus, zonedMs } from '../time/index.js';
import type { Logbook, Trip } from './types.js';

/** When a trip's first day begins and its last day ends, ms. */
export const tripSpan = (trip: Trip): readonly [fromMs: number, toMs: number] => [
	zonedMs(trip.from, trip.timeZone),
	zonedMs(dayPlus(trip.to, 1), trip.timeZone)
];

/** The trip of a rig that is under way at a moment; of two, the one that began later. */
export function tripUnderWay(trips: readonly Trip[], rigId: string, atMs: number): Trip | undefined {
	return trips
		.filter(({ rig }) => rig === rigId)
		.map((trip) => ({ trip, span: tripSpan(trip) }))
		.filter(({ span }) => span[0] <= atMs && atMs < span[1])
		.sort((a, b) => a.span[0] - b.span[0])
		.at(-1)?.trip;
}

/** A trip that begins within so many days is prepared for; one further off is not yet. */
const AT_HAND_DAYS = 3;

/** The trip of a rig that is under way at a moment, else one that begins within three days. */
export function tripAtHand(trips: readonly Trip[], rigId: string, atMs: number): Trip | undefined {
	const trip = currentTrip(trips, rigId, atMs);
	return trip && tripSpan(trip)[0] <= atMs + AT_HAND_DAYS * DAY_MS ? trip : undefined;
}

/** The trip of a rig that is under way at a moment, else the next one to come, however far off. */
export function currentTrip(trips: readonly Trip[], rigId: string, atMs: number): Trip | undefined {
	const own = trips
		.filter(({ rig }) => rig === rigId)
		.map((trip) => ({ trip, span: tripSpan(trip) }))
		.filter(({ span }) => span[1] > atMs)
		.sort((a, b) => a.span[0] - b.span[0]);
	return tripUnderWay(trips, rigId, atMs) ?? own[0]?.trip;
}

/** How sure a plan must be where a trip says nothing: nine chances in ten. */
export const DEFAULT_CERTAINTY = 0.9;

/** How sure a trip's plan is to be, 0 … 1; the usual where it does not say. */
export const certaintyOf = (trip: Pick<Trip, 'policy'> | undefined): number =>
	trip?.policy?.certainty ?? DEFAULT_CERTAINTY;

/** A trip without the stops that are kept only because entries name them. */
export const tripInUse = (trip: Trip): Trip =>
	trip.stops.some(({ retired }) => retired)
		? { ...trip, stops: trip.stops.filter(({ retired }) => !retired) }
		: trip;

const offsetOf = (at: string | undefined): string => /[+-]\d\d:\d\d$/.exec(at ?? '')?.[0] ?? 'Etc/UTC';

/** The zone in which a rig lived at some time: of its trip then, of its person, of its last trip, of how it was written down. */
export function zoneAt({ rigs, trips, entries }: Logbook, rigId: string, ms: number): string {
	const own = trips.filter(({ rig }) => rig === rigId);
	const under = own.find((trip) => {
		const [fromMs, toMs] = tripSpan(trip);
		return fromMs <= ms && ms < toMs;
	});
	return (
		under?.timeZone ??
		rigs.find(({ id }) => id === rigId)?.timeZone ??
		own.at(-1)?.timeZone ??
		offsetOf(entries.findLast(({ rig }) => rig === rigId)?.at)
	);
}
