import { instantMs, type Trip } from '$core/logbook';
import { changedEstimate } from '$core/plan';
import { sayOpenings, type Opening } from '$core/words';
import { plannedTrip } from '../../parts/plannedTrip';
import { fallbackPriceOf, tripPlanOf, type FallbackPrice, type TripPlan } from '../../parts/tripPlan';
import { question } from '../../question';

/** A trip that is not kept yet, as it would go. */
export interface DraftPlan {
	/** what the hours of its services say, stop by stop */
	readonly openings: readonly (readonly Opening[])[];
	/** absent where there is nothing to plan */
	readonly planned?: TripPlan;
	readonly price?: FallbackPrice;
}

/** Plans a trip as it is being written; nothing is kept. */
const planDraft = question({
	outdatedBy: 'newer',
	answer: async ({ book, estimate, entries, shared, pause }, trip: Trip): Promise<DraftPlan | undefined> => {
		const now = estimate();
		const openings = trip.stops.map((stop) => sayOpenings(stop, trip, shared.hours, now.atMs));
		if (trip.stops.every(({ depart }) => instantMs(depart) <= now.atMs)) return { openings };
		if (await pause()) return undefined;
		const then = changedEstimate(now, [...book.trips.filter(({ id }) => id !== trip.id), trip], trip);
		const planned = plannedTrip(then, trip, entries, shared.hours);
		return {
			openings,
			planned: tripPlanOf(then, planned),
			price: fallbackPriceOf(then, planned.trip, planned.options)
		};
	}
});

declare module '../../question' {
	interface Questions {
		'trip/planDraft': typeof planDraft;
	}
}

export default planDraft;
