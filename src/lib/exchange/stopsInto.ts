import { zonedTime } from '$core/time';
import { instantMs, type Stop, type Trip } from '$core/logbook';

/**
 * A stop that comes in over the one that is here: a calendar knows when and where, and not what there is nor how far it was; of
 * that what is here stays.
 */
export const mergedStop = (here: Stop | undefined, coming: Stop): Stop =>
	here
		? {
				...here,
				...coming,
				services: coming.services.length > 0 ? coming.services : here.services,
				legKm: coming.legKm > 0 ? coming.legKm : here.legKm
			}
		: coming;

/** The trip with stops that come in, in the order of their arrival, and long enough for all of them. */
export function withStops(trip: Trip, coming: readonly Stop[]): Trip {
	const here = new Map(trip.stops.map((stop) => [stop.id, stop]));
	const ids = new Set(coming.map(({ id }) => id));
	const stops = [
		...trip.stops.filter(({ id }) => !ids.has(id)),
		...coming.map((stop) => mergedStop(here.get(stop.id), stop))
	].sort((a, b) => instantMs(a.arrive) - instantMs(b.arrive));
	const days = stops
		.flatMap(({ arrive, depart }) => [arrive, depart])
		.map((at) => zonedTime(instantMs(at), trip.timeZone).day)
		.sort();
	const [first = trip.from, last = trip.to] = [days[0], days.at(-1)];
	return { ...trip, stops, from: first < trip.from ? first : trip.from, to: last > trip.to ? last : trip.to };
}

/** A new trip of stops that come in: from the first day of them to the last. */
export function tripOf(
	stops: readonly Stop[],
	about: Pick<Trip, 'id' | 'rig' | 'name' | 'timeZone' | 'persons'>
): Trip {
	const days = stops.map(({ arrive }) => zonedTime(instantMs(arrive), about.timeZone).day).sort();
	const day = days[0] ?? '1970-01-01';
	return withStops({ ...about, from: day, to: day, stops: [] }, stops);
}
