import type { Estimate } from '$core/estimate';
import type { Entry, HoursReader, Logbook } from '$core/logbook';
import {
	besideFlows,
	byHabit,
	byOutlet,
	errandsOf,
	foreseenOf,
	relive,
	reviewBySteps,
	type BesideFlows,
	type Errands,
	type Foreseen,
	type Relived,
	type Review,
	type Share
} from '$core/review';
import { DAY_MS } from '$core/time';
import { knownEnd, orNothing, type Looking, type Nothing } from '../../parts/lookingBack';
import { question } from '../../question';

/** A stretch looked back on, with all that stands beside it. */
export interface LookedBack {
	readonly review: Review;
	readonly habits: readonly Share[];
	readonly outlets: readonly Share[];
	readonly errands: Errands;
	/** bought, made, given, spilled, leaked */
	readonly beside: BesideFlows;
	readonly foreseen: Foreseen;
	/** as it was, lived by the rule that another way is compared by */
	readonly was: Relived;
}

/** So much of a stretch must be over before it is held against what was known. */
const FIRST_DAY_MS = DAY_MS;

/**
 * Looks back on a stretch; it pauses on its way.
 *
 * @param then the estimate as it ends
 * @param before the estimate as it begins: what one knew then; after its first day, where nothing was known
 */
function* lookingBack(
	then: Estimate,
	before: Estimate,
	{ fromMs, timeZone, trip: id }: Looking,
	book: Pick<Logbook, 'trips' | 'points' | 'rigs'> & { readonly hours?: HoursReader | undefined },
	entries: readonly Entry[]
): Generator<number, LookedBack> {
	const { rig } = then.model;
	const review = yield* reviewBySteps(then, { fromMs, timeZone, trips: book.trips });
	const trip = book.trips.find((one) => one.id === id);
	const errands = errandsOf(book, rig, entries, review.fromMs, review.toMs);
	return {
		review,
		habits: byHabit(review, rig),
		outlets: byOutlet(review, rig),
		errands,
		beside: besideFlows(rig, entries, review.fromMs, review.toMs),
		foreseen: foreseenOf(before, trip, book, review, errands),
		was: relive(then, review)
	};
}

/** A stretch looked back on; it tells how far it is, 0 … 1. */
const lookBack = question({
	outdatedBy: 'newer or change',
	answer: (
		{ estimateAt, entriesUntil, entries, book, shared, inParts },
		looking: Looking,
		onprogress?: (done: number) => void
	): Promise<LookedBack | Nothing | undefined> => {
		const { fromMs } = looking;
		const toMs = knownEnd(entriesUntil(looking.toMs), looking);
		// Where nothing was known as it began, it is held against what was known after its first day.
		const began = entriesUntil(fromMs).length > 0 ? fromMs : fromMs + FIRST_DAY_MS;
		return inParts(
			orNothing(
				lookingBack(
					estimateAt(toMs),
					estimateAt(Math.min(began, toMs)),
					looking,
					{ ...book, hours: shared.hours },
					entries
				)
			),
			onprogress
		);
	}
});

declare module '../../question' {
	interface Questions {
		'review/lookBack': typeof lookBack;
	}
}

export default lookBack;
