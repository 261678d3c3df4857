import type { Estimate } from '$core/estimate';
import type { Trip } from '$core/logbook';
import { levelsAlong, workedPlan, type Plan, type TankAlong } from '$core/plan';
import { HOUR_MS } from '$core/time';
import type { PlannedTrip } from './plannedTrip';

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

/** A moment is looked at in every so many hours, and no more than so many. */
const LOOK_MS = 3 * HOUR_MS;
const MOST_LOOKS = 400;

/** The plan of a trip, and what is in each tank along it. */
export function tripPlanOf(now: Estimate, { trip, options, fromMs, settingOut }: PlannedTrip): TripPlan {
	const worked = workedPlan(now, trip, options);
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

/** What surviving one service that is shut costs a trip: its plan with a fallback, and without. */
export interface FallbackPrice {
	readonly withIt: Plan;
	readonly without: Plan;
}

/** The plans of a trip with a fallback and without, lived on the same paths. */
export function fallbackPriceOf(now: Estimate, trip: Trip, options: PlannedTrip['options']): FallbackPrice {
	const first = workedPlan(now, trip, { ...options, fallback: false });
	const shared = { ...options, course: first.problem.course };
	return { without: first.plan, withIt: workedPlan(now, trip, { ...shared, fallback: true }).plan };
}
