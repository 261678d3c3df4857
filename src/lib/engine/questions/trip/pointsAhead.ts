import { notRetired } from '$core/logbook';
import { nearWay, wayAhead, type NearPoint } from '$core/places';
import { question } from '../../question';

/** What is as far off the way is none of it, km. */
const NEAR_KM = 10;
const MOST = 4;

/** Our points near the way ahead of a trip, the first that are passed. */
export interface PointsAhead {
	readonly trip: string;
	readonly near: readonly NearPoint[];
}

/** Of thousands of points along a long way that is no work for the page. */
const pointsAhead = question({
	answer: ({ trip: tripOf, book: { points }, from: { atMs } }, tripId: string): PointsAhead => {
		const trip = tripOf(tripId);
		const near = trip ? nearWay(notRetired(points), wayAhead(trip, atMs), NEAR_KM) : [];
		return { trip: tripId, near: near.slice(0, MOST) };
	}
});

declare module '../../question' {
	interface Questions {
		'trip/pointsAhead': typeof pointsAhead;
	}
}

export default pointsAhead;
