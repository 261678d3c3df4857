import {
	instantMs,
	isWeatherByDay,
	weatherOn,
	type Habit,
	type Logbook,
	type Stop
} from '../../logbook/index.js';
import type { Lean } from '../../rig/index.js';
import { dayPlus, daysBetween, zonedMs, zonedTime, type Timeline } from '../../time/index.js';

/** What of a place raises how often things are done: its heat, and how hard the days are. */
export interface Climate {
	/** highest temperature of the day; unknown when absent */
	readonly maxC?: number | undefined;
	/** 1 = usual */
	readonly exertion: number;
}

/** As places are of which nothing is known. */
export const USUAL_CLIMATE: Climate = { exertion: 1 };

/** Above this, where a habit that rises with heat does not say from where. */
const RISES_FROM_C = 25;

/** Heat and exertion of a stay, from its arrival on: changing at midnight where its weather is known day by day. */
function climateAt({ arrive, depart, weather, exertion = 1 }: Stop, timeZone: string): Timeline<Climate> {
	const arriveMs = instantMs(arrive);
	const { day: first } = zonedTime(arriveMs, timeZone);
	const of = (day: string): Climate => ({ maxC: weatherOn(weather, day)?.maxC, exertion });
	const nights = isWeatherByDay(weather) ? daysBetween(first, zonedTime(instantMs(depart), timeZone).day) : 0;
	const later = Array.from({ length: nights }, (_, i) => dayPlus(first, i + 1));
	return [
		{ ms: arriveMs, is: of(first) },
		...later.map((day) => ({ ms: zonedMs(day, timeZone), is: of(day) }))
	];
}

/** Heat and exertion as a rig's trips say it: each stop's from its arrival until the next one's, the usual after the trip. */
export function climateOf(rigId: string, trips: Logbook['trips']): Timeline<Climate> {
	return trips
		.filter(({ rig }) => rig === rigId)
		.flatMap((trip) => [
			...trip.stops.flatMap((stop) => climateAt(stop, trip.timeZone)),
			{ ms: zonedMs(dayPlus(trip.to, 1), trip.timeZone), is: USUAL_CLIMATE }
		])
		.sort((a, b) => a.ms - b.ms);
}

/** How a rig leans as its trips say it: at stops and passages that say so, while they last; nothing where none does. */
export function heelOf(rigId: string, trips: Logbook['trips']): Timeline<Lean | undefined> {
	return trips
		.filter(({ rig }) => rig === rigId)
		.flatMap(({ stops }) =>
			stops.flatMap(({ arrive, depart, heel }) =>
				heel
					? [
							{ ms: instantMs(arrive), is: heel },
							{ ms: instantMs(depart), is: undefined }
						]
					: []
			)
		)
		.sort((a, b) => a.ms - b.ms);
}

/** How many times its usual cadence a habit is done in a climate. */
export function riseOf({ rises }: Pick<Habit, 'rises'>, { maxC, exertion }: Climate): number {
	if (!rises) return 1;
	const { fromC = RISES_FROM_C, perC = 0 } = rises;
	const byHeat = maxC === undefined ? 1 : 1 + perC * Math.max(0, maxC - fromC);
	return byHeat * (rises.exertion ? exertion : 1);
}
