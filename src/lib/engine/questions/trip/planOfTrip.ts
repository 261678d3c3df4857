import { plannedTrip } from '../../parts/plannedTrip';
import { tripPlanOf, type TripPlan } from '../../parts/tripPlan';
import { question } from '../../question';

/** The plan of any trip of the rig, and what is in each tank along it. */
const planOfTrip = question({
	answer: ({ estimate, trip: tripOf, entries, shared }, id: string): TripPlan | undefined => {
		const whole = tripOf(id);
		if (!whole) return undefined;
		const now = estimate();
		return tripPlanOf(now, plannedTrip(now, whole, entries, shared.hours));
	}
});

declare module '../../question' {
	interface Questions {
		'trip/planOfTrip': typeof planOfTrip;
	}
}

export default planOfTrip;
