import type { Estimate } from '$core/estimate';
import { instantMs, type Entry, type HoursReader, type School, type Trip } from '$core/logbook';
import { ALL_SCHOOLS, loadBefore, workedPlan, type Load, type Plan, type PlanOptions } from '$core/plan';
import { plannedTrip } from '../../parts/plannedTrip';
import { fallbackPriceOf, type FallbackPrice } from '../../parts/tripPlan';
import { question } from '../../question';

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
	/** what surviving one service that is shut costs */
	readonly fallback: FallbackPrice;
}

/** How else a trip can be done: what to load, and what each school makes of it. It pauses on the way. */
function* waysAlong(
	estimate: Estimate,
	whole: Trip,
	entries: readonly Entry[],
	hours: HoursReader | undefined
): Generator<void, WaysOfTrip> {
	const { trip, options: of, settingOut } = plannedTrip(estimate, whole, entries, hours);
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
	return {
		trip: trip.id,
		...(load ? { load } : {}),
		schools,
		fallback: fallbackPriceOf(estimate, trip, options)
	};
}

/** How else a trip can be done. */
const waysOfTrip = question({
	outdatedBy: 'newer or change',
	answer: async (
		{ estimate, trip, entries, shared, inParts },
		id: string
	): Promise<WaysOfTrip | undefined> => {
		const found = trip(id);
		return found && inParts(waysAlong(estimate(), found, entries, shared.hours));
	}
});

declare module '../../question' {
	interface Questions {
		'trip/waysOfTrip': typeof waysOfTrip;
	}
}

export default waysOfTrip;
