import { lookFirst, type Assessment } from '$core/now';
import { instantMs } from '$core/logbook';
import { question } from '../../question';

/** Between so many entries the engine listens: to a new question, or to a stop. */
const AT_ONCE = 2000;
/** A log with more entries is long: while it is gone through, so many of its last ones tell what is likely. */
const [LONG, FIRST_LOOK] = [8000, 2000] as const;

/** What *Now* shows first: without prices and findings; of a long log by its last entries alone, and since when those are. */
export interface FirstLook {
	readonly now: Assessment;
	readonly sinceMs?: number;
}

/**
 * Everything that *Now* shows. A long replay tells how far it is, 0 … 1, and stops when another question comes; while nothing is
 * known yet, it begins with a first look, and goes on when that has been shown.
 */
const assess = question({
	outdatedBy: 'newer or change',
	answer: async (
		hand,
		onprogress?: (done: number) => void,
		onfirst?: (look: FirstLook) => void | Promise<void>
	): Promise<Assessment | undefined> => {
		const { from, replay, shared, book } = hand;
		const entries = hand.entriesUntil();
		const isFirst = !replay.begun;
		const { timeZone, units } = from;
		const occasion = { trip: hand.trip(), timeZone, hours: shared.hours, ...(units ? { units } : {}) };
		const { trips, points } = book;
		const recent = entries.slice(-FIRST_LOOK);
		const [oldest] = recent;
		if (onfirst && oldest && isFirst && entries.length > LONG) {
			const now = lookFirst(
				hand.freshReplay().to(recent, from.atMs),
				{ trips, points, entries: recent },
				occasion
			);
			await onfirst({ now, sinceMs: instantMs(oldest.at) });
			if (await hand.pause()) return undefined;
		}
		for (let i = AT_ONCE; i < entries.length; i += AT_ONCE) {
			if (!replay.advance(entries.slice(0, i))) continue;
			onprogress?.(i / entries.length);
			if (await hand.pause()) return undefined;
		}
		const estimate = hand.estimate();
		const { known } = shared;
		let before = known && JSON.stringify(known.from) === JSON.stringify(from) ? known.now : undefined;
		if (onfirst && isFirst) {
			before = lookFirst(estimate, { trips, points, entries: hand.entries }, occasion);
			await onfirst({ now: before });
		}
		const { assess: assessNow } = await import('../../parts/wholeNow');
		// What has come meanwhile would be answered from what was before.
		if (await hand.pause()) return undefined;
		const now = assessNow(
			estimate,
			{ trips, points, entries: hand.entries },
			occasion,
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
