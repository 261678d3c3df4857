import { instantMs, type Stop, type Trip } from '../logbook/index.js';
import {
	climateOf,
	DAY_MS,
	normalQuantile,
	stepAt,
	USUAL_CLIMATE,
	type Climate,
	type Estimate
} from '../estimate/index.js';
import { climateNow, dailyChange, dayAhead, personsNow, type DailyChange } from '../habits/index.js';

/** What a stretch of the trip does to a tank: expected change and its variance, so far apart that they add. */
export interface Need {
	readonly meanL: number;
	/** grows with the square of time: the same doubt about the rates every day */
	readonly driftSd: number;
	/** grows with time: days differ */
	readonly scatterVar: number;
}

/** Adds up what a tank gains or loses between two instants of a trip, by the persons aboard at each stop. */
export type Needs = (tankId: string, fromMs: number, toMs: number) => Need;

/** How one lives from a moment of a trip on. */
interface Living {
	readonly ms: number;
	readonly persons: number;
	readonly climate: Climate;
	/** hooked up as now: only until one leaves, since the plan counts on no hook-up to come */
	readonly asHooked: boolean;
}

/** As one lives now, until the next arrival; then each stop's own people, heat and exertion. */
function livingAlong(estimate: Estimate, trip: Trip): readonly Living[] {
	const { atMs } = estimate;
	const climates = climateOf(trip.rig, [trip]);
	const now = {
		ms: -Infinity,
		persons: personsNow(estimate),
		climate: stepAt(climates, atMs) ?? climateNow(estimate),
		asHooked: true
	};
	const leaves = trip.stops.map(({ depart }) => instantMs(depart)).filter((ms) => ms > atMs);
	const arrivals = trip.stops
		.filter(({ arrive }) => instantMs(arrive) > atMs)
		.map((stop): Living => ({
			ms: instantMs(stop.arrive),
			persons: stop.persons ?? trip.persons,
			climate: stepAt(climates, instantMs(stop.arrive)) ?? USUAL_CLIMATE,
			asHooked: false
		}));
	const firstLeave = Math.min(...leaves);
	const away =
		firstLeave < (arrivals[0]?.ms ?? Infinity) ? [{ ...now, ms: firstLeave, asHooked: false }] : [];
	return [now, ...away, ...arrivals];
}

const UNHOOKED = { mains: false, sewer: false };

export function needsOf(estimate: Estimate, trip: Trip): Needs {
	const { measures, mains, sewer } = estimate.state;
	const steps = livingAlong(estimate, trip);
	const known = new Map<string, DailyChange>();
	const changeFor = (tankId: string, { persons, climate, asHooked }: Living): DailyChange => {
		const key = `${persons}|${climate.maxC}|${climate.exertion}|${asHooked}|${tankId}`;
		const before = known.get(key);
		if (before) return before;
		const hookUp = asHooked ? { mains, sewer } : UNHOOKED;
		const day = dayAhead(estimate, { persons, climate, hookUp, measures });
		const change = dailyChange(estimate, day, tankId);
		known.set(key, change);
		return change;
	};
	return (tankId, fromMs, toMs) => {
		let [meanL, driftSd, scatterVar] = [0, 0, 0];
		steps.forEach((step, i) => {
			const start = Math.max(step.ms, fromMs);
			const end = Math.min(steps[i + 1]?.ms ?? Infinity, toMs);
			if (!(end > start)) return;
			const days = (end - start) / DAY_MS;
			const change = changeFor(tankId, step);
			meanL += days * change.mean;
			driftSd += days * change.driftSd;
			scatterVar += days * change.daySd ** 2;
		});
		return { meanL, driftSd, scatterVar };
	};
}

/** A level at some moment, as a normal. */
export interface Level {
	readonly litres: number;
	readonly variance: number;
}

/** The level that is not undercut (fresh) or exceeded (waste) with a certainty, after a stretch. */
export function guardedLevel(level: Level, need: Need, certainty: number, falls: boolean): number {
	const sd = Math.sqrt(level.variance + need.driftSd ** 2 + need.scatterVar);
	return level.litres + need.meanL + (falls ? -1 : 1) * normalQuantile(certainty) * sd;
}

export const servesKind = (stop: Stop, holds: 'fresh' | 'grey' | 'black'): boolean =>
	stop.services.some((service) =>
		holds === 'fresh' ? service.kind === 'water' && service.potable !== false : service.kind === holds
	);
