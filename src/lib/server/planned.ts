import { estimate } from '$core/estimate';
import type { PlannedServices } from '$core/formats';
import { instantMs, tripSpan, type Logbook, type Trip } from '$core/logbook';
import { plan } from '$core/plan';
import { hours } from './hours';

/** What is planned along a trip at the moment at which its logbook was written: a file knows no other "now". */
export function plannedFor(logbook: Logbook, trip: Trip): PlannedServices | undefined {
	const atMs = instantMs(logbook.exportedAt);
	const rig = logbook.rigs.find(({ id }) => id === trip.rig);
	if (!rig) return undefined;
	const over = tripSpan(trip)[1] <= atMs || trip.stops.length === 0;
	return { rig, plan: over ? undefined : plan(estimate(logbook, rig.id, atMs), logbook, trip.id, { hours }) };
}
