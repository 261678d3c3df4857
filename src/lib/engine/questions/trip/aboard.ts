import { levelsAtStops, workedPlan, type LevelsAtStop } from '$core/plan';
import { plannedTrip } from '../../parts/plannedTrip';
import { question } from '../../question';

/** What is expected in each tank at the stops ahead; none without a trip. */
const aboard = question({
	answer: ({ estimate, trip: tripOf, entries, shared }): readonly LevelsAtStop[] => {
		const whole = tripOf();
		if (!whole) return [];
		const now = estimate();
		const { trip, options } = plannedTrip(now, whole, entries, shared.hours);
		return levelsAtStops(workedPlan(now, trip, options));
	}
});

declare module '../../question' {
	interface Questions {
		'trip/aboard': typeof aboard;
	}
}

export default aboard;
