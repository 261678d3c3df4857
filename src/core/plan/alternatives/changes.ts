import { dayPlus, daysBetween, zonedIso, zonedMs, zonedTime } from '../../time/index.js';
import distance from '@turf/distance';
import {
	instantMs,
	type Point,
	type School,
	type Service,
	type Stop,
	type Trip
} from '../../logbook/index.js';

import { serviceByHand, type Carrying } from './carrying.js';

/** A change of a trip that can be tried before it is kept. */
export type TripChange =
	/** not stopped at: the way goes on */
	| { readonly kind: 'skip'; readonly stop: string }
	/** so many nights more there, or fewer */
	| { readonly kind: 'nights'; readonly stop: string; readonly by: number }
	/** another place in the order, from 0 */
	| { readonly kind: 'order'; readonly stop: string; readonly to: number }
	/** the services of a known point, from a stop by a way round */
	| { readonly kind: 'point'; readonly stop: string; readonly point: string; readonly detourKm: number }
	/** loads of a container between a stop and a point near it */
	| Carrying
	/** hooked up at a stop, or not any more */
	| { readonly kind: 'hookup'; readonly stop: string; readonly hookup: NonNullable<Stop['hookup']> }
	| { readonly kind: 'certainty'; readonly certainty: number }
	| { readonly kind: 'school'; readonly school: School | undefined }
	/** whether the trip is to work with any one service shut */
	| { readonly kind: 'fallback'; readonly on: boolean }
	/** from now on */
	| { readonly kind: 'persons'; readonly by: number }
	| { readonly kind: 'measures'; readonly on: readonly string[] };

/** An instant some calendar days on, at the same time of day where the trip is. */
function daysOn(at: string, days: number, timeZone: string): string {
	const ms = instantMs(at);
	const { day, hour, minute } = zonedTime(ms, timeZone);
	return zonedIso(zonedMs(dayPlus(day, days), timeZone, hour, minute), timeZone);
}

/** The nights of a stay, by the calendar of the trip. */
export function nightsAt({ arrive, depart }: Pick<Stop, 'arrive' | 'depart'>, timeZone: string): number {
	const day = (at: string): string => zonedTime(instantMs(at), timeZone).day;
	return daysBetween(day(arrive), day(depart));
}

/** Whether one can leave a night earlier than planned: from a stay of one night only after more than a day. */
export const canBeShorter = (stop: Pick<Stop, 'arrive' | 'depart'>, timeZone: string): boolean =>
	nightsAt(stop, timeZone) > 0 && instantMs(daysOn(stop.depart, -1, timeZone)) > instantMs(stop.arrive);

/** The last day of a trip, no earlier than its stops ask for. */
const throughStops = (trip: Trip): Trip => {
	const last = Math.max(...trip.stops.map(({ depart }) => instantMs(depart)));
	const { day } = Number.isFinite(last) ? zonedTime(last, trip.timeZone) : { day: trip.to };
	return day > trip.to ? { ...trip, to: day } : trip;
};

/** A trip with a stay longer or shorter, and all that comes later moved on with it. */
function withNights(trip: Trip, stopId: string, by: number): Trip {
	const at = trip.stops.findIndex(({ id }) => id === stopId);
	const moved = (iso: string): string => daysOn(iso, by, trip.timeZone);
	return throughStops({
		...trip,
		to: by < 0 ? trip.to : dayPlus(trip.to, by),
		stops: trip.stops.map((stop, i) =>
			i < at
				? stop
				: {
						...stop,
						arrive: i === at ? stop.arrive : moved(stop.arrive),
						depart: moved(stop.depart)
					}
		)
	});
}

/** A trip without a stop: the way to the next one is as long as both were. */
function without(trip: Trip, stopId: string): Trip {
	const at = trip.stops.findIndex(({ id }) => id === stopId);
	const gone = trip.stops[at];
	if (!gone) return trip;
	return {
		...trip,
		stops: trip.stops
			.map((stop, i) => (i === at + 1 ? { ...stop, legKm: stop.legKm + gone.legKm } : stop))
			.filter(({ id }) => id !== stopId)
	};
}

