import { compareTrips, type Compared, type TripChange } from '$core/plan';
import { plannedTrip } from '../../parts/plannedTrip';
import { question } from '../../question';

/** A trip beside what a change makes of it. */
const tryChange = question({
	answer: (
		{ estimate, trip: tripOf, book: { trips, points }, entries, shared },
		id: string,
		change: TripChange
	): Compared | undefined => {
		const whole = tripOf(id);
		if (!whole) return undefined;
		const now = estimate();
		const { trip, options } = plannedTrip(now, whole, entries, shared.hours);
		return compareTrips(now, trips, trip, change, points, options);
	}
});

declare module '../../question' {
	interface Questions {
		'trip/tryChange': typeof tryChange;
	}
}

export default tryChange;
