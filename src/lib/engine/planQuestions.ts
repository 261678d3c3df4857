import { DAY_MS, HOUR_MS } from '$core/time';
import type { Estimate } from '$core/estimate';
import {
	instantMs,
	tripInUse,
	tripSpan,
	type Entry,
	type Point,
	type School,
	type Trip
} from '$core/logbook';
import {
	ALL_SCHOOLS,
	compareTrips,
	levelsAlong,
	levelsAtStops,
	livedTrip,
	loadBefore,
	mends,
	passedBy,
	replanned,
	seenOf,
	workedPlan,
	type Compared,
	type LevelsAtStop,
	type Load,
	type PlanMend,
	type Plan,
	type PassedBy,
	type PlanOptions,
	type PlanSeen,
	type TankAlong,
	type TripChange
} from '$core/plan';
import { askPassedBy, sayReplanned } from '$core/words';

/** A trip's plan with the way of each tank, as a view of trips draws it. */
export interface TripPlan {
	readonly trip: string;
	readonly plan: Plan;
	/** from when on it is planned: now, or the moment one sets out, full and empty */
	readonly fromMs: number;
	readonly toMs: number;
	readonly settingOut: boolean;
	readonly along: readonly TankAlong[];
}

/** What a school's plan comes to for a trip. */
export interface SchoolPlan {
	readonly school: School | undefined;
	readonly plan: Plan;
}

/** How else a trip can be done. */
export interface WaysOfTrip {
	readonly trip: string;
	/** how much to load before one leaves; absent once one has left, or where the trip does not hold */
	readonly load?: Load;
	readonly schools: readonly SchoolPlan[];
	readonly mends: readonly PlanMend[];
}

/** A planned service that was passed by, and what is asked of it. */
export interface Ask extends PassedBy {
	readonly asks: string;
}

/** What is different since a plan was last seen. */
export interface PlanNews {
	readonly seen: PlanSeen;
	readonly changed?: string;
	readonly passed: readonly Ask[];
}

/** A trip as the application plans it. */
interface Asked {
	readonly trip: Trip;
	readonly options: PlanOptions;
	readonly fromMs: number;
	readonly settingOut: boolean;
}

/** A trip that begins in more days than this is planned as one will set out: nobody knows what will be aboard. */
const AT_HAND_DAYS = 3;
/** A moment is looked at in every so many hours, and no more than so many. */
const LOOK_MS = 3 * HOUR_MS;
const MOST_LOOKS = 400;

function asked(estimate: Estimate, whole: Trip, entries: readonly Entry[]): Asked {
	const trip = livedTrip(tripInUse(whole), entries);
	const first = trip.stops[0];
	const beginsMs = first ? instantMs(first.arrive) : tripSpan(trip)[0];
	const settingOut = beginsMs > estimate.atMs + AT_HAND_DAYS * DAY_MS;
	return {
		trip,
		options: { reading: 'while-there', ...(settingOut ? { settingOutMs: beginsMs } : {}) },
		fromMs: settingOut ? beginsMs : estimate.atMs,
		settingOut
	};
}

/** The plan of a trip, and what is in each tank along it. */
export function planOfTrip(estimate: Estimate, whole: Trip, entries: readonly Entry[]): TripPlan {
	const { trip, options, fromMs, settingOut } = asked(estimate, whole, entries);
	const worked = workedPlan(estimate, trip, options);
	const toMs = worked.problem.endMs;
	const every = Math.max(LOOK_MS, (toMs - fromMs) / MOST_LOOKS);
	const looks = Array.from(
		{ length: Math.floor((toMs - fromMs) / every) },
		(_, i) => fromMs + (i + 1) * every
	);
	return {
		trip: trip.id,
		plan: worked.plan,
		fromMs,
		toMs,
		settingOut,
		along: levelsAlong(worked, [...looks, toMs])
	};
}

/** What is expected aboard at the stops of a trip. */
export const aboardAlong = (
	estimate: Estimate,
	whole: Trip,
	entries: readonly Entry[]
): readonly LevelsAtStop[] => {
	const { trip, options } = asked(estimate, whole, entries);
	return levelsAtStops(workedPlan(estimate, trip, options));
};

/** How else a trip can be done: what to load, what each school makes of it, and what would mend it. It pauses on the way. */
export function* waysOfTrip(
	estimate: Estimate,
	trips: readonly Trip[],
	whole: Trip,
	points: readonly Point[],
	entries: readonly Entry[]
): Generator<void, WaysOfTrip> {
	const { trip, options: of, settingOut } = asked(estimate, whole, entries);
	// The days ahead are lived once, whatever is done at the stops.
	const options: PlanOptions = { ...of, course: workedPlan(estimate, trip, of).problem.course };
	const first = trip.stops[0];
	const before = settingOut || (first !== undefined && instantMs(first.depart) > estimate.atMs);
	const load = before ? loadBefore(estimate, trip, options) : undefined;
	yield;
	const schools: SchoolPlan[] = [];
	for (const school of ALL_SCHOOLS) {
		const { school: _own, ...policy } = trip.policy ?? {};
		const other = { ...trip, policy: school ? { ...policy, school } : policy };
		schools.push({ school, plan: workedPlan(estimate, other, options).plan });
		yield;
	}
	const own = schools.find(({ school }) => school === trip.policy?.school)?.plan;
	return {
		trip: trip.id,
		...(load ? { load } : {}),
		schools,
		mends: own && !own.feasible ? yield* mends(estimate, trips, trip, own, points, of) : []
	};
}

/** A trip beside what a change makes of it. */
export function tryChange(
	estimate: Estimate,
	trips: readonly Trip[],
	whole: Trip,
	change: TripChange,
	points: readonly Point[],
	entries: readonly Entry[]
): Compared {
	const { trip, options } = asked(estimate, whole, entries);
	return compareTrips(estimate, trips, trip, change, points, options);
}

/** What has changed in the plan of the trip at hand since it was seen, and what was passed by. */
export function newsOfPlan(
	estimate: Estimate,
	whole: Trip,
	plan: Plan,
	entries: readonly Entry[],
	before: PlanSeen | undefined
): PlanNews {
	const { rig } = estimate.model;
	const trip = livedTrip(tripInUse(whole), entries);
	const seen = seenOf(rig, trip, plan, estimate.atMs);
	const changed = before && replanned(before, seen);
	const passed = before?.trip === trip.id ? passedBy(before, rig, trip, entries, estimate.atMs) : [];
	return {
		seen,
		...(changed ? { changed: sayReplanned(rig, trip, changed, estimate.atMs) } : {}),
		passed: passed.map((one) => ({ ...one, asks: askPassedBy(rig, trip, one, estimate.atMs) }))
	};
}
