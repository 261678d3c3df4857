import type { Trip } from '$core/logbook';
import { changedEstimate } from '$core/plan';
import { nameOfWay, tripFromWay, wayContext, type WayProblem } from '$core/quickline';
import { sayOpenings, sayTimesAt } from '$core/words';
import { readTripText } from '$lib/exchange/tripText';
import { plannedTrip } from '../../parts/plannedTrip';
import { fallbackPriceOf, tripPlanOf, type FallbackPrice, type TripPlan } from '../../parts/tripPlan';
import { question } from '../../question';

/** A trip that is written in lines. */
export interface TripText {
	readonly text: string;
	/** when one is at the first stop, an instant */
	readonly from: string;
	/** what the lines are put into: a new trip, or one that is changed */
	readonly trip: Trip;
}

/** A trip in lines as it was understood, and as it would go. */
export interface TripRead {
	readonly trip: Trip;
	/** what a name of it would be */
	readonly name: string;
	readonly lines: readonly {
		readonly line: number;
		readonly says: string;
		readonly shut: string;
		readonly known: boolean;
	}[];
	readonly problems: readonly WayProblem[];
	/** absent where there is nothing to plan */
	readonly planned?: TripPlan;
	readonly price?: FallbackPrice;
}

/** Reads a trip in lines, and plans it; nothing is kept. */
const readText = question({
	outdatedBy: 'newer',
	answer: async (
		{ from: { rig }, book, estimate, entries, shared, pause },
		{ text, from, trip: base }: TripText
	): Promise<TripRead | undefined> => {
		const context = wayContext(text, from, {
			logbook: book,
			rig,
			timeZone: base.timeZone
		});
		const { stops, lines, problems } = readTripText({ ...context, persons: base.persons });
		const trip = tripFromWay(base, stops, (place) => `stop-${place}`);
		const now = estimate();
		const read: TripRead = {
			trip,
			name: nameOfWay(stops),
			problems,
			lines: lines.flatMap(({ line, stop: place, known }) => {
				const stop = trip.stops[place];
				if (!stop) return [];
				const openings = sayOpenings(stop, trip, shared.hours, now.atMs);
				return [
					{
						line,
						known,
						says: [
							sayTimesAt(stop, trip.timeZone),
							...openings.filter(({ shut }) => !shut).map(({ says }) => says)
						].join(', '),
						shut: openings
							.filter(({ shut }) => shut)
							.map(({ says }) => says)
							.join(', ')
					}
				];
			})
		};
		if (stops.length === 0 || (await pause())) return read;
		const others = book.trips.filter(({ id }) => id !== trip.id);
		const then = changedEstimate(now, [...others, trip], trip);
		const planned = plannedTrip(then, trip, entries, shared.hours);
		if (planned.trip.stops.every(({ depart }) => Date.parse(depart) <= now.atMs)) return read;
		return {
			...read,
			planned: tripPlanOf(then, planned),
			price: fallbackPriceOf(then, planned.trip, planned.options)
		};
	}
});

declare module '../../question' {
	interface Questions {
		'trip/readText': typeof readText;
	}
}

export default readText;
