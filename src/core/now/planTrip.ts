import { HOUR_MS } from '../time/index.js';
import type { Estimate } from '../estimate/index.js';
import { ration, type Ration } from '../forecast/index.js';
import {
	certaintyOf,
	instantMs,
	type Entry,
	type HoursReader,
	type Rig,
	type Trip
} from '../logbook/index.js';
import { livedTrip, workedPlan, type Plan, type PlannedService } from '../plan/index.js';
import { METRIC, type UnitChoice } from '../units/index.js';
import { capital, sayLastChance, sayService, sayShutAhead, type Span } from '../words/index.js';

/** What the plan asks of one now, and which chance must not be missed. */
export interface ToDo {
	/** the last place to fill or dump before a tank binds, in words: the next one to come */
	readonly lastChance?: string;
	/** what is shut when one gets there, and what then if the next planned stop is */
	readonly shut?: readonly (readonly Span[])[];
	/** what is planned where one is, for now */
	readonly due?: { readonly service: PlannedService; readonly does: string; readonly says: string };
}

/** A trip as it is lived, its plan, and what that asks of one now. */
export type PlanTrip = (
	estimate: Estimate,
	trip: Trip,
	entries: readonly Entry[],
	units: UnitChoice | undefined,
	hours?: HoursReader
) => { readonly trip: Trip; readonly plan: Plan; readonly toDo: ToDo; readonly ration: Ration | undefined };

/** The plan of the trip at hand as *Now* tells it. */
export const planTrip: PlanTrip = (estimate, whole, entries, units = METRIC, hours = undefined) => {
	const trip = livedTrip(whole, entries);
	const { plan } = workedPlan(estimate, trip, { reading: 'while-there', hours });
	const until = rationUntil(trip, plan, estimate.atMs);
	const shut = sayShutAhead(estimate.model.rig, trip, plan, estimate.atMs, { units, hours });
	return {
		trip,
		plan,
		ration: until === undefined ? undefined : ration(estimate, until, certaintyOf(trip)),
		toDo: {
			...toDo(estimate.model.rig, trip, plan, estimate.atMs, units),
			...(shut.length > 0 ? { shut } : {})
		}
	};
};

/** Until when the ration is reckoned: the next planned service, else the end of the trip. */
const rationUntil = (trip: Trip, planned: Plan, atMs: number): number | undefined => {
	const next = trip.stops.find(({ id }) => id === planned.next?.stop);
	const ends = trip.stops.map(({ depart }) => instantMs(depart));
	const until = next ? instantMs(next.arrive) : Math.max(-Infinity, ...ends);
	return until > atMs ? until : undefined;
};

/** What is planned where one is, within the hour, and the last chance that comes first. */
function toDo(rig: Rig, trip: Trip, { services, lastChance }: Plan, atMs: number, units: UnitChoice): ToDo {
	const here = trip.stops.find(({ arrive, depart }) => instantMs(arrive) <= atMs && instantMs(depart) > atMs);
	const service = services.find((one) => one.stop === here?.id && one.atMs <= atMs + HOUR_MS);
	const [last] = [...lastChance].sort((a, b) => a.arriveMs - b.arriveMs || a.bindsMs - b.bindsMs);
	const does = service ? sayService(rig, service, units) : '';
	return {
		...(last ? { lastChance: sayLastChance(rig, trip, last, atMs) } : {}),
		...(service && here
			? { due: { service, does: capital(does), says: `You are at ${here.name}: ${does}.` } }
			: {})
	};
}
