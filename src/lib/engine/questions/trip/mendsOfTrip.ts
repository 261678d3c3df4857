import { mends, workedPlan, type PlanMend } from '$core/plan';
import { plannedTrip } from '../../parts/plannedTrip';
import { question } from '../../question';

/** What would make a trip hold that does not. */
export interface MendsOfTrip {
	readonly trip: string;
	readonly mends: readonly PlanMend[];
}

/** What would make a trip hold; none where it does. */
const mendsOfTrip = question({
	outdatedBy: 'newer or change',
	answer: async (
		{ estimate, trip: tripOf, book: { trips, points }, entries, shared, inParts },
		id: string
	): Promise<MendsOfTrip | undefined> => {
		const whole = tripOf(id);
		if (!whole) return undefined;
		const now = estimate();
		const { trip, options } = plannedTrip(now, whole, entries, shared.hours);
		const { plan } = workedPlan(now, trip, options);
		const found = plan.feasible ? [] : await inParts(mends(now, trips, trip, plan, points, options));
		return found && { trip: trip.id, mends: found };
	}
});

declare module '../../question' {
	interface Questions {
		'trip/mendsOfTrip': typeof mendsOfTrip;
	}
}

export default mendsOfTrip;
