import type { Estimate } from '$core/estimate';
import type { Logbook } from '$core/logbook';
import { relive, reviewBySteps, type Otherwise, type Relived } from '$core/review';
import { knownEnd, orNothing, type Looking, type Nothing } from '../../parts/lookingBack';
import { question } from '../../question';

/** The same stretch as it would have been. */
function* livingAgain(
	then: Estimate,
	{ fromMs, timeZone }: Looking,
	trips: Logbook['trips'],
	otherwise: Otherwise
): Generator<number, Relived> {
	return relive(then, yield* reviewBySteps(then, { fromMs, timeZone, trips }), otherwise);
}

/** A stretch as it would have been. */
const counterfactual = question({
	outdatedBy: 'newer or change',
	answer: (
		{ estimateAt, entriesUntil, book, inParts },
		looking: Looking,
		otherwise: Otherwise
	): Promise<Relived | Nothing | undefined> => {
		const then = estimateAt(knownEnd(entriesUntil(looking.toMs), looking));
		return inParts(orNothing(livingAgain(then, looking, book.trips, otherwise)));
	}
});

declare module '../../question' {
	interface Questions {
		'review/counterfactual': typeof counterfactual;
	}
}

export default counterfactual;
