import { instantMs, type Entry, type Stop, type Trip } from '../../logbook/index.js';

/**
 * A trip with what has really happened of it: one who wrote that he arrived or left was there from or until then, and no
 * longer anywhere before. What lies ahead stays as planned.
 */
export function livedTrip(trip: Trip, entries: readonly Entry[]): Trip {
	const events = entries.flatMap((entry) => (entry.kind === 'stop' && !entry.void ? [entry] : []));
	return events.reduce((lived, { stop: id, event, at }) => {
		const index = lived.stops.findIndex((stop) => stop.id === id);
		if (index < 0) return lived;
		const ms = instantMs(at);
		const earlier = (one: string): string => (instantMs(one) > ms ? at : one);
		const later = (one: string): string => (instantMs(one) < ms ? at : one);
		return {
			...lived,
			stops: lived.stops.map((stop, i): Stop => {
				if (i < index) return { ...stop, arrive: earlier(stop.arrive), depart: earlier(stop.depart) };
				if (i > index) return stop;
				return event === 'arrive'
					? { ...stop, arrive: at, depart: later(stop.depart) }
					: { ...stop, arrive: earlier(stop.arrive), depart: at };
			})
		};
	}, trip);
}
