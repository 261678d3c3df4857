import { livedTrip, passedBy, replanned, seenOf, type PassedBy } from '$core/plan';
import { sayReplanned } from '$core/words';
import type { App } from '$lib/state';
import type { Assessment } from '$core/now';

/**
 * Follows the plan of the trip at hand: what has changed in it since it was last seen, when something was written down or
 * time went by without what was planned. What is asked is asked once.
 */
export async function followPlan(app: App, now: Assessment): Promise<void> {
	const { liveRig: rig, tripAtHand: trip } = app;
	const { plan } = now;
	if (!rig || !trip || !plan || now.rig !== rig.id) return;
	const before = app.prefs.current.plan;
	const seen = {
		...seenOf(rig, trip, plan, now.atMs),
		edited: trip.edited ?? '',
		written: app.rigEntries.length
	};
	const same = before?.seen.trip === trip.id && before.seen.atMs <= now.atMs;
	// A person who changes the trip knows why the plan is another one.
	const changed =
		same && before.seen.edited === seen.edited && before.seen.written !== seen.written
			? replanned(before.seen, seen)
			: undefined;
	const asks = same ? before.asks : [];
	const lived = livedTrip(trip, app.rigEntries);
	const passed = same
		? passedBy(before.seen, rig, lived, app.rigEntries, now.atMs).filter(
				({ stop }) => !before.asked.includes(stop)
			)
		: [];
	await app.prefs.set({
		plan: {
			seen,
			asked: [...(same ? before.asked : []), ...passed.map(({ stop }) => stop)],
			asks: [...asks, ...passed],
			...(changed
				? { note: sayReplanned(rig, trip, changed, now.atMs) }
				: same && before.note !== undefined
					? { note: before.note }
					: {})
		}
	});
}

/** What was asked has been answered. */
export const answered = (app: App, ask: PassedBy): Promise<void> =>
	app.prefs.set(({ plan }) =>
		plan ? { plan: { ...plan, asks: plan.asks.filter(({ stop }) => stop !== ask.stop) } } : {}
	);

/** What has changed was read. */
export const noteRead = (app: App): Promise<void> =>
	app.prefs.set(({ plan }) => {
		if (!plan) return {};
		const { note: _read, ...rest } = plan;
		return { plan: rest };
	});
