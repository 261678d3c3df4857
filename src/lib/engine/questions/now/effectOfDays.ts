import { withAhead } from '$core/estimate';
import type { Ahead } from '$core/logbook';
import { boundOf, effectOf, type Effect } from '$core/now';
import { question } from '../../question';

/** What days ahead that are unlike others would do to the stay. */
const effectOfDays = question({
	answer: (hand, ahead: Ahead): Effect | undefined => {
		const { known } = hand.shared;
		if (!known) return undefined;
		const { from, now, estimate } = known;
		known.bound ??= boundOf(estimate, now);
		const then = { ...estimate, model: withAhead(estimate.model, hand.book.trips, ahead) };
		return effectOf([], now, known.bound, then, from.timeZone, from.units);
	}
});

declare module '../../question' {
	interface Questions {
		'now/effectOfDays': typeof effectOfDays;
	}
}

export default effectOfDays;
