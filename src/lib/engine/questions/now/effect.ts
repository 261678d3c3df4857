import { withEntry } from '$core/estimate';
import { inOrder, instantMs, type Entry } from '$core/logbook';
import { boundOf, effectOf, plainEffect, type Effect } from '$core/now';
import { question } from '../../question';

/**
 * What entries that are written together would do to the stay. One at the end of the log is added to what is known; an earlier
 * one is replayed in its place.
 */
const effect = question({
	answer: (hand, entries: readonly Entry[]): Effect | undefined => {
		const { known } = hand.shared;
		const [first] = entries;
		if (!known || !first || known.from.rig !== first.rig) return undefined;
		const { from, now, estimate } = known;
		const counting = entries.filter((entry) => !plainEffect(now, entry, from.timeZone));
		if (counting.length === 0) return plainEffect(now, first, from.timeZone);
		known.bound ??= boundOf(estimate, now);
		const lastMs = Math.max(...estimate.entries.slice(-1).map(({ at }) => instantMs(at)), -Infinity);
		const then = counting.every(({ at }) => instantMs(at) >= lastMs)
			? inOrder(counting).reduce(withEntry, estimate)
			: hand.replay.aside(estimate.entries, counting, from.atMs);
		return effectOf(
			counting.map(({ kind }) => kind),
			now,
			known.bound,
			then,
			from.timeZone,
			from.units
		);
	}
});

declare module '../../question' {
	interface Questions {
		'now/effect': typeof effect;
	}
}

export default effect;