/**
 * A trip with a stop at another place in the order. Stays and the time on the way to each stop are as long as before; so are
 * the legs, which nobody can know without a map.
 *
 * @param to its place in the new order, from 0
 */
export function reordered(trip: Trip, stopId: string, to: number): Trip {
	const from = trip.stops.findIndex(({ id }) => id === stopId);
	const moved = trip.stops[from];
	if (!moved || from === to) return trip;
	const rest = trip.stops.filter(({ id }) => id !== stopId);
	const order = [...rest.slice(0, to), moved, ...rest.slice(to)];
	const wayMs = new Map(
		trip.stops.map((stop, i) => {
			const before = trip.stops[i - 1];
			return [stop.id, before ? Math.max(0, instantMs(stop.arrive) - instantMs(before.depart)) : 0] as const;
		})
	);
	// The way to the first stop leads from where the trip begins: whoever comes first begins when that did.
	let ms = instantMs(trip.stops[0]?.arrive ?? moved.arrive);
	const stops = order.map((stop, i) => {
		const stayMs = instantMs(stop.depart) - instantMs(stop.arrive);
		const arriveMs = i === 0 ? ms : ms + (wayMs.get(stop.id) ?? 0);
		ms = arriveMs + stayMs;
		return order[i]?.id === trip.stops[i]?.id && arriveMs === instantMs(stop.arrive)
			? stop
			: { ...stop, arrive: zonedIso(arriveMs, trip.timeZone), depart: zonedIso(ms, trip.timeZone) };
	});
	return throughStops({ ...trip, stops });
}

/** A stop with hook-ups chosen, or not any more. */
function withHookup({ hookup, ...stop }: Stop, next: NonNullable<Stop['hookup']>): Stop {
	const { mains, sewer, ...others } = { ...hookup, ...next };
	const chosen = { ...others, ...(mains ? { mains } : {}), ...(sewer ? { sewer } : {}) };
	return Object.keys(chosen).length > 0 ? { ...stop, hookup: chosen } : stop;
}

/** A point's services as they are used from a stop some way off. */
const servicesFrom = ({ services }: Point, detourKm: number): readonly Service[] =>
	services.map((service) => ({ ...service, detourKm: (service.detourKm ?? 0) + detourKm }));

/** There and back by the straight line, in whole kilometres, at least one. */
export const detourTo = (stop: Stop, point: Point): number | undefined =>
	stop.position && Math.max(1, Math.round(2 * distance([...stop.position], [...point.position])));

/** The trip as a change makes it; people and measures are no part of it. */
export function changedTrip(trip: Trip, change: TripChange, points: readonly Point[] = []): Trip {
	switch (change.kind) {
		case 'skip':
			return without(trip, change.stop);
		case 'nights':
			return withNights(trip, change.stop, change.by);
		case 'order':
			return reordered(trip, change.stop, change.to);
		case 'hookup':
			return {
				...trip,
				stops: trip.stops.map((stop) => (stop.id === change.stop ? withHookup(stop, change.hookup) : stop))
			};
		case 'point': {
			const point = points.find(({ id }) => id === change.point);
			return {
				...trip,
				stops: trip.stops.map((stop) =>
					stop.id === change.stop && point
						? { ...stop, services: [...stop.services, ...servicesFrom(point, change.detourKm)] }
						: stop
				)
			};
		}
		case 'carry': {
			const service = serviceByHand(
				change,
				points.find(({ id }) => id === change.point)
			);
			return {
				...trip,
				stops: trip.stops.map((stop) =>
					stop.id === change.stop ? { ...stop, services: [...stop.services, service] } : stop
				)
			};
		}
		case 'certainty':
			return { ...trip, policy: { ...trip.policy, certainty: change.certainty } };
		case 'fallback': {
			const { fallback: _before, ...policy } = trip.policy ?? {};
			return { ...trip, policy: change.on ? { ...policy, fallback: true } : policy };
		}
		case 'school': {
			const { school: _before, ...policy } = trip.policy ?? {};
			return { ...trip, policy: change.school ? { ...policy, school: change.school } : policy };
		}
		case 'persons':
		case 'measures':
			return trip;
	}
}
