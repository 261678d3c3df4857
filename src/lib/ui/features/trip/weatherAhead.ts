import { daysBetween, zonedTime } from '$core/time';
import { instantMs, type Stop, type Trip } from '$core/logbook';
import { ofStay, simulatedWeatherService } from '$lib/standins/weatherService';
import type { App } from '$lib/state';

/** Nobody knows the weather further ahead. */
const MOST_DAYS = 60;

/** The days of a stop in the zone of its trip: the first, and how many. */
export function daysOf(
	stop: Pick<Stop, 'arrive' | 'depart'>,
	timeZone: string
): readonly [from: string, days: number] {
	const day = (at: string): string => zonedTime(instantMs(at), timeZone).day;
	const from = day(stop.arrive);
	return [from, Math.min(MOST_DAYS, Math.max(1, daysBetween(from, day(stop.depart)) + 1))];
}

/**
 * Asks for the weather of the stops ahead that have a place and none yet.
 *
 * @returns what came of it, and whether there is something to take back
 */
export async function weatherAhead(
	app: App,
	trip: Trip
): Promise<{ readonly said: string; readonly changed: boolean }> {
	const asked = trip.stops.filter(
		({ depart, position, weather, retired }) =>
			position && !weather && !retired && instantMs(depart) > app.nowMs
	);
	const found = new Map(
		await Promise.all(
			asked.map(async (stop) => {
				const days = await simulatedWeatherService.days(
					stop.position ?? [0, 0],
					...daysOf(stop, trip.timeZone)
				);
				return [stop.id, ofStay(days)] as const;
			})
		)
	);
	if (found.size === 0) return { said: 'Every stop ahead with a place already has weather.', changed: false };
	const said = `Simulated weather for ${found.size} ${found.size === 1 ? 'stop' : 'stops'}`;
	const changed = await app.commands.change(
		'trip',
		trip.id,
		(newest) => ({
			...newest,
			stops: newest.stops.map((stop) => {
				return stop.weather ? stop : { ...stop, ...found.get(stop.id) };
			})
		}),
		said
	);
	return { said, changed };
}
