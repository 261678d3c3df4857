import { instantMs, type Habit, type Logbook, type Stop } from '../../logbook/index.js';
import { dayPlus, zonedMs, type Timeline } from '../../time/index.js';

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

/** Heat and exertion as a rig's trips say it: each stop's from its arrival until the next one's, the usual after the trip. */
export function climateOf(rigId: string, trips: Logbook['trips']): Timeline<Climate> {
	const ofStop = ({ weather, exertion = 1 }: Stop): Climate => ({ maxC: weather?.maxC, exertion });
	return trips
		.filter(({ rig }) => rig === rigId)
		.flatMap((trip) => [
			...trip.stops.map((stop) => ({ ms: instantMs(stop.arrive), is: ofStop(stop) })),
			{ ms: zonedMs(dayPlus(trip.to, 1), trip.timeZone), is: USUAL_CLIMATE }
		])
		.sort((a, b) => a.ms - b.ms);
}

/** How many times its usual cadence a habit is done in a climate. */
export function riseOf({ rises }: Pick<Habit, 'rises'>, { maxC, exertion }: Climate): number {
	if (!rises) return 1;
	const { fromC = RISES_FROM_C, perC = 0 } = rises;
	const byHeat = maxC === undefined ? 1 : 1 + perC * Math.max(0, maxC - fromC);
	return byHeat * (rises.exertion ? exertion : 1);
}
