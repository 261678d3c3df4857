import { basket as holds, stayLine, type More, type StayLine } from '$core/forecast';
import { certaintyOf } from '$core/logbook';
import { nextServed } from '$core/now';
import { sayBasket, type BasketKind, type Span } from '$core/words';
import { question } from '../../question';

/** The answer to a basket, in words and as a line. */
export interface BasketAnswer {
	readonly kind: BasketKind;
	readonly headline: Span;
	readonly reason: string;
	readonly line: StayLine;
	readonly atMs: number;
}

/** Whether there is enough for some things before the next stop that serves a tank. */
const basket = question({
	answer: (
		{ estimate, trip, from: { timeZone }, shared: { hours } },
		more: readonly More[]
	): BasketAnswer => {
		const now = estimate();
		const { atMs, model } = now;
		const until = nextServed(now, trip(), hours);
		const found = holds(now, more, new Map([...until].map(([tank, { ms }]) => [tank, ms])));
		return {
			...sayBasket(model.rig, found, until, certaintyOf(trip()), atMs, timeZone),
			line: stayLine(now, [], more),
			atMs
		};
	}
});

declare module '../../question' {
	interface Questions {
		'now/basket': typeof basket;
	}
}

export default basket;
