import type { Estimate } from '$core/estimate';
import { foretell, scoreOf, type Foretold, type Score } from '$core/forecast';
import { instantMs, knownUntil, tripSpan, type Entry, type Logbook, type Trip } from '$core/logbook';
import {
	byHabit,
	byOutlet,
	errandsOf,
	foreseenOf,
	NothingToReview,
	relive,
	reviewBySteps,
	type Errands,
	type Foreseen,
	type Otherwise,
	type Relived,
	type Review,
	type Share
} from '$core/review';

/** What is looked back on. */
export interface Looking {
	readonly fromMs: number;
	readonly toMs: number;
	readonly timeZone: string;
	/** the trip whose plan it is held against */
	readonly trip?: string | undefined;
}

/** A stretch looked back on, with all that stands beside it. */
export interface LookedBack {
	readonly review: Review;
	readonly habits: readonly Share[];
	readonly outlets: readonly Share[];
	readonly errands: Errands;
	readonly foreseen: Foreseen;
	/** as it was, lived by the rule that another way is compared by */
	readonly was: Relived;
}

/** Until when a stretch is known. */
export const knownEnd = (
	entries: readonly Entry[],
	{ toMs, timeZone }: Pick<Looking, 'toMs' | 'timeZone'>
): number => knownUntil(entries, toMs, timeZone);

/** Why nothing can be looked back on. */
export interface Nothing {
	readonly nothing: NothingToReview['why'];
}

type Book = Pick<Logbook, 'trips' | 'points' | 'rigs'>;

function* orNothing<T>(making: Generator<number, T>): Generator<number, T | Nothing> {
	try {
		return yield* making;
	} catch (error) {
		if (error instanceof NothingToReview) return { nothing: error.why };
		throw error;
	}
}

/**
 * Looks back on a stretch; it pauses on its way.
 *
 * @param then the estimate as it ends
 * @param before the estimate as it begins: what one knew then; after its first day, where nothing was known
 */
export const lookBack = (
	then: Estimate,
	before: Estimate,
	looking: Looking,
	book: Book,
	entries: readonly Entry[]
): Generator<number, LookedBack | Nothing> => orNothing(lookingBack(then, before, looking, book, entries));

function* lookingBack(
	then: Estimate,
	before: Estimate,
	{ fromMs, timeZone, trip: id }: Looking,
	book: Book,
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
		foreseen: foreseenOf(before, trip, book, review, errands),
		was: relive(then, review)
	};
}

/** The same stretch as it would have been. */
export const liveAgain = (
	then: Estimate,
	looking: Looking,
	trips: Logbook['trips'],
	otherwise: Otherwise
): Generator<number, Relived | Nothing> => orNothing(livingAgain(then, looking, trips, otherwise));

function* livingAgain(
	then: Estimate,
	{ fromMs, timeZone }: Looking,
	trips: Logbook['trips'],
	otherwise: Otherwise
): Generator<number, Relived> {
	return relive(then, yield* reviewBySteps(then, { fromMs, timeZone, trips }), otherwise);
}

/** A stretch in few figures, to stand beside another. */
export interface InShort {
	readonly id: string;
	readonly days: number;
	readonly personDays: number;
	readonly drawnL: number;
	readonly perPersonDayL?: number;
	readonly habits: readonly { readonly id: string; readonly perPersonDayL: number }[];
}

/** A trip of the rig in few figures; nothing where its log has nothing of it. */
export function* inShort(then: Estimate, trip: Trip): Generator<number, InShort | undefined> {
	const [fromMs] = tripSpan(trip);
	const seen = yield* orNothing(reviewBySteps(then, { fromMs, timeZone: trip.timeZone, whole: true }));
	if ('nothing' in seen) return undefined;
	const { days, personDays, drawnL, perPersonDayL } = seen;
	return {
		id: trip.id,
		days,
		personDays,
		drawnL,
		...(perPersonDayL === undefined ? {} : { perPersonDayL }),
		habits: byHabit(seen, then.model.rig).flatMap(({ id, perPersonDayL: own }) =>
			own === undefined ? [] : [{ id, perPersonDayL: own }]
		)
	};
}

/** What is foretold for a day later; nothing where the log knows of it already. */
export const foretellNow = (estimate: Estimate, entries: readonly Entry[]): Foretold | undefined =>
	foretell(
		estimate,
		entries.reduce((last, { at, void: gone }) => (gone ? last : Math.max(last, instantMs(at))), 0)
	);

/** What would have been foretold by the log until then: for the demo rigs, whose log is made up all at once. */
export const foretellAsOf = (estimate: Estimate): Foretold | undefined => foretell(estimate);

export const scoreThen = (estimate: Estimate, foretold: Foretold): Score | 'later' | 'untold' =>
	scoreOf(estimate, foretold);
