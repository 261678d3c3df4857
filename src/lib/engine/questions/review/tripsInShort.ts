import type { Estimate } from '$core/estimate';
import { tripSpan, type Trip } from '$core/logbook';
import { byHabit, reviewBySteps } from '$core/review';
import { knownEnd, orNothing } from '../../parts/lookingBack';
import { question } from '../../question';

/** So many trips are looked back on beside each other. */
const MOST_TRIPS = 12;

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
function* inShort(then: Estimate, trip: Trip): Generator<number, InShort | undefined> {
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

/** The trips of the rig that have begun, in few figures, the latest first. */
const tripsInShort = question({
	outdatedBy: 'newer or change',
	answer: async ({
		from: { rig, atMs },
		book,
		entriesUntil,
		estimateAt,
		inParts,
		pause
	}): Promise<readonly InShort[] | undefined> => {
		const found: InShort[] = [];
		const own = book.trips
			.filter((trip) => trip.rig === rig)
			.map((trip) => ({ trip, span: tripSpan(trip) }))
			.filter(({ span }) => span[0] < atMs)
			.sort((a, b) => b.span[0] - a.span[0]);
		for (const { trip, span } of own.slice(0, MOST_TRIPS)) {
			const toMs = Math.min(span[1], atMs);
			const then = estimateAt(knownEnd(entriesUntil(toMs), { toMs, timeZone: trip.timeZone }));
			const short = await inParts(inShort(then, trip));
			if (short) found.push(short);
			if (await pause()) return undefined;
		}
		return found;
	}
});

declare module '../../question' {
	interface Questions {
		'review/tripsInShort': typeof tripsInShort;
	}
}

export default tripsInShort;
