import type { Assessment } from '$core/now';
import type { Ask } from '$lib/engine';
import type { App } from '$lib/state';

/**
 * Follows the plan of the trip at hand: what has changed in it since it was last seen, when something was written down, and
 * what was passed by. What is asked is asked once.
 */
export async function followPlan(app: App, now: Assessment): Promise<void> {
	const { tripAtHand: trip } = app;
	if (!trip || !now.plan) return;
	const kept = app.prefs.current.plan;
	const before = kept?.seen.trip === trip.id && kept.seen.atMs <= now.atMs ? kept : undefined;
	const news = await app.engine.ask('trip/newsOfPlan', before?.seen);
	if (!news) return;
	const edited = trip.edited ?? '';
	const written = app.rigEntries.length;
	const passed = news.passed.filter(({ stop }) => !before?.asked.includes(stop));
	// A person who changes the trip knows why the plan is another one; and the clock alone makes none.
	const changed =
		before && before.seen.edited === edited && before.seen.written !== written ? news.changed : undefined;
	const note = changed ?? before?.note;
	await app.prefs.set({
		plan: {
			seen: { ...news.seen, edited, written },
			asked: [...(before?.asked ?? []), ...passed.map(({ stop }) => stop)],
			asks: [...(before?.asks ?? []), ...passed],
			...(note === undefined ? {} : { note })
		}
	});
}

/** What was asked has been answered. */
export const answered = (app: App, ask: Ask): Promise<void> =>
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
