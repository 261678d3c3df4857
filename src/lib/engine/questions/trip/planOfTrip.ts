import { levelsAlong, workedPlan, type Plan, type TankAlong } from '$core/plan';
import { HOUR_MS } from '$core/time';
import { plannedTrip } from '../../parts/plannedTrip';
import { question } from '../../question';

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

/** The plan of any trip of the rig, and what is in each tank along it. */
const planOfTrip = question({
	answer: ({ estimate, trip: tripOf, entries, shared }, id: string): TripPlan | undefined => {
		const whole = tripOf(id);
		if (!whole) return undefined;
		const now = estimate();
		const { trip, options, fromMs, settingOut } = plannedTrip(now, whole, entries, shared.hours);
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
});

declare module '../../question' {
	interface Questions {
		'trip/planOfTrip': typeof planOfTrip;
	}
}

export default planOfTrip;
