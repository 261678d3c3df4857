import { assess as assessNow, type Assessment } from '$core/now';
import { question } from '../../question';

/** Between so many entries the engine listens: to a new question, or to a stop. */
const AT_ONCE = 2000;

/** Everything that *Now* shows. A long replay tells how far it is, 0 … 1, and stops when another question comes. */
const assess = question({
	outdatedBy: 'newer',
	answer: async (hand, onprogress?: (done: number) => void): Promise<Assessment | undefined> => {
		const { from, replay, shared, book } = hand;
		const entries = hand.entriesUntil();
		for (let i = AT_ONCE; i < entries.length; i += AT_ONCE) {
			if (!replay.advance(entries.slice(0, i))) continue;
			onprogress?.(i / entries.length);
			if (await hand.pause()) return undefined;
		}
		const estimate = hand.estimate();
		const { timeZone, units } = from;
		const { known } = shared;
		const before = known && JSON.stringify(known.from) === JSON.stringify(from) ? known.now : undefined;
		const now = assessNow(
			estimate,
			{ trips: book.trips, entries: hand.entries },
			{ trip: hand.trip(), timeZone, ...(units ? { units } : {}) },
			shared.planTrip,
			before
		);
		shared.known = { from, estimate, now };
		return now;
	}
});

declare module '../../question' {
	interface Questions {
		'now/assess': typeof assess;
	}
}

export default assess;
