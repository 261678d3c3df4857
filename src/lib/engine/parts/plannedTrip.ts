import type { Estimate } from '$core/estimate';
import { instantMs, tripInUse, tripSpan, type Entry, type HoursReader, type Trip } from '$core/logbook';
import { livedTrip, type PlanOptions } from '$core/plan';
import { DAY_MS } from '$core/time';

/** A trip as the application plans it. */
export interface PlannedTrip {
	readonly trip: Trip;
	readonly options: PlanOptions;
	readonly fromMs: number;
	readonly settingOut: boolean;
}

/** A trip that begins in more days than this is planned as one will set out: nobody knows what will be aboard. */
const AT_HAND_DAYS = 3;
/** A trip as it is lived, and from when on it is planned: now, or the moment one sets out. */
export function plannedTrip(
	estimate: Estimate,
	whole: Trip,
	entries: readonly Entry[],
	hours: HoursReader | undefined
): PlannedTrip {
	const trip = livedTrip(tripInUse(whole), entries);
	const first = trip.stops[0];
	const beginsMs = first ? instantMs(first.arrive) : tripSpan(trip)[0];
	const settingOut = beginsMs > estimate.atMs + AT_HAND_DAYS * DAY_MS;
	return {
		trip,
		options: { reading: 'while-there', hours, ...(settingOut ? { settingOutMs: beginsMs } : {}) },
		fromMs: settingOut ? beginsMs : estimate.atMs,
		settingOut
	};
}
