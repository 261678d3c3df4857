import type { Estimate } from '$core/estimate';
import { basket, stayLine, type More, type StayLine } from '$core/forecast';
import { certaintyOf, type Trip } from '$core/logbook';
import { nextServed } from '$core/now';
import { sayBasket, type BasketKind, type Span } from '$core/words';

/** The answer to a basket, in words and as a line. */
export interface BasketAnswer {
	readonly kind: BasketKind;
	readonly headline: Span;
	readonly reason: string;
	readonly line: StayLine;
	readonly atMs: number;
}

/** Whether there is enough for some things before the next stop that serves a tank. */
export function basketAnswer(
	estimate: Estimate,
	more: readonly More[],
	trip: Trip | undefined,
	timeZone: string
): BasketAnswer {
	const until = nextServed(estimate, trip);
	const found = basket(estimate, more, new Map([...until].map(([tank, { ms }]) => [tank, ms])));
	const { rig } = estimate.model;
	const { atMs } = estimate;
	return {
		...sayBasket(rig, found, until, certaintyOf(trip), atMs, timeZone),
		line: stayLine(estimate, [], more),
		atMs
	};
}
