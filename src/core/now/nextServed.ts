import { DAY_MS, HOUR_MS } from '../time/index.js';
import { type Estimate } from '../estimate/index.js';
import { instantMs, type HoursReader, type Stop, type Trip } from '../logbook/index.js';
import { opensAt, serviceKindOf, stopServes } from '../plan/index.js';
import { neverBinds } from '../rig/index.js';
import type { Until } from '../words/index.js';

/** To walk to a service that is here. */

/**
 * Until when each tank has to hold: the next stop of the trip that serves it, the one that one is at included; else the
 * trip's end; without a trip, this time tomorrow.
 */
export function nextServed(
	{ model, atMs }: Estimate,
	trip: Trip | undefined,
	hours?: HoursReader
): ReadonlyMap<string, Until> {
	const { rig } = model;
	const stops = (trip?.stops ?? []).filter(({ depart, retired }) => !retired && instantMs(depart) > atMs);
	const opens = trip && opensAt(trip, hours, atMs);
	const endMs = Math.max(-Infinity, ...stops.map(({ depart }) => instantMs(depart)));
	const untilOf = (stop: Stop | undefined): Until => {
		if (!stop) return endMs > atMs ? { ms: endMs, for: 'trip-end' } : { ms: atMs + DAY_MS, for: 'a-day' };
		const ms = instantMs(stop.arrive);
		return ms <= atMs
			? { ms: atMs + HOUR_MS, for: 'here', stop: stop.name }
			: { ms, for: 'service', stop: stop.name };
	};
	return new Map(
		rig.tanks
			.filter((tank) => !neverBinds(rig, tank))
			.map(
				(tank) =>
					[
						tank.id,
						untilOf(stops.find((stop) => stopServes(stop, serviceKindOf(tank.holds), opens)))
					] as const
			)
	);
}
