import type { Estimate } from '../estimate/index.js';
import { instantMs, tripSpan, type HoursReader, type Logbook, type Trip } from '../logbook/index.js';
import { plan } from '../plan/index.js';
import type { Errands } from './errands.js';
import type { Review } from './review.js';
import { expectedPerPersonDay } from './shares.js';

/** What was to be expected of a stretch when it began, or, where nothing was known then, after its first day. */
export interface Foreseen {
	readonly afterFirstDay: boolean;
	/** litres per person and day, as one lived before */
	readonly perPersonDayL?: number;
	/** what the plan of the trip wanted then of the stops until the end of the stretch, and what came of it */
	readonly plan?: {
		readonly services: number;
		readonly feasible: boolean;
		readonly calls: number;
		/** of a trip that is over: what the plan reckoned with, and what came, at the trip's own prices */
		readonly cost?: { readonly reckoned: number; readonly paid: number };
	};
}

/**
 * What was to be expected of a stretch, and what came of it.
 *
 * @param before the estimate from which it is looked ahead: as the stretch begins, or some time after it
 * @param trip the trip that the stretch is of, when it is one
 */
export function foreseenOf(
	before: Estimate,
	trip: Trip | undefined,
	book: Pick<Logbook, 'trips' | 'points'> & { readonly hours?: HoursReader | undefined },
	{ fromMs, toMs }: Review,
	{ errands }: Errands
): Foreseen {
	const persons = trip?.persons ?? before.model.rig.crew;
	const perPersonDayL = expectedPerPersonDay(before, persons);
	const planned =
		trip && before.entries.length > 0 && trip.stops.length > 0
			? plan(before, book, trip.id, { hours: book.hours })
			: undefined;
	const since = errands.filter(({ ms }) => ms >= before.atMs);
	const reached = new Set(
		(trip?.stops ?? []).filter(({ arrive }) => instantMs(arrive) <= toMs).map(({ id }) => id)
	);
	const isOver = trip !== undefined && tripSpan(trip)[1] <= toMs;
	const { feePerMinute = 0, feePerKm = 0 } = trip?.policy ?? {};
	return {
		afterFirstDay: before.atMs > fromMs,
		...(perPersonDayL === undefined ? {} : { perPersonDayL }),
		...(planned
			? {
					plan: {
						services: planned.services.filter(({ stop }) => reached.has(stop)).length,
						feasible: planned.feasible,
						calls: since.length,
						...(isOver
							? {
									cost: {
										reckoned: planned.cost,
										paid: since.reduce(
											(sum, { fee, minutes, detourKm }) =>
												sum + fee + minutes * feePerMinute + detourKm * feePerKm,
											0
										)
									}
								}
							: {})
					}
				}
			: {})
	};
}
