import { instantMs, type Stop, type Trip } from '../logbook/index.js';
import { DAY_MS, normalQuantile, personsAt, type Estimate } from '../estimate/index.js';
import { dailyChange, dayAhead, type DailyChange } from '../habits/index.js';

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

/** Persons from a moment on: what is aboard now until the next arrival, then each stop's own. */
function personsSteps(
	estimate: Estimate,
	trip: Trip
): readonly { readonly ms: number; readonly persons: number }[] {
	const now = personsAt(estimate.model.crew, estimate.atMs);
	const later = trip.stops
		.filter(({ arrive }) => instantMs(arrive) > estimate.atMs)
		.map((stop) => ({ ms: instantMs(stop.arrive), persons: stop.persons ?? trip.persons }));
	return [{ ms: -Infinity, persons: now }, ...later];
}

export function needsOf(estimate: Estimate, trip: Trip): Needs {
	const steps = personsSteps(estimate, trip);
	const known = new Map<string, DailyChange>();
	const changeFor = (tankId: string, persons: number): DailyChange => {
		const key = `${persons}|${tankId}`;
		const before = known.get(key);
		if (before) return before;
		const change = dailyChange(
			estimate,
			dayAhead(estimate, { persons, measures: estimate.state.measures }),
			tankId
		);
		known.set(key, change);
		return change;
	};
	return (tankId, fromMs, toMs) => {
		let [meanL, driftSd, scatterVar] = [0, 0, 0];
		steps.forEach(({ ms, persons }, i) => {
			const start = Math.max(ms, fromMs);
			const end = Math.min(steps[i + 1]?.ms ?? Infinity, toMs);
			if (!(end > start)) return;
			const days = (end - start) / DAY_MS;
			const change = changeFor(tankId, persons);
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
